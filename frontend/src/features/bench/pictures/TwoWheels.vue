<script setup lang="ts">
import { computed } from 'vue'

import type { Elevation } from '@/api/types'
import ElevationDrawing from '@/elevation/ElevationDrawing.vue'
import { fit } from '@/elevation/frame'

import { figureOf, type Result } from './figure'

// A belt round two circles: to scale where the answer has drawn it, else by the sizes alone, the distance left open.
const props = defineProps<{ result: Result; elevation: Elevation | null }>()
const W = 900
const H = 280
const frame = computed(() =>
  props.elevation ? fit(props.elevation, W, H, { left: 60, right: 60, top: 24, bottom: 60 }, 0) : null,
)
const sizes = computed(() => {
  const a = figureOf(props.result, 'driver_diameter')?.value ?? 60
  const b = figureOf(props.result, 'driven_diameter')?.value ?? 100
  const k = 96 / Math.max(a, b)
  return { a: Math.max(a * k, 12), b: Math.max(b * k, 12) }
})
const A = { x: 230, y: 128 }
const B = { x: 660, y: 128 }
const tangents = computed(() => {
  const { a, b } = sizes.value
  const d = B.x - A.x
  const s = (b - a) / d
  const c = Math.sqrt(1 - s * s)
  const at = (p: { x: number; y: number }, r: number, up: 1 | -1) => `${p.x - r * s} ${p.y - up * r * c}`
  return `M${at(A, a, 1)}L${at(B, b, 1)}M${at(A, a, -1)}L${at(B, b, -1)}`
})
</script>

<template>
  <svg :viewBox="`0 0 ${W} ${H}`" role="img" aria-label="A belt round two wheels">
    <g v-if="elevation && frame"><ElevationDrawing :elevation="elevation" :frame="frame" small /></g>
    <g v-else>
      <circle :cx="A.x" :cy="A.y" :r="sizes.a" class="wheel" />
      <circle :cx="B.x" :cy="B.y" :r="sizes.b" class="wheel" />
      <circle :cx="A.x" :cy="A.y" r="6" class="hub" />
      <circle :cx="B.x" :cy="B.y" r="6" class="hub" />
      <path :d="tangents" class="belt" />
      <text :x="A.x" y="20" text-anchor="middle">driver</text>
      <text :x="B.x" y="20" text-anchor="middle">driven</text>
    </g>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
svg {
  width: 100%;
}
.wheel {
  fill: var(--metal);
  stroke: var(--ink);
  stroke-width: 1.8;
}
.hub {
  fill: var(--ink);
}
.belt {
  stroke: var(--belt);
  stroke-width: 6;
  fill: none;
}
@media (max-width: 700px) {
  text {
    font-size: 30px;
  }
}
</style>
