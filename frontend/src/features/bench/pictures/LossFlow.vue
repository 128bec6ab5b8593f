<script setup lang="ts">
import { computed } from 'vue'

import { figureOf, type Result } from './figure'

// Power from left to right; what turns into heat leaves it downward, drawn ten times as wide so that it is seen.
const props = defineProps<{ result: Result; efficiency: number | undefined; better: number | undefined }>()
const lost = computed(() => figureOf(props.result, 'yearly_loss'))
const wide = (e: number | undefined) => (e === undefined ? 18 : Math.min(Math.max((100 - e) * 7, 3), 150))
const now = computed(() => wide(props.efficiency))
const then = computed(() => (props.better === undefined ? undefined : wide(props.better)))
</script>

<template>
  <svg
    viewBox="0 0 900 250"
    role="img"
    :aria-label="`Power through the drive${lost ? `, ${lost.shown} a year into heat` : ''}`"
  >
    <path d="M40 40H860l26 34-26 34H40z" class="metal" />
    <path :d="`M360 108h${now}v70h14l-${now / 2 + 14} 26l-${now / 2 + 14}-26h14z`" class="solid" />
    <path v-if="then" :d="`M600 108h${then}v70h14l-${then / 2 + 14} 26l-${then / 2 + 14}-26h14z`" class="better" />
    <text x="60" y="80" class="end">in</text>
    <text x="800" y="80" class="end">to the machine</text>
    <text :x="360 + now / 2" y="232" text-anchor="middle">
      {{ lost ? `heat now, ${lost.shown} a year` : 'heat now' }}
    </text>
    <text v-if="then" :x="600 + then / 2" y="232" text-anchor="middle">heat with the better one</text>
    <text x="40" y="28" class="dim">heat drawn ten times as wide as power</text>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
svg {
  width: 100%;
}
.end {
  font: 600 20px var(--face-label);
  text-anchor: middle;
}
.better {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
  stroke-dasharray: 7 5;
}
</style>
