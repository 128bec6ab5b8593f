<script setup lang="ts">
import { figureOf, type Result } from './figure'

// A dial on a rim that is turned once round: the true circle dashed, the rim as it runs beside it.
const props = defineProps<{ result: Result }>()
const total = () => figureOf(props.result, 'total')
const over = () => props.result?.within === false
</script>

<template>
  <svg
    viewBox="0 0 640 226"
    role="img"
    :aria-label="`A dial on the rim of a wheel${total() ? `: ${total()?.shown}` : ''}`"
  >
    <circle cx="236" cy="122" r="84" class="thin dash" />
    <circle cx="243" cy="117" r="84" class="metal" />
    <circle cx="236" cy="122" r="18" class="paper thin" />
    <path d="M150 40A120 120 0 0 1 236 6M226 1l11 5-8 9" class="thin" />
    <path d="M327 117H392" class="stem" />
    <circle cx="430" cy="117" r="40" class="paper thin" />
    <path v-for="k in 12" :key="k" d="M430 82v8" class="thin" :transform="`rotate(${k * 30} 430 117)`" />
    <path d="M430 117V90" class="needle" :transform="`rotate(${over() ? 62 : 24} 430 117)`" />
    <path d="M430 157V212M400 212h60" class="stem" />
    <text x="490" y="110">least and greatest</text>
    <text x="490" y="131">of one turn</text>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
.stem {
  stroke: var(--ink);
  stroke-width: 5;
}
.needle {
  stroke: var(--ink);
  stroke-width: 3;
}
</style>
