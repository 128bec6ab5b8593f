<script setup lang="ts">
import type { Result } from './figure'

// A flanged taper bushing in its hub, cut through: screws draw it in, jacked from the other holes they push it out.
const props = defineProps<{ result: Result }>()
const screws = () => (typeof props.result?.screws === 'string' ? props.result.screws : '')
</script>

<template>
  <svg viewBox="0 0 640 226" role="img" :aria-label="`A taper bushing in its hub${screws() ? `: ${screws()}` : ''}`">
    <path d="M40 100H600v26H40z" class="metal" />
    <path d="M230 20H400V78L230 66ZM230 206H400V148L230 160Z" class="metal" />
    <path d="M400 78L190 62V40H170V100H400ZM400 148L190 164V186H170V126H400Z" class="taper" />
    <path d="M150 52H300M150 44v16M150 174H300M150 166v16" class="screw" />
    <path d="M90 52h46M124 46l12 6-12 6M90 174h46M124 168l12 6-12 6" class="thin" />
    <text x="80" y="40" text-anchor="middle">in, turn about</text>
    <text x="430" y="52">hub, dry and clean</text>
    <text x="430" y="176">no oil on the taper</text>
    <text v-if="screws()" x="8" y="218" class="big">{{ screws() }}</text>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
.taper {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.8;
}
.screw {
  stroke: var(--ink);
  stroke-width: 6;
  fill: none;
}
</style>
