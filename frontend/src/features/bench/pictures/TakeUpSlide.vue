<script setup lang="ts">
import { computed } from 'vue'

import { figureOf, type Result } from './figure'

// A motor on its slide: from where it stood with a new loop to its stop; the part that is used is drawn in its true share.
const props = defineProps<{ result: Result }>()
const RAIL = { from: 250, to: 590 }
const used = computed(() => Math.min(Math.max((figureOf(props.result, 'used')?.value ?? 55) / 100, 0), 1))
const at = computed(() => RAIL.from + (RAIL.to - RAIL.from) * used.value)
const told = computed(() => figureOf(props.result, 'used'))
</script>

<template>
  <svg
    viewBox="0 0 640 236"
    role="img"
    :aria-label="`A motor on its slide${told ? `: ${told.shown} of the travel used` : ''}`"
  >
    <path :d="`M86 30L${at} 62M86 158L${at} 126`" class="belt" />
    <circle cx="86" cy="94" r="64" class="metal" />
    <circle cx="86" cy="94" r="7" class="solid" />
    <path :d="`M${RAIL.from - 60} 172H${RAIL.to + 12}v-26h14v60H${RAIL.from - 60}z`" class="metal" />
    <rect :x="at - 52" y="126" width="104" height="46" class="paper line" />
    <circle :cx="at" cy="94" r="32" class="metal" />
    <circle :cx="at" cy="94" r="5" class="solid" />
    <path :d="`M${RAIL.from} 206v20M${at} 206v20M${RAIL.to} 206v20M${RAIL.from} 216H${RAIL.to}`" class="thin" />
    <path :d="`M${RAIL.from} 216H${at}`" class="used" />
    <text :x="(RAIL.from + at) / 2" y="200" text-anchor="middle">{{ used > 0.16 ? 'used' : '' }}</text>
    <text :x="(RAIL.to + at) / 2" y="200" text-anchor="middle">{{ used < 0.84 ? 'left' : '' }}</text>
    <text :x="RAIL.to + 26" y="138" text-anchor="end">stop</text>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
.belt {
  stroke: var(--ink);
  stroke-width: 5;
  fill: none;
}
.line {
  stroke: var(--ink);
  stroke-width: 1.6;
}
.used {
  stroke: var(--ink);
  stroke-width: 7;
}
</style>
