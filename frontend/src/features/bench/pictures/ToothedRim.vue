<script setup lang="ts">
import { computed } from 'vue'

import { figureOf, type Result } from './figure'

// A toothed pulley between the jaws of a caliper; what was worn off its tips is the ring between dashed and solid.
const props = defineProps<{ result: Result; worn: boolean }>()
const TEETH = 24
const C = { x: 300, y: 120, r: 92, deep: 13 }
const lost = computed(() => figureOf(props.result, 'lost'))
const outline = computed(() => {
  const turn = (Math.PI * 2) / TEETH
  const p = (r: number, a: number) => `${(C.x + r * Math.cos(a)).toFixed(1)} ${(C.y + r * Math.sin(a)).toFixed(1)}`
  let d = ''
  for (let k = 0; k < TEETH; k++) {
    const a = k * turn
    d += `${k ? 'L' : 'M'}${p(C.r, a - turn * 0.28)}L${p(C.r, a + turn * 0.28)}L${p(C.r - C.deep, a + turn * 0.36)}L${p(C.r - C.deep, a + turn * 0.64)}`
  }
  return d + 'Z'
})
</script>

<template>
  <svg
    viewBox="0 0 640 236"
    role="img"
    :aria-label="`A caliper over the teeth of a pulley${lost ? `: ${lost.shown} lost` : ''}`"
  >
    <circle v-if="worn" :cx="C.x" :cy="C.y" :r="C.r + 7" class="thin dash" />
    <path :d="outline" class="metal" />
    <circle :cx="C.x" :cy="C.y" r="24" class="paper thin" />
    <path :d="`M${C.x - C.r - 3} 226V${C.y - 16}M${C.x + C.r + 3} 226V${C.y - 16}`" class="jaw" />
    <path :d="`M${C.x - C.r - 30} 230H${C.x + C.r + 90}`" class="jaw" />
    <text x="416" y="40">over the teeth{{ worn ? ',' : '' }}</text>
    <template v-if="worn">
      <text x="416" y="60">where it is worn most</text>
      <text x="416" y="84" class="dim">dashed: as it was new</text>
    </template>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
.jaw {
  stroke: var(--ink);
  stroke-width: 6;
  fill: none;
}
</style>
