<script setup lang="ts">
import { computed } from 'vue'

import type { Elevation, Option, Sheet } from '@/api/types'
import ElevationDrawing from '@/elevation/ElevationDrawing.vue'
import { arcPath, fit } from '@/elevation/frame'
import StateMark from '@/shared/ui/StateMark.vue'

// An option in ink over what is on the machine in grey, from the same driver shaft: what moves is seen, then said.
const props = defineProps<{ today: Sheet; elevation: Elevation; option: Option }>()
const W = 620
const H = 282
const frame = computed(() => {
  const [a, b] = [props.elevation, props.option.elevation]
  const left = Math.min(a.left, b.left)
  const bottom = Math.min(a.bottom, b.bottom)
  const both = {
    ...b,
    left,
    bottom,
    width: Math.max(a.left + a.width, b.left + b.width) - left,
    height: Math.max(a.bottom + a.height, b.bottom + b.height) - bottom,
  }
  return fit(both, W, H, { left: 24, right: 24, top: 16, bottom: 16 }, 0)
})
interface Told {
  label: string
  now: { shown: string; value: number }
  then: { shown: string; value: number }
  /** Which way is better. */
  better: 'less' | 'more' | 'same'
}
const differences = computed(() => {
  const [t, o] = [props.today, props.option]
  const all: Told[] = [
    { label: 'Shaft load', now: t.shaft_load, then: o.shaft_load, better: 'less' },
    {
      label: 'Weight',
      now: { shown: t.beside.weight.shown, value: t.beside.weight.high.value },
      then: { shown: o.weight.shown, value: o.weight.high.value },
      better: 'less',
    },
    { label: 'Width', now: t.beside.width, then: o.width, better: 'less' },
    ...(t.spare ? [{ label: 'To spare', now: t.spare, then: o.spare, better: 'more' as const }] : []),
    { label: 'Centre distance', now: t.beside.centre_distance, then: o.centre_distance, better: 'same' },
    { label: 'Driven speed', now: t.driven_speed, then: o.driven_speed, better: 'same' },
  ]
  return all
    .filter((d) => d.now.shown !== d.then.shown)
    .map((d) => ({
      ...d,
      // A hundredth is the same.
      mark:
        d.better === 'same'
          ? ('watch' as const)
          : d.then.value > d.now.value === (d.better === 'more')
            ? ('fine' as const)
            : ('watch' as const),
    }))
})
</script>

<template>
  <section class="sheet laid" :aria-label="`${option.name} laid over ${today.designation}`">
    <svg
      :viewBox="`0 0 ${W} ${H}`"
      role="img"
      :aria-label="`${option.name} in ink over ${today.designation} in grey, same driver shaft`"
    >
      <g class="now">
        <circle
          v-for="w in elevation.wheels"
          :key="w.id"
          :cx="frame.x(w.x)"
          :cy="frame.y(w.y)"
          :r="w.outside_radius * frame.scale"
        />
        <path v-for="(a, k) in elevation.arcs" :key="'a' + k" :d="arcPath(a, frame)" />
        <path
          v-for="(s, k) in elevation.strands"
          :key="'s' + k"
          :d="`M${frame.x(s.x1)} ${frame.y(s.y1)}L${frame.x(s.x2)} ${frame.y(s.y2)}`"
        />
      </g>
      <ElevationDrawing :elevation="option.elevation" :frame="frame" small />
    </svg>
    <div>
      <p class="dim">Grey, dashed: {{ today.designation }}, on it now.</p>
      <h2>{{ option.name }} laid over what is there, same driver shaft</h2>
      <ul>
        <li v-for="d in differences" :key="d.label">
          <StateMark :state="d.mark" />
          <span
            ><b>{{ d.label }} {{ d.then.shown }}</b
            >, was {{ d.now.shown }}</span
          >
        </li>
      </ul>
      <p v-if="!differences.length" class="dim">Nothing that is shown here differs.</p>
    </div>
  </section>
</template>

<style scoped>
.laid {
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr);
  gap: 18px;
  padding: 10px 14px;
}
.laid > svg {
  width: 100%;
}
.now circle {
  fill: var(--metal);
  opacity: 0.45;
}
.now path {
  fill: none;
  stroke: var(--dim);
  stroke-width: 1.6;
  stroke-dasharray: 6 5;
}
ul {
  grid-template-columns: minmax(0, 1fr);
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
  display: grid;
  gap: 7px;
  font-size: 1.0625rem;
}
li {
  min-width: 0;
  display: flex;
  gap: 10px;
  align-items: center;
}
@media (max-width: 900px) {
  .laid {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
