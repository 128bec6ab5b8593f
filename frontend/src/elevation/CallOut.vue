<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'

import { askNumber, byTouch, unitsBeside } from '@/pad/ask'

import type { Fault } from '@/api/types'
import { faultText } from '@/shared/format/faults'

// A figure hung on the drawing. Touch a green one and it becomes the field that changes it.
const props = defineProps<{
  label: string
  /** What a reader is told, where the label stands beside its part and says less. */
  named?: string
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

const back = ref<HTMLElement>()
async function begin(e: Event) {
  typed.value = props.number
  if (byTouch(e)) {
    const given = await askNumber({
      label: props.named ?? props.label,
      value: props.number,
      unit: props.unit,
      units: unitsBeside(props.unit),
      before: `${props.number} ${props.unit}`,
    })
    if (!given) return
    // A refusal is said beside the field, so it stands open until the figure is taken.
    editing.value = true
    if (!('letters' in given)) {
      typed.value = given.typed
      return give()
    }
  }
  editing.value = true
  await nextTick()
  box.value?.focus()
  box.value?.select()
}
/** The focus goes back to the figure that was changed. */
async function close() {
  if (!editing.value) return
  const had = box.value?.closest('form')?.contains(document.activeElement)
  editing.value = false
  await nextTick()
  if (had) back.value?.focus()
}
function give() {
  if (typed.value.trim() === '' || typed.value === props.number) return stop()
  emit('change', typed.value)
}
function stop() {
  void close()
  emit('cancel')
}
// A new figure means the change was taken; a fault keeps the field open with what was typed.
watch(
  () => [props.number, props.fault] as const,
  ([, fault]) => {
    if (!fault) void close()
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
        :aria-label="named ?? label"
        :aria-invalid="fault ? 'true' : undefined"
        autocomplete="off"
        spellcheck="false"
        @keydown.esc="stop"
      />
      <span class="unit">{{ unit }}</span>
      <button type="submit" class="set" :disabled="busy">Set</button>
      <button type="button" class="leave" @click="stop">Put back</button>
      <p v-if="fault && !quiet" class="message" role="alert">{{ faultText(fault) }}</p>
    </form>
    <button
      v-else-if="editable"
      ref="back"
      type="button"
      class="touch"
      :aria-label="`${named ?? label} ${number} ${unit}, change`"
      @click="begin"
    >
      <span class="figure">{{ number }}</span> {{ unit }}
    </button>
    <button
      v-else-if="step"
      type="button"
      class="touch answer"
      :aria-label="`${named ?? label} ${number} ${unit}, how come?`"
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
  grid-template-columns: 118px auto auto auto;
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
.unit {
  align-self: center;
  background: var(--sheet);
  padding: 0 5px;
  font: 600 1rem var(--face-label);
}
.leave {
  border: 2px solid var(--touch);
  background: var(--sheet);
  color: var(--touch);
  font: 600 1rem var(--face-label);
  padding: 0 10px;
  cursor: pointer;
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
  grid-column: 1 / 5;
  width: min(100%, 320px);
  background: var(--sheet);
  color: var(--hot);
  border: 1px solid var(--hot);
  padding: 5px 7px;
  font-size: 0.9375rem;
  font-weight: 600;
}
</style>
