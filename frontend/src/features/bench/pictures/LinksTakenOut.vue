<script setup lang="ts">
import { figureOf, type Result } from './figure'

// A link belt pulled hand-tight: the links beyond the mark come out.
const props = defineProps<{ result: Result }>()
const out = () => figureOf(props.result, 'take_off')
const run = () => figureOf(props.result, 'run')
</script>

<template>
  <svg viewBox="0 0 640 200" role="img" :aria-label="`A link belt${out() ? `: ${out()?.number} links come out` : ''}`">
    <path v-for="k in 13" :key="k" :d="`M${10 + k * 36} 72l30 10v26l-30-10z`" class="metal" :class="{ gone: k > 10 }" />
    <circle v-for="k in 13" :key="`t${k}`" :cx="24 + k * 36" cy="90" r="4" class="solid" />
    <path d="M404 44V146" class="thin dash" />
    <text x="396" y="56" text-anchor="end" class="big">{{ run() ? `${run()?.number} run` : '' }}</text>
    <text x="412" y="56" class="big">{{ out() ? `${out()?.number} out` : '' }}</text>
    <text x="46" y="140">hand-tight round both sheaves, tabs trailing</text>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
.gone {
  fill: var(--sheet);
  stroke-dasharray: 5 4;
}
</style>
