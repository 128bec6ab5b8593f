<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'

import type { Fault } from '@/api/types'
import { faultText } from '@/shared/format/faults'

// A figure hung on the drawing. Touch a green one and it becomes the field that changes it.
const props = defineProps<{
  label: string
  number: string
  unit: string
  editable?: boolean
  step?: string | null
  assumed?: boolean
  fault?: Fault
  busy?: boolean
  /** The drawing says the refusal itself, where there is room for all of it. */
  quiet?: boolean
}>()
const emit = defineEmits<{ change: [typed: string]; cancel: []; how: [step: string] }>()
const editing = ref(false)
const typed = ref('')
const box = ref<HTMLInputElement>()

async function begin() {
  typed.value = props.number
  editing.value = true
  await nextTick()
  box.value?.focus()
  box.value?.select()
}
function give() {
  if (typed.value.trim() === '' || typed.value === props.number) return stop()
  emit('change', typed.value)
}
function stop() {
  editing.value = false
  emit('cancel')
}
// A new figure means the change was taken; a fault keeps the field open with what was typed.
watch(
  () => [props.number, props.fault] as const,
  ([, fault]) => {
    if (!fault) editing.value = false
  },
)
</script>

<template>
  <div class="callout" :class="{ assumed }">
    <span class="label">{{ label }}</span>
    <form v-if="editing" @submit.prevent="give">
      <input
        ref="box"
        v-model="typed"
        :aria-label="label"
        :aria-invalid="fault ? 'true' : undefined"
        autocomplete="off"
        spellcheck="false"
        @keydown.esc="stop"
      />
      <button type="submit" class="set" :disabled="busy">Set</button>
      <p v-if="fault && !quiet" class="message" role="alert">{{ faultText(fault) }}</p>
    </form>
    <button
      v-else-if="editable"
      type="button"
      class="touch"
      :aria-label="`${label} ${number} ${unit}, change`"
      @click="begin"
    >
      <span class="figure">{{ number }}</span> {{ unit }}
    </button>
    <button
      v-else-if="step"
      type="button"
      class="touch answer"
      :aria-label="`${label} ${number} ${unit}, how come?`"
      @click="emit('how', step)"
    >
      <span class="figure">{{ number }}</span> {{ unit }}
    </button>
    <span v-else class="plain-answer"
      ><span class="figure">{{ number }}</span> {{ unit }}</span
    >
  </div>
</template>

<style scoped>
.callout {
  display: grid;
  justify-items: start;
}
/* Only the words cover the drawing, not the box they stand in. */
.label,
.touch,
.plain-answer {
  background: var(--sheet);
}
/* Above the touched area, which reaches up behind it. */
.label {
  position: relative;
  z-index: 1;
  font-size: 0.875rem;
  white-space: nowrap;
}
.touch,
.plain-answer {
  font: 600 1rem var(--face-label);
  white-space: nowrap;
}
.touch {
  min-height: 44px;
  min-width: 44px;
  margin: -7px 0 -3px;
  padding: 0 2px 4px 0;
  border: 0;
  color: var(--touch);
  cursor: pointer;
  text-align: left;
  display: flex;
  align-items: baseline;
  gap: 4px;
  padding-top: 10px;
  box-shadow: inset 0 -9px 0 -7px var(--touch);
}
.touch.answer {
  color: var(--ink);
  box-shadow: none;
}
.assumed .touch {
  box-shadow: none;
  border-bottom: 2px dashed var(--touch);
}
.figure {
  font-size: 1.375rem;
}
form {
  display: grid;
  grid-template-columns: 118px auto;
  z-index: 5;
  position: relative;
}
input {
  height: 46px;
  min-width: 0;
  border: 2px solid var(--touch);
  background: var(--sheet);
  color: var(--ink);
  font: 600 1.1875rem var(--face-figure);
  padding: 0 6px;
}
.set {
  border: 0;
  background: var(--touch);
  color: var(--on-touch);
  font: 600 1.0625rem var(--face-label);
  padding: 0 12px;
  cursor: pointer;
}
.message {
  grid-column: 1 / 3;
  width: min(100%, 320px);
  background: var(--sheet);
  color: var(--hot);
  border: 1px solid var(--hot);
  padding: 5px 7px;
  font-size: 0.9375rem;
  font-weight: 600;
}
</style>
