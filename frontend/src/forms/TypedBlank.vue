<script setup lang="ts">
// A blank in a sentence: what is typed stands in it; a dashed line is not typed yet.
import { usePadField } from '@/pad/padField'

const props = defineProps<{
  says: string
  wide?: number
  bad?: boolean
  unit?: string
  hint?: string
  words?: boolean
}>()
const typed = defineModel<string>({ required: true })
const { letters, touched: byPad } = usePadField(typed, () => ({ label: props.says, unit: props.unit ?? '' }))
// Words are typed with the device's own keyboard.
const touched = (e: PointerEvent) => (props.words ? undefined : void byPad(e))
</script>

<template>
  <span class="held"
    ><input
      v-model="typed"
      class="blank"
      :class="{ open: !typed, bad }"
      :style="{ width: `${Math.max(wide ?? 6, typed.length + 1)}ch` }"
      :aria-label="says"
      :aria-invalid="bad ? 'true' : undefined"
      :placeholder="hint"
      autocomplete="off"
      :inputmode="letters || words ? 'text' : 'decimal'"
      enterkeyhint="next"
      spellcheck="false"
      @pointerdown="touched"
    /><span v-if="unit && /^[-\d./ ]*$/.test(typed)" class="unit">{{ unit }}</span></span
  >
</template>

<style scoped>
.held {
  display: inline-flex;
  align-items: baseline;
  gap: 4px;
}
.blank {
  font: 500 1.1875rem var(--face-figure);
  color: var(--touch);
  background: var(--sheet);
  border: 0;
  border-bottom: 2px solid var(--touch);
  border-radius: 0;
  min-height: 46px;
  min-width: 46px;
  padding: 0 4px;
}
.open {
  border-bottom-style: dashed;
}
.bad {
  color: var(--hot);
  border-bottom-color: var(--hot);
}
.unit {
  color: var(--dim);
  font-size: 0.9375rem;
}
</style>
