<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'

import type { Elevation, Fault } from '@/api/types'

import { faultText } from '@/shared/format/faults'

import CallOut from './CallOut.vue'
import { sizeOf, type Label } from './callOuts'
import { dimensionLines } from './dimensions'
import ElevationDrawing from './ElevationDrawing.vue'
import { fit } from './frame'
import { hang, sceneOf } from './labels'
import { beltWidth } from './strokes'

const props = defineProps<{
  elevation: Elevation
  labels: Label[]
  faultPath?: string
  fault?: Fault
  busy?: boolean
  said?: string
}>()
const emit = defineEmits<{ change: [path: string, typed: string]; cancel: []; how: [step: string, title: string] }>()
const DIMENSION = 44
const host = ref<HTMLElement>()
const size = ref({ w: 800, h: 408 })
let watcher: ResizeObserver | undefined
onMounted(() => {
  // Measured before it is first shown: nothing jumps when the observer tells of it.
  const box = host.value?.getBoundingClientRect()
  if (box?.width) size.value = { w: box.width, h: box.height }
  watcher = new ResizeObserver(([entry]) => {
    if (entry) size.value = { w: entry.contentRect.width, h: entry.contentRect.height }
  })
  if (host.value) watcher.observe(host.value)
})
onBeforeUnmount(() => watcher?.disconnect())

// A refusal stands whole across the foot of the drawing, not beside its figure where the edge would cut it.
const refused = computed(() => {
  const label = props.labels.find((l) => l.path && l.path === props.faultPath)
  return !narrow.value && label && props.fault ? { label: label.label, fault: props.fault } : null
})
const narrow = computed(() => size.value.w < 560)
// Only the distances that a figure is hung on are drawn as dimensions.
const named = computed(() =>
  props.labels.flatMap((l) => (l.at.startsWith('centres:') ? [l.at.slice('centres:'.length)] : [])),
)
const dimension = computed(() => (narrow.value || !named.value.length ? 0 : DIMENSION))
const frame = computed(() => {
  const side = narrow.value ? 14 : 136
  // Among many wheels a distance has no room but beyond its line: that is left for it.
  const edge = props.elevation.wheels.length > 2 ? 64 : 30
  const inset = { left: side, right: side, top: narrow.value ? 12 : edge, bottom: narrow.value ? 28 : edge }
  return fit(props.elevation, size.value.w, size.value.h, inset, dimension.value, Infinity, named.value)
})
const lines = computed(() =>
  dimension.value ? dimensionLines(props.elevation, (DIMENSION - 12) / frame.value.scale, named.value) : [],
)
const scaleText = computed(() => {
  // A style-sheet pixel is 1/96 in by definition.
  const ratio = 96 / 25.4 / frame.value.scale
  return `to scale 1 : ${ratio < 10 ? ratio.toFixed(1) : ratio.toFixed(0)}`
})

/** Where each label and its leader stand; what finds no room is listed below, like all of them on a phone. */
const layout = computed(() => {
  if (narrow.value) return { placed: [], left: props.labels.map((l) => l.key) }
  const room = { x: size.value.w, y: size.value.h }
  const thick = beltWidth(props.elevation, frame.value.scale).tight
  const scene = sceneOf(props.elevation, frame.value, lines.value, room, thick)
  return hang(
    props.labels.map((l) => ({ key: l.key, at: l.at, ...sizeOf(l) })),
    scene,
  )
})
const byKey = computed(() => new Map(props.labels.map((l) => [l.key, l])))
const placed = computed(() =>
  layout.value.placed.flatMap((p) => {
    const l = byKey.value.get(p.key)
    return l ? [{ ...p, l }] : []
  }),
)
const listed = computed(() => props.labels.filter((l) => layout.value.left.includes(l.key)))
const leaders = computed(() => placed.value.flatMap((p) => (p.leader ? [p.leader] : [])))
</script>

<template>
  <section class="sheet elevation" aria-label="Side view of the drive, to scale">
    <div ref="host" class="host">
      <svg
        :width="size.w"
        :height="size.h"
        role="img"
        :aria-label="`Side view, ${scaleText}. ${elevation.words ?? ''}`"
      >
        <title>Side view of the drive, {{ scaleText }}</title>
        <desc>{{ elevation.words }}</desc>
        <ElevationDrawing :elevation="elevation" :frame="frame" :dimensions="lines" />
        <g stroke="var(--dim)" fill="var(--dim)">
          <template v-for="(p, k) in leaders" :key="k">
            <line :x1="p.a.x" :y1="p.a.y" :x2="p.b.x" :y2="p.b.y" />
            <circle :cx="p.b.x" :cy="p.b.y" r="2.4" />
          </template>
        </g>
      </svg>
      <CallOut
        v-for="p in placed"
        :key="p.l.key"
        :label="p.l.label"
        :named="p.l.named"
        :number="p.l.number"
        :unit="p.l.unit"
        :assumed="p.l.assumed"
        :step="p.l.step"
        class="hung"
        :editable="Boolean(p.l.path)"
        :fault="faultPath === p.l.path ? fault : undefined"
        :busy="busy"
        quiet
        :style="{ left: p.box.x + 'px', top: p.box.y + 'px' }"
        @how="(s: string) => emit('how', s, p.l.label)"
        @change="(t: string) => emit('change', p.l.path ?? '', t)"
        @cancel="emit('cancel')"
      />
      <p class="scale dim">{{ scaleText }}</p>
      <p v-if="refused" class="told refused" role="alert">
        <b>{{ refused.label }}:</b> {{ faultText(refused.fault) }}
      </p>
      <p v-else-if="said" class="told" role="status">{{ said }}</p>
    </div>
    <div v-if="listed.length" class="listed">
      <CallOut
        v-for="l in listed"
        :key="l.key"
        :label="l.named ?? l.label"
        :number="l.number"
        :unit="l.unit"
        :assumed="l.assumed"
        :step="l.step"
        :editable="Boolean(l.path)"
        :fault="faultPath === l.path ? fault : undefined"
        :busy="busy"
        @how="(s: string) => emit('how', s, l.label)"
        @change="(t: string) => emit('change', l.path ?? '', t)"
        @cancel="emit('cancel')"
      />
    </div>
  </section>
</template>

<style scoped>
.elevation {
  display: grid;
  grid-template-rows: 1fr auto;
  min-height: 0;
}
.host {
  position: relative;
  min-height: 220px;
  overflow: hidden;
}
svg {
  display: block;
  position: absolute;
  inset: 0;
}
.hung {
  position: absolute;
}
.scale {
  position: absolute;
  left: 14px;
  bottom: 5px;
  background: var(--sheet);
  font-family: var(--face-label);
  font-size: 0.875rem;
}
.told {
  position: absolute;
  left: 0;
  right: 0;
  bottom: 0;
  z-index: 6;
  padding: 7px 14px;
  background: var(--panel);
  border-top: 3px solid var(--ink);
  font-size: 1rem;
}
.told.refused {
  border-top-color: var(--hot);
  color: var(--hot);
  font-weight: 600;
}
.listed {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px 12px;
  padding: 6px 12px 10px;
  border-top: 1px solid var(--line);
}
</style>
