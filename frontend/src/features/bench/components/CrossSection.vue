<script setup lang="ts">
import { computed } from 'vue'

// A belt in its groove, to scale: the groove's metal hatched, the belt solid, what is amiss to be seen.
const props = defineProps<{
  groove: [number, number][]
  belt: [number, number][]
  verdict: string
  /** Belt's top under the rim and what is open below it, as they are read; on the drawing where they are. */
  under?: { shown: string }
  below?: { shown: string }
}>()
const W = 520
const H = 300
const frame = computed(() => {
  const all = [...props.groove, ...props.belt]
  const xs = all.map((p) => p[0])
  const ys = all.map((p) => p[1])
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys, 0), Math.max(...ys)]
  const scale = Math.min((W - 60) / (x1 - x0), (H - 70) / (y1 - y0))
  return { x: (x: number) => W / 2 + x * scale, y: (y: number) => 34 + (y - y0) * scale, scale }
})
const path = (points: [number, number][]) =>
  points.map((p) => `${frame.value.x(p[0]).toFixed(1)},${frame.value.y(p[1]).toFixed(1)}`).join(' ')
const metal = computed(() => {
  const f = frame.value
  const floor = Math.max(...props.groove.map((p) => p[1])) + 20 / f.scale
  const first = props.groove[0]
  const last = props.groove[props.groove.length - 1]
  return first && last ? path([...props.groove, [last[0], floor], [first[0], floor]]) : ''
})
const top = computed(() => Math.min(...props.belt.map((p) => p[1])))
const foot = computed(() => Math.max(...props.belt.map((p) => p[1])))
const bottom = computed(() => Math.max(...props.groove.map((p) => p[1])))
const ratio = computed(() => {
  const r = frame.value.scale * (25.4 / 96)
  return r >= 1 ? `${r.toFixed(1)} : 1` : `1 : ${(1 / r).toFixed(1)}`
})
</script>

<template>
  <figure class="sheet">
    <svg
      class="own-size"
      :viewBox="`0 0 ${W} ${H}`"
      role="img"
      :aria-label="`Cross-section of belt and groove, scale ${ratio}`"
    >
      <defs>
        <pattern id="metal" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="7" stroke="var(--line)" stroke-width="2" />
        </pattern>
      </defs>
      <polygon :points="metal" fill="url(#metal)" stroke="none" />
      <polyline :points="path(groove)" fill="none" stroke="var(--ink)" stroke-width="2" />
      <polygon
        :points="path(belt)"
        fill="var(--belt)"
        fill-opacity="0.82"
        :stroke="verdict === 'refused' ? 'var(--hot)' : 'var(--ink)'"
        stroke-width="2.4"
      />
      <line :x1="10" :x2="W - 10" :y1="frame.y(0)" :y2="frame.y(0)" stroke="var(--dim)" stroke-dasharray="10 5" />
      <g v-if="under" class="size">
        <path :d="`M${W - 130} ${frame.y(0)}V${frame.y(top)}M${W - 144} ${frame.y(top)}H${W - 104}`" />
        <text :x="W - 124" :y="(frame.y(0) + frame.y(top)) / 2 + 6" class="big">{{ under.shown }}</text>
      </g>
      <g v-if="below" class="size">
        <path :d="`M130 ${frame.y(foot)}V${frame.y(bottom)}M104 ${frame.y(foot)}H184M104 ${frame.y(bottom)}H184`" />
        <text x="118" :y="(frame.y(foot) + frame.y(bottom)) / 2 + 6" text-anchor="end" class="big">
          {{ below.shown }}
        </text>
      </g>
      <text x="12" :y="frame.y(0) - 6">rim</text>
      <text x="12" :y="H - 8">scale {{ ratio }}</text>
    </svg>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  padding: 8px;
}
svg {
  width: 100%;
  display: block;
}
text {
  font: 15px var(--face-label);
  fill: var(--ink);
}
/* It lies on hatching. */
.big {
  font: 600 18px var(--face-figure);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 5px;
}
@media (max-width: 700px) {
  text {
    font-size: 19px;
  }
  .big {
    font-size: 21px;
  }
}
.size path {
  stroke: var(--ink);
  fill: none;
}
</style>
