<script setup lang="ts">
import { computed, ref } from 'vue'

import type { Elevation } from '@/api/types'
import ElevationDrawing from '@/elevation/ElevationDrawing.vue'
import { useNear } from '@/shared/ui/near'

import { partWords, thumbSize } from '../logic/wall'

// A drive on the wall: its true elevation at the wall's one scale, standing on its own floor line. Its place is taken at
// once, in its own size; the drawing comes when it is near, so that hundreds of them cost nothing.
const props = withDefaults(defineProps<{ elevation: Elevation | null; most?: number; scale?: number }>(), {
  most: 380,
  scale: undefined,
})
const box = ref<HTMLElement>()
const near = useNear(box)
const size = computed(() =>
  props.elevation ? thumbSize(props.elevation, props.most, props.scale) : { w: 110, h: 54, scale: 1, part: 1 },
)
const frame = computed(() => {
  const e = props.elevation
  const { w, scale } = size.value
  const left = (w - (e?.width ?? 0) * scale) / 2
  return {
    scale,
    x: (mm: number) => left + (mm - (e?.left ?? 0)) * scale,
    y: (mm: number) => 6 + ((e?.bottom ?? 0) + (e?.height ?? 0) - mm) * scale,
  }
})
</script>

<template>
  <span ref="box" class="thumb">
    <svg :width="size.w" :height="size.h" :viewBox="`0 0 ${size.w} ${size.h}`" aria-hidden="true">
      <g v-if="elevation"><ElevationDrawing v-if="near" :elevation="elevation" :frame="frame" small /></g>
      <g v-else fill="none" stroke="var(--dim)" stroke-dasharray="4 4">
        <circle cx="28" cy="30" r="12" />
        <circle cx="78" cy="24" r="19" />
      </g>
      <path :d="`M0 ${size.h - 1}H${size.w}`" stroke="var(--ink)" stroke-width="1.4" />
    </svg>
    <small v-if="size.part !== 1" class="dim">{{ partWords(size.part) }}</small>
  </span>
</template>

<style scoped>
.thumb {
  display: inline-grid;
  align-content: end;
}
svg {
  display: block;
  max-width: 100%;
}
</style>
