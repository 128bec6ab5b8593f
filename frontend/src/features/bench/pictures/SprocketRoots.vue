<script setup lang="ts">
import { computed } from 'vue'

import { figureOf, type Result } from './figure'

// A sprocket between the jaws of a caliper, over two roots that lie across; worn teeth lean where the load went.
const props = defineProps<{ result: Result; hooked?: boolean; worn: boolean }>()
const TEETH = 14
const R = { root: 84, tip: 116, x: 300, y: 128 }
const turn = (Math.PI * 2) / TEETH
const lost = computed(() => figureOf(props.result, 'lost'))
const point = (r: number, a: number) => `${(R.x + r * Math.cos(a)).toFixed(1)} ${(R.y + r * Math.sin(a)).toFixed(1)}`
const outline = computed(() => {
  // The tip of a hooked tooth leans by a third of its pitch.
  const lean = props.hooked ? turn / 5 : 0
  let d = ''
  for (let k = 0; k < TEETH; k++) {
    const a = k * turn
    d += `${k ? 'L' : 'M'}${point(R.root, a - turn * 0.22)}A19 19 0 0 0 ${point(R.root, a + turn * 0.22)}L${point(R.tip, a + turn * 0.42 + lean)}A60 60 0 0 1 ${point(R.tip, a + turn * 0.58 + lean)}`
  }
  return d + 'Z'
})
</script>

<template>
  <svg
    viewBox="0 0 640 258"
    role="img"
    :aria-label="`A caliper over the roots of a sprocket${lost ? `: ${lost.shown} lost` : ''}`"
  >
    <path :d="outline" class="metal" />
    <circle :cx="R.x" :cy="R.y" r="26" class="hole" />
    <path :d="`M${R.x - R.root - 4} 236V${R.y}M${R.x + R.root + 4} 236V${R.y}`" class="jaw" />
    <path :d="`M${R.x - R.root - 30} 240H${R.x + R.root + 90}`" class="jaw" />
    <circle :cx="R.x - R.root - 4" :cy="R.y" r="6" class="solid" />
    <circle :cx="R.x + R.root + 4" :cy="R.y" r="6" class="solid" />
    <text x="410" y="40">over two roots</text>
    <text x="410" y="66">that lie across{{ worn ? ',' : '' }}</text>
    <text v-if="worn" x="410" y="92">where it is worn most</text>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
.hole {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.jaw {
  stroke: var(--ink);
  stroke-width: 6;
  fill: none;
}
</style>
