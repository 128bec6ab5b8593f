<script setup lang="ts">
import { computed } from 'vue'

import type { Figure } from '@/api/types'

// Belts that a drive needs at each speed of its range, the belts that are on it as a line across, the worst speed marked.
interface Point {
  driver_speed: Figure
  belts_exact: Figure
}
const props = defineProps<{ result: { points: Point[]; worst: Point; belts: Figure; belts_needed: Figure } }>()
const W = 560
const H = 250
const BOX = { left: 52, right: 20, top: 22, bottom: 44 }
const speeds = computed(() => props.result.points.map((p) => p.driver_speed.value))
const [low, high] = [computed(() => Math.min(...speeds.value)), computed(() => Math.max(...speeds.value))]
const top = computed(() => Math.max(props.result.belts_needed.value, props.result.belts.value) + 0.4)
const x = (v: number) => BOX.left + ((W - BOX.left - BOX.right) * (v - low.value)) / (high.value - low.value || 1)
const y = (v: number) => H - BOX.bottom - ((H - BOX.top - BOX.bottom) * v) / top.value
const line = computed(() =>
  [...props.result.points]
    .sort((a, b) => a.driver_speed.value - b.driver_speed.value)
    .map((p, k) => `${k ? 'L' : 'M'}${x(p.driver_speed.value).toFixed(1)} ${y(p.belts_exact.value).toFixed(1)}`)
    .join(''),
)
const whole = computed(() => Array.from({ length: Math.floor(top.value) + 1 }, (_, n) => n))
const worst = computed(() => ({
  x: x(props.result.worst.driver_speed.value),
  y: y(props.result.worst.belts_exact.value),
}))
const few = computed(() => props.result.belts_needed.value > props.result.belts.value)
const side = computed(() => (worst.value.x > W / 2 ? 'end' : 'start'))
</script>

<template>
  <svg
    :viewBox="`0 0 ${W} ${H}`"
    role="img"
    :aria-label="`Belts needed over speed: most at ${result.worst.driver_speed.shown}, ${result.worst.belts_exact.shown} by the sum; ${result.belts.shown} on it`"
  >
    <g v-for="n in whole" :key="n">
      <path :d="`M${BOX.left} ${y(n)}H${W - BOX.right}`" class="grid" />
      <text :x="BOX.left - 9" :y="y(n) + 6" text-anchor="end" class="figure">{{ n }}</text>
    </g>
    <text x="8" y="15" class="dim">belts needed</text>
    <rect
      v-if="few"
      :x="BOX.left"
      :y="BOX.top"
      :width="W - BOX.left - BOX.right"
      :height="y(result.belts.value) - BOX.top"
      fill="url(#range-few)"
    />
    <path :d="`M${BOX.left} ${y(result.belts.value)}H${W - BOX.right}`" class="there" />
    <text :x="BOX.left + 8" :y="y(result.belts.value) - 7" class="word">{{ result.belts.shown }} on it</text>
    <path :d="line" class="curve" />
    <path :d="`M${worst.x} ${worst.y}V${H - BOX.bottom}`" class="drop" />
    <circle :cx="worst.x" :cy="worst.y" r="6" :class="{ few }" class="worst" />
    <text :x="worst.x + (side === 'end' ? -12 : 12)" :y="worst.y - 9" :text-anchor="side" class="figure">
      {{ result.worst.belts_exact.shown }}
    </text>
    <path :d="`M${BOX.left} ${H - BOX.bottom}H${W - BOX.right}`" class="axis" />
    <text :x="BOX.left" :y="H - 22" class="figure">{{ result.points[0]?.driver_speed.shown }}</text>
    <text :x="W - BOX.right" :y="H - 22" text-anchor="end" class="figure">
      {{ result.points.at(-1)?.driver_speed.shown }}
    </text>
    <text :x="worst.x" :y="H - 4" :text-anchor="side" class="word">worst at {{ result.worst.driver_speed.shown }}</text>
    <defs>
      <pattern id="range-few" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="8" stroke="var(--hot)" stroke-width="1.2" />
      </pattern>
    </defs>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
}
.grid {
  stroke: var(--line);
}
.axis {
  stroke: var(--ink);
  stroke-width: 1.6;
}
.there {
  stroke: var(--ink);
  stroke-width: 2;
  stroke-dasharray: 9 5;
}
.curve {
  stroke: var(--ink);
  stroke-width: 3;
  fill: none;
}
.drop {
  stroke: var(--dim);
  stroke-dasharray: 2 4;
}
.worst {
  fill: var(--ink);
}
.worst.few {
  fill: var(--hot);
}
.figure {
  font: 600 17px var(--face-figure);
  fill: var(--ink);
}
.word {
  font: 500 17px var(--face-label);
  fill: var(--ink);
}
.dim {
  font: 500 15px var(--face-label);
  fill: var(--dim);
}
</style>
