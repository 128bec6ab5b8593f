<script setup lang="ts">
import { computed } from 'vue'

import { figureOf, type Result } from './figure'

// A shaft in its two bearings beside the wheel; the one that is read has a column over it, as high as its rise to what is too much.
const props = defineProps<{ result: Result }>()
const rise = computed(() => figureOf(props.result, 'rise'))
const most = computed(() => figureOf(props.result, 'most_rise'))
const column = computed(() =>
  rise.value && most.value ? 92 * Math.min(Math.max(rise.value.value / most.value.value, 0.03), 1.15) : 50,
)
</script>

<template>
  <svg
    viewBox="0 0 640 226"
    role="img"
    :aria-label="`A bearing beside its wheel${rise ? `, ${rise.shown} over its surroundings` : ''}`"
  >
    <path d="M60 152H560v22H60z" class="metal" />
    <path d="M66 92H112V216H66Z" class="metal" />
    <path v-for="x in [72, 84, 96]" :key="x" :d="`M${x} 92v14h8v-14`" class="thin paper" />
    <template v-for="x in [210, 470]" :key="x">
      <path :d="`M${x - 44} 216V176A44 44 0 0 1 ${x + 44} 176V216Z`" class="metal" />
      <circle :cx="x" cy="163" r="22" class="paper thin" />
      <circle
        v-for="k in 8"
        :key="k"
        :cx="x + 16 * Math.cos((k * Math.PI) / 4)"
        :cy="163 + 16 * Math.sin((k * Math.PI) / 4)"
        r="4"
        class="solid"
      />
    </template>
    <path d="M252 128V28M246 28h12" class="thin" />
    <rect x="262" :y="128 - column" width="20" :height="column" class="rise" />
    <path d="M256 36h40" class="limit" />
    <text x="302" y="41" class="bad">too hot{{ most ? ` ${most.shown} over the air` : '' }}</text>
    <text x="210" y="212" text-anchor="middle">read here</text>
    <text x="470" y="212" text-anchor="middle">the other</text>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
.rise {
  fill: var(--ink);
}
.limit {
  stroke: var(--hot);
  stroke-width: 2.5;
}
.bad {
  fill: var(--hot);
  font-weight: 600;
}
</style>
