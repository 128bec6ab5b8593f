<script setup lang="ts">
import { figureOf, type Result } from './figure'

// A gauge in a groove: the flanks have dished, light shows between them; the belt would sit deeper by what is gone.
const props = defineProps<{ result: Result }>()
const used = () => figureOf(props.result, 'used')
</script>

<template>
  <svg
    viewBox="0 0 560 250"
    role="img"
    :aria-label="`A gauge in a worn groove${used() ? `, ${used()?.shown} used` : ''}`"
  >
    <path d="M20 40H196Q222 108 232 190Q236 202 250 202H310Q324 202 328 190Q338 108 364 40H540V236H20Z" class="metal" />
    <path d="M205 14H355L325 186H235Z" class="gauge" />
    <text x="280" y="74" text-anchor="middle">gauge</text>
    <path d="M196 40Q222 108 232 190L236 186L205 30Z" class="light" />
    <path d="M364 40Q338 108 328 190L324 186L355 30Z" class="light" />
    <path d="M150 118H214M150 112v12" class="thin" />
    <path d="M222 118l-11-5v10z" class="solid" />
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
.gauge {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.light {
  fill: var(--warm);
  opacity: 0.75;
}
</style>
