<script setup lang="ts">
import { computed } from 'vue'

import type { Elevation, JobStep } from '@/api/types'
import ElevationDrawing from '@/elevation/ElevationDrawing.vue'
import { fit } from '@/elevation/frame'

import { pointsOf } from '../logic/points'

// The drive and what moves it: each point has the number of its row; a filled number is done, a red ring is still to do.
const props = defineProps<{ elevation: Elevation; steps: JobStep[]; done: (s: JobStep) => boolean }>()
const W = 366
const H = 178
const frame = computed(() => fit(props.elevation, W, H, { left: 16, right: 16, top: 88, bottom: 12 }, 0))
const points = computed(() =>
  pointsOf(props.steps, props.elevation, W).map((p) => {
    const wheel = props.elevation.wheels.find((w) => w.id === p.wheel)
    const step = props.steps.find((s) => s.key === p.key)
    return {
      ...p,
      done: step ? props.done(step) : false,
      tx: frame.value.x(wheel?.x ?? 0),
      ty: frame.value.y((wheel?.y ?? 0) + (wheel?.outside_radius ?? 0)),
    }
  }),
)
</script>

<template>
  <svg
    :viewBox="`0 0 ${W} ${H}`"
    class="sheet picture"
    role="img"
    :aria-label="`The drive with ${points.length} points to shut off, numbered as below`"
  >
    <g v-for="p in points" :key="p.key" :class="p.done ? 'done' : 'open'">
      <line :x1="p.x" y1="66" :x2="p.tx" :y2="p.ty" class="lead" />
      <g :transform="`translate(${p.x} 50)`" class="sign">
        <g v-if="p.sign === 'box'">
          <rect x="-9" y="-14" width="18" height="28" />
          <line x1="0" :x2="p.done ? 7 : 0" y1="8" :y2="p.done ? -6 : -8" />
        </g>
        <g v-else-if="p.sign === 'valve'">
          <path d="M-14 -9 L14 9 L14 -9 L-14 9 Z" />
          <line x1="0" y1="0" x2="0" y2="-14" />
          <line x1="-8" y1="-14" x2="8" y2="-14" />
        </g>
        <g v-else-if="p.sign === 'plug'">
          <rect x="-6" y="-14" width="12" height="14" />
          <path d="M0 0 V14 M-6 6 H6" />
        </g>
        <g v-else-if="p.sign === 'shaft'">
          <rect x="-16" y="-5" width="12" height="10" />
          <rect x="4" y="-5" width="12" height="10" />
          <line x1="-4" y1="0" x2="4" y2="0" stroke-dasharray="3 2" />
        </g>
        <path v-else-if="p.sign === 'spring'" d="M-16 0 H-11 L-8 -8 L-3 8 L2 -8 L7 8 L10 0 H16" />
        <g v-else-if="p.sign === 'weight'">
          <rect x="-10" y="-14" width="20" height="14" />
          <path d="M0 2 V14 M-5 9 L0 15 L5 9" />
        </g>
        <path
          v-else-if="p.sign === 'hot'"
          d="M-9 13 q-5 -7 0 -13 t0 -13 M0 13 q-5 -7 0 -13 t0 -13 M9 13 q-5 -7 0 -13 t0 -13"
        />
        <path v-else-if="p.sign === 'blade'" d="M-16 10 L16 10 L10 -6 L6 4 L0 -8 L-5 4 L-10 -6 Z" />
        <path v-else-if="p.sign === 'turn'" d="M10 6 A12 12 0 1 1 10 -6 M4 -6 H11 V-13" />
        <g v-else>
          <circle r="12" />
          <rect x="-5" y="-5" width="10" height="10" />
        </g>
      </g>
      <path v-if="p.falls && !p.done" :d="`M${p.x + 22} 8 v20 m-5 -7 l5 8 l5 -8`" class="falls" />
      <circle :cx="p.x" cy="19" r="13" class="no-ring" />
      <text :x="p.x" y="25" text-anchor="middle" class="no">{{ p.no }}</text>
    </g>
    <ElevationDrawing :elevation="elevation" :frame="frame" small />
  </svg>
</template>

<style scoped>
.picture {
  width: 100%;
  max-height: 26vh;
}
.lead {
  stroke: var(--dim);
  stroke-width: 1;
  stroke-dasharray: 3 3;
}
.sign {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
}
.no-ring {
  fill: var(--sheet);
  stroke: var(--hot);
  stroke-width: 2.6;
}
/* What can still fall or turn by itself. */
.falls {
  stroke: var(--hot);
  stroke-width: 2.4;
  fill: none;
}
.no {
  font: 600 17px var(--face-figure);
  fill: var(--hot);
}
.done .no-ring {
  fill: var(--ink);
  stroke: var(--ink);
}
.done .no {
  fill: var(--sheet);
}
</style>
