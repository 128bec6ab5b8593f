<script setup lang="ts">
import { figureOf, type Result } from './figure'

// A round belt on its path and the weld in it; it is cut shorter than the path and stretched on.
const props = defineProps<{ result: Result }>()
const cut = () => figureOf(props.result, 'cut_length')
</script>

<template>
  <svg
    viewBox="0 0 640 226"
    role="img"
    :aria-label="`A round belt round two pulleys${cut() ? `, cut ${cut()?.shown}` : ''}`"
  >
    <circle cx="150" cy="104" r="66" class="metal" />
    <circle cx="490" cy="104" r="66" class="metal" />
    <circle v-for="x in [150, 490]" :key="x" :cx="x" cy="104" r="7" class="solid" />
    <path d="M150 30H490A74 74 0 0 1 490 178H150A74 74 0 0 1 150 30Z" class="belt" />
    <path d="M320 16v28" class="weld" />
    <text x="320" y="66" text-anchor="middle">weld</text>
    <text v-if="cut()" x="320" y="120" text-anchor="middle" class="big">cut {{ cut()?.shown }}</text>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
.belt {
  fill: none;
  stroke: var(--belt);
  stroke-width: 12;
}
.weld {
  stroke: var(--ink);
  stroke-width: 4;
}
</style>
