<script setup lang="ts">
import { computed, ref, useId } from 'vue'

import type { Fault } from '@/api/types'
import { faultText } from '@/shared/format/faults'
import { isBare } from '@/shared/format/units'
import { usePadField } from '@/pad/padField'

// A shop number: typed as it is said, with fraction keys at hand while it has the focus.
const props = defineProps<{
  label: string
  unit?: string
  example?: string
  fault?: Fault
  assumed?: string
  fractions?: boolean
}>()
const typed = defineModel<string>({ default: '' })
const id = useId()
const focused = ref(false)
const { letters, touched } = usePadField(typed, () => ({ label: props.label, unit: props.unit ?? '' }))
const keys = ['1/2', '1/4', '1/8', '1/16', '1/32']
// What was typed with a unit says it itself.
const suffix = computed(() => (props.unit && (!typed.value.trim() || isBare(typed.value)) ? props.unit : ''))
const message = computed(() => (props.fault ? faultText(props.fault) : ''))

function add(fraction: string) {
  const whole = typed.value.trim()
  typed.value = whole && /\d$/.test(whole) && !whole.includes('/') ? `${whole} ${fraction}` : fraction
}
</script>

<template>
  <div class="quantity" :class="{ bad: fault }" @pointerdown="touched">
    <label class="label" :for="id">{{ label }}</label>
    <el-input
      :id="id"
      v-model="typed"
      autocomplete="off"
      spellcheck="false"
      :inputmode="letters ? 'text' : 'decimal'"
      enterkeyhint="done"
      :placeholder="assumed ? `assumed ${assumed}` : ''"
      :aria-invalid="fault ? 'true' : undefined"
      :aria-describedby="message ? id + '-m' : undefined"
      @focus="focused = true"
      @blur="focused = false"
    >
      <template v-if="suffix" #suffix
        ><span class="unit">{{ suffix }}</span></template
      >
    </el-input>
    <div v-if="fractions && focused" class="keys">
      <button v-for="k in keys" :key="k" type="button" tabindex="-1" @mousedown.prevent="add(k)">{{ k }}</button>
    </div>
    <p v-if="message" :id="id + '-m'" class="field-fault">{{ message }}</p>
    <p v-else-if="example && focused && !fractions" class="hint">for example {{ example }}</p>
  </div>
</template>

<style scoped>
.quantity {
  display: grid;
  gap: 3px;
  position: relative;
}
.unit {
  color: var(--dim);
  font-size: 1rem;
}
/* Over what is there, not pushing it: a button must not move away under the finger that leaves the field. The keys
   stand over the field, where the hand has been; the next field and the button below stay free. */
.keys,
.hint {
  position: absolute;
  left: 0;
  right: 0;
  z-index: 8;
  background: var(--sheet);
}
.hint {
  top: 100%;
}
.keys {
  bottom: 100%;
  display: grid;
  grid-template-columns: repeat(5, 1fr);
  gap: 4px;
}
.keys button {
  min-height: 46px;
  background: var(--touch-soft);
  border: 1px solid var(--line);
  color: var(--ink);
  font-family: var(--face-figure);
  font-size: 1rem;
}
.hint {
  color: var(--dim);
  font-size: 0.9375rem;
  padding: 2px 6px;
  border: 1px solid var(--line);
}
.bad :deep(.el-input__wrapper) {
  box-shadow: inset 0 0 0 2px var(--hot);
}
</style>
