<script setup lang="ts">
import { computed, ref } from 'vue'

import type { Handbook } from '@/api/types'
import { useNear } from '@/shared/ui/near'

import { sketchOf } from '../logic/sketch'

// A table at a glance: its curves or bars as small as a thumb. What they are is in its columns, which open under it.
const props = defineProps<{ table: Handbook['tables'][number] }>()
const W = 120
const H = 54
// Drawn when it comes near; its place is there before, so that nothing moves.
const box = ref<HTMLElement>()
const near = useNear(box)
const sketch = computed(() => sketchOf(props.table))
const path = (line: [number, number][]) =>
  line
    .map(([x, y], k) => `${k ? 'L' : 'M'}${(4 + x * (W - 8)).toFixed(1)} ${(H - 5 - y * (H - 12)).toFixed(1)}`)
    .join('')
const bars = computed(() => (sketch.value?.kind === 'bars' ? sketch.value.bars : []))
const wide = computed(() => (W - 8) / bars.value.length)
</script>

<template>
  <span v-if="sketch" ref="box" class="sketch">
    <svg v-if="near" :viewBox="`0 0 ${W} ${H}`" :width="W" :height="H" aria-hidden="true">
      <path :d="`M4 4V${H - 4}H${W - 3}`" fill="none" stroke="var(--line)" stroke-width="1.4" />
      <template v-if="sketch.kind === 'curves'">
        <path
          v-for="(l, k) in sketch.lines"
          :key="k"
          :d="path(l)"
          fill="none"
          stroke="var(--ink)"
          :stroke-width="k ? 1.1 : 2"
          :stroke-dasharray="['', '6 3', '2 3', '8 3 2 3'][k]"
        />
      </template>
      <rect
        v-for="(b, k) in bars"
        :key="k"
        :x="4 + k * wide"
        :y="H - 5 - b * (H - 12)"
        :width="Math.max(wide - 1, 1)"
        :height="Math.max(b * (H - 12), 0.8)"
        fill="var(--dim)"
      />
    </svg>
  </span>
</template>

<style scoped>
.sketch {
  width: 120px;
  height: 54px;
}
</style>
