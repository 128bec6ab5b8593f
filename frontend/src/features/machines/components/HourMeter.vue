<script setup lang="ts">
import { computed } from 'vue'

import { thousands } from '@/shared/format/words'

// An hour meter as it looks on the machine: its drums with what was last read, the tenth on a drum of its own.
const props = defineProps<{ hours: number | null }>()
const DRUMS = 5
const digits = computed(() => {
  if (props.hours === null) return Array.from({ length: DRUMS + 1 }, () => '')
  const tenths = Math.round(props.hours * 10)
  return [...String(tenths).padStart(DRUMS + 1, '0')]
})
const says = computed(() => (props.hours === null ? 'not read yet' : `${thousands(props.hours)} hours`))
const W = 30
</script>

<template>
  <svg
    :viewBox="`0 0 ${digits.length * W + 40} 58`"
    :style="{ maxWidth: `${digits.length * W + 40}px` }"
    role="img"
    :aria-label="`The hour meter: ${says}`"
  >
    <rect
      x="1.5"
      y="1.5"
      :width="digits.length * W + 37"
      height="55"
      rx="6"
      fill="var(--panel)"
      stroke="var(--ink)"
      stroke-width="3"
    />
    <g v-for="(d, k) in digits" :key="k" :transform="`translate(${8 + k * W} 9)`">
      <rect
        :width="W - 3"
        height="40"
        :fill="k === digits.length - 1 ? 'var(--sheet)' : 'var(--ink)'"
        stroke="var(--ink)"
      />
      <path :d="`M0 5H${W - 3}M0 35H${W - 3}`" stroke="var(--dim)" stroke-width="0.8" />
      <text
        :x="(W - 3) / 2"
        y="29"
        text-anchor="middle"
        class="drum"
        :fill="k === digits.length - 1 ? 'var(--ink)' : 'var(--sheet)'"
      >
        {{ d || '–' }}
      </text>
    </g>
    <text :x="digits.length * W + 13" y="37" class="h">h</text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
}
.drum {
  font: 600 24px var(--face-figure);
}
.h {
  font: 600 22px var(--face-label);
  fill: var(--ink);
}
</style>
