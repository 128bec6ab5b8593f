<script setup lang="ts">
import { computed } from 'vue'

import type { ShelfLine } from '@/api/types'

// What lies there as things on a rail: one for each, a dashed one for each that is wanted and gone.
const props = defineProps<{ line: ShelfLine }>()
const MOST = 8
const STEP = 19
const LOOPS = ['belt', 'toothed belt', 'flat belt', 'chain', 'lacing']
const WHEELS = ['sheave', 'bushing']
const all = computed(() => Math.max(props.line.count, props.line.low ?? 0))
const drawn = computed(() => Math.min(all.value, MOST))
const kind = computed(() =>
  LOOPS.includes(props.line.part) ? 'loop' : WHEELS.includes(props.line.part) ? 'wheel' : 'box',
)
const more = computed(() => all.value - drawn.value)
</script>

<template>
  <svg
    :viewBox="`0 0 ${MOST * STEP + 34} 40`"
    :width="MOST * STEP + 34"
    height="40"
    preserveAspectRatio="xMinYMid slice"
    aria-hidden="true"
  >
    <path :d="`M0 4H${drawn * STEP + 4}`" class="rail" />
    <g v-for="k in drawn" :key="k" :transform="`translate(${(k - 1) * STEP + 4} 4)`" :class="{ gone: k > line.count }">
      <rect
        v-if="kind === 'loop'"
        x="0"
        y="0"
        width="11"
        height="32"
        rx="5.5"
        :class="line.part === 'chain' ? 'links' : ''"
      />
      <g v-else-if="kind === 'wheel'">
        <path d="M7 0v6" />
        <circle cx="7" cy="18" r="8" />
        <circle cx="7" cy="18" r="2.4" />
      </g>
      <rect v-else x="0" y="10" width="13" height="15" />
    </g>
    <text v-if="more" :x="drawn * STEP + 6" y="25">+{{ more }}</text>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  max-width: 100%;
}
.rail {
  stroke: var(--ink);
  stroke-width: 2;
}
g {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
}
.links {
  stroke-dasharray: 4 2;
}
.gone {
  stroke: var(--hot);
  stroke-width: 1.4;
  stroke-dasharray: 2.5 2.5;
}
text {
  font: 600 15px var(--face-figure);
  fill: var(--ink);
}
</style>
