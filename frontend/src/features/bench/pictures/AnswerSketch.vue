<script setup lang="ts">
import { computed } from 'vue'

import { SKETCHES } from './sketches'

// What the answer will draw, as a sketch without sizes.
const props = defineProps<{ of: string }>()
const drawn = computed(() => SKETCHES[props.of])
</script>

<template>
  <svg v-if="drawn" viewBox="0 0 640 226" role="img" :aria-label="drawn.says">
    <path v-if="drawn.solid" :d="drawn.solid" class="metal" />
    <path :d="drawn.thin" class="line" />
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
}
</style>
