<script setup lang="ts">
import { computed } from 'vue'

import { figureOf, type Result } from './figure'

// What a strand of chain stands at this speed, three ways; the shortest bar gives first.
const props = defineProps<{ result: Result }>()
const WAYS = [
  { name: 'link_plates', says: 'plates break', usual: 0.6 },
  { name: 'impact', says: 'rollers and bushings crack', usual: 0.8 },
  { name: 'galling', says: 'pins seize', usual: 1 },
]
const bars = computed(() => {
  const found = WAYS.map((w) => figureOf(props.result, w.name))
  const most = Math.max(...found.map((f) => f?.value ?? 0))
  const least = Math.min(...found.map((f) => f?.value ?? 0))
  return WAYS.map((w, k) => {
    const f = found[k]
    return { ...w, shown: f?.shown ?? '', long: 400 * (f ? f.value / most : w.usual), first: f?.value === least }
  })
})
</script>

<template>
  <svg
    viewBox="0 0 640 220"
    role="img"
    :aria-label="`What gives first: ${bars.find((b) => b.first)?.says ?? 'one of three'}`"
  >
    <g v-for="(b, k) in bars" :key="b.name">
      <text x="20" :y="26 + k * 68">{{ b.says }}</text>
      <rect x="20" :y="34 + k * 68" :width="Math.max(b.long, 4)" height="26" :class="b.first ? 'solid' : 'metal'" />
      <text :x="30 + b.long" :y="54 + k * 68" class="big">{{ b.shown }}</text>
    </g>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>
