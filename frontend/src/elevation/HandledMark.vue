<script setup lang="ts">
import { computed } from 'vue'

import type { Elevation, Handled } from '@/api/types'

import { arcPath, type Frame } from './frame'
import { beltWidth } from './strokes'

// What a step is about, marked on the drive: a ring round a wheel, a band under the loop or a strand, a hood where the guard stands.
const props = defineProps<{ elevation: Elevation; frame: Frame; handled: Handled }>()
const belt = computed(() => beltWidth(props.elevation, props.frame.scale, true).tight + 11)
const rings = computed(() =>
  props.elevation.wheels
    .filter((w) => props.handled.wheels.includes(w.id))
    .map((w) => ({
      id: w.id,
      x: props.frame.x(w.x),
      y: props.frame.y(w.y),
      r: Math.max(w.outside_radius, w.path_radius) * props.frame.scale + 8,
    })),
)
const strands = computed(() => props.elevation.strands.filter((s) => props.handled.strands.includes(s.id)))
const hood = computed(() => {
  const e = props.elevation
  const out = 11
  return {
    x: props.frame.x(e.left) - out,
    y: props.frame.y(e.bottom + e.height) - out,
    w: e.width * props.frame.scale + 2 * out,
    h: e.height * props.frame.scale + 2 * out,
  }
})
</script>

<template>
  <g class="mark" aria-hidden="true">
    <template v-if="handled.loop">
      <path v-for="(a, k) in elevation.arcs" :key="k" :d="arcPath(a, frame)" class="band" :stroke-width="belt" />
    </template>
    <line
      v-for="s in strands"
      :key="s.id"
      :x1="frame.x(s.x1)"
      :y1="frame.y(s.y1)"
      :x2="frame.x(s.x2)"
      :y2="frame.y(s.y2)"
      class="band"
      :stroke-width="belt"
    />
    <circle v-for="r in rings" :key="r.id" :cx="r.x" :cy="r.y" :r="r.r" class="ring" />
    <rect v-if="handled.around" :x="hood.x" :y="hood.y" :width="hood.w" :height="hood.h" rx="16" class="ring" />
  </g>
</template>

<style scoped>
.band {
  stroke: var(--ink);
  opacity: 0.26;
  fill: none;
}
.ring {
  stroke: var(--ink);
  stroke-width: 3.4;
  stroke-dasharray: 11 6;
  fill: none;
}
</style>
