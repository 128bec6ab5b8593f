<script setup lang="ts">
import { computed } from 'vue'

// Where the gap is read: the edge lies on the wheel that stays, a ring is on the point of the other.
const props = defineProps<{ at: string; read: string[]; string: boolean }>()
const points = computed(() => {
  const all = [
    { at: 'near', x: 190, y: 86, wheel: 'moves' },
    { at: 'far', x: 322, y: 86, wheel: 'moves' },
    { at: 'top', x: 256, y: 20, wheel: 'moves' },
    { at: 'bottom', x: 256, y: 152, wheel: 'moves' },
    { at: 'far stays', x: 22, y: 86, wheel: 'stays' },
    { at: 'near stays', x: 106, y: 86, wheel: 'stays' },
  ]
  return all.filter((p) => (props.string ? !['top', 'bottom'].includes(p.at) : p.wheel === 'moves'))
})
const upright = computed(() => ['top', 'bottom'].includes(props.at))
</script>

<template>
  <svg viewBox="0 0 366 178" class="sheet picture" role="img" :aria-label="`From the front: ${at}`">
    <circle cx="64" cy="86" r="44" class="wheel" />
    <circle cx="64" cy="86" r="11" class="hub" />
    <circle cx="256" cy="86" r="68" class="wheel" />
    <circle cx="256" cy="86" r="14" class="hub" />
    <rect v-if="!upright && !string" x="8" y="78" width="340" height="16" class="edge" />
    <line v-else-if="string" x1="4" y1="86" x2="362" y2="86" class="line" />
    <rect
      v-else
      x="8"
      y="84"
      width="252"
      height="10"
      class="edge"
      :transform="`rotate(${at === 'top' ? -14 : 14} 64 86)`"
    />
    <text x="64" y="150" class="cap" text-anchor="middle">stays</text>
    <text x="256" y="172" class="cap" text-anchor="middle">moves</text>
    <g v-for="p in points" :key="p.at">
      <circle :cx="p.x" :cy="p.y" r="7" :class="read.includes(p.at) ? 'read' : 'open'" />
      <circle v-if="p.at === at" :cx="p.x" :cy="p.y" r="14" class="ring" />
    </g>
  </svg>
</template>

<style scoped>
.picture {
  width: 100%;
}
.wheel {
  fill: var(--metal);
  stroke: var(--ink);
  stroke-width: 2;
}
.hub {
  fill: var(--sheet);
  stroke: var(--ink);
}
.edge {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.5;
  opacity: 0.92;
}
.line {
  stroke: var(--ink);
  stroke-width: 2;
}
.cap {
  font: 500 15px var(--face-label);
  fill: var(--dim);
}
.read {
  fill: var(--ink);
}
.open {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.5;
}
.ring {
  fill: none;
  stroke: var(--touch);
  stroke-width: 4;
}
</style>
