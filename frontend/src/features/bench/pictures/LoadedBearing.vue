<script setup lang="ts">
import { figureOf, type Result } from './figure'

// A rolling bearing across, its load from above: the balls under the shaft carry it.
const props = defineProps<{ result: Result }>()
const life = () => figureOf(props.result, 'life')
const BALLS = 11
const at = (k: number) => ((k + 0.5) * 2 * Math.PI) / BALLS
</script>

<template>
  <svg viewBox="0 0 640 240" role="img" :aria-label="`A bearing under its load${life() ? `: ${life()?.shown}` : ''}`">
    <circle cx="320" cy="134" r="100" class="metal" />
    <circle cx="320" cy="134" r="78" class="paper thin" />
    <circle
      v-for="k in BALLS"
      :key="k"
      :cx="320 + 63 * Math.sin(at(k))"
      :cy="134 + 63 * Math.cos(at(k))"
      r="14"
      :class="Math.cos(at(k)) > 0.4 ? 'solid' : 'metal'"
    />
    <circle cx="320" cy="134" r="48" class="metal" />
    <circle cx="320" cy="134" r="32" class="paper thin" />
    <path d="M320 8V92M311 78l9 15 9-15" class="load" />
    <text x="440" y="200">these carry it</text>
    <path d="M436 196L362 190" class="thin" />
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
.load {
  stroke: var(--ink);
  stroke-width: 3.4;
  fill: none;
}
</style>
