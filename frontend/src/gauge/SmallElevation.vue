<script setup lang="ts">
import { computed } from 'vue'

import type { Elevation } from '@/api/types'
import ElevationDrawing from '@/elevation/ElevationDrawing.vue'
import { fit } from '@/elevation/frame'

// The whole drive, small and to scale, with an arrow at the strand that is pressed or moved.
const props = defineProps<{ elevation: Elevation; strand?: string; word: string }>()
const W = 250
const H = 170
const pressed = computed(() => {
  const all = props.elevation.strands
  // Without a name it is the longest one; of two alike the upper, where a hand comes to it.
  const longest = Math.max(...all.map((s) => s.length))
  const like = all.filter((s) => s.length > longest * 0.999).sort((a, b) => b.y1 + b.y2 - a.y1 - a.y2)
  return all.find((one) => one.id === props.strand) ?? like[0]
})
// Room for the arrow and its words on the side that they come from.
const ROOM = 56
const LITTLE = 18
const frame = computed(() => {
  const below = arrowIn(fit(props.elevation, W, H, { left: 30, right: 30, top: ROOM, bottom: LITTLE }, 0))?.up === false
  return fit(
    props.elevation,
    W,
    H,
    { left: 30, right: 30, top: below ? LITTLE : ROOM, bottom: below ? ROOM : LITTLE },
    0,
  )
})
const arrow = computed(() => arrowIn(frame.value))
function arrowIn(f: ReturnType<typeof fit>) {
  const s = pressed.value
  if (!s) return null
  const at = { x: (f.x(s.x1) + f.x(s.x2)) / 2, y: (f.y(s.y1) + f.y(s.y2)) / 2 }
  const long = Math.hypot(f.x(s.x2) - f.x(s.x1), f.y(s.y2) - f.y(s.y1)) || 1
  let n = { x: -(f.y(s.y2) - f.y(s.y1)) / long, y: (f.x(s.x2) - f.x(s.x1)) / long }
  // From outside the loop, inward.
  const wheels = props.elevation.wheels
  const mid = {
    x: wheels.reduce((sum, w) => sum + f.x(w.x), 0) / wheels.length,
    y: wheels.reduce((sum, w) => sum + f.y(w.y), 0) / wheels.length,
  }
  if ((at.x - mid.x) * n.x + (at.y - mid.y) * n.y < 0) n = { x: -n.x, y: -n.y }
  const start = { x: at.x + 34 * n.x, y: at.y + 34 * n.y }
  const tip = { x: at.x + 6 * n.x, y: at.y + 6 * n.y }
  const side = { x: -n.y * 5, y: n.x * 5 }
  const back = { x: tip.x + 10 * n.x, y: tip.y + 10 * n.y }
  const up = n.y < 0
  return {
    up,
    line: `M${start.x} ${start.y}L${back.x} ${back.y}`,
    head: `${tip.x},${tip.y} ${back.x + side.x},${back.y + side.y} ${back.x - side.x},${back.y - side.y}`,
    x: Math.min(Math.max(start.x, 40), W - 40),
    y: Math.min(Math.max(start.y + (up ? -5 : 15), 14), H - 6),
  }
}
</script>

<template>
  <svg :viewBox="`0 0 ${W} ${H}`" :width="W" :height="H" role="img" :aria-label="`${word}. ${elevation.words ?? ''}`">
    <ElevationDrawing :elevation="elevation" :frame="frame" small />
    <g v-if="arrow">
      <path :d="arrow.line" class="line" />
      <polygon :points="arrow.head" class="tip" />
      <text :x="arrow.x" :y="arrow.y" text-anchor="middle">{{ word }}</text>
    </g>
  </svg>
</template>

<style scoped>
svg {
  flex: 1 1 240px;
  max-width: 560px;
  min-width: 0;
  max-height: 100%;
  height: auto;
}
.line {
  stroke: var(--ink);
  stroke-width: 2.4;
}
.tip {
  fill: var(--ink);
}
text {
  fill: var(--ink);
  font: 600 15px var(--face-label);
}
</style>
