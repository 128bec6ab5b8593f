<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'

import type { Elevation, Fault } from '@/api/types'

import { faultText } from '@/shared/format/faults'

import { across, fit, unstack } from '../logic/layout'
import CallOut from './CallOut.vue'
import ElevationDrawing from './ElevationDrawing.vue'

export interface Label {
  key: string
  at: 'driver' | 'driven' | 'tight' | 'slack' | 'centre'
  label: string
  number: string
  unit: string
  path?: string
  step?: string | null
  assumed?: boolean
}
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
const frame = computed(() => {
  const side = narrow.value ? 14 : 136
  const inset = { left: side, right: side, top: narrow.value ? 12 : 16, bottom: narrow.value ? 28 : 30 }
  return fit(props.elevation, size.value.w, size.value.h, inset, narrow.value ? 0 : DIMENSION)
})
const scaleText = computed(() => {
  // A style-sheet pixel is 1/96 in by definition.
  const ratio = 96 / 25.4 / frame.value.scale
  return `to scale 1 : ${ratio < 10 ? ratio.toFixed(1) : ratio.toFixed(0)}`
})

/** Where each label and its leader stand. */
const placed = computed(() => {
  if (narrow.value) return []
  const f = frame.value
  const { w, h } = size.value
  const [a, b] = props.elevation.wheels
  if (!a || !b) return []
  const driverLeft = f.x(a.x) <= f.x(b.x)
  const n = across(props.elevation)
  const far = Math.max(a.outside_radius, b.outside_radius) * f.scale + DIMENSION - 12
  const mid = props.elevation.strands.map((s) => {
    // The strand beside the dimension line carries its label nearer the driver, where the centre distance is not.
    const long = Math.hypot(s.x2 - s.x1, s.y2 - s.y1) * f.scale > 300
    const beside = ((s.x1 + s.x2) / 2 - (a.x + b.x) / 2) * n.x - ((s.y1 + s.y2) / 2 - (a.y + b.y) / 2) * n.y > 0
    // Strands run with the belt: the tight one ends at the driver, the slack one begins there.
    const t = long && beside ? (s.side === 'tight' ? 0.74 : 0.26) : 0.5
    return { side: s.side, x: f.x(s.x1 + (s.x2 - s.x1) * t), y: f.y(s.y1 + (s.y2 - s.y1) * t) }
  })
  const count = { driver: 0, driven: 0 }
  const raw = props.labels.map((l) => {
    const wide = Math.max(l.label.length * 6.6, l.number.length * 13.2 + l.unit.length * 8 + 6) + 6
    const box = { x: 0, y: 0, w: Math.min(wide, 190), h: 54 }
    let lead: { x: number; y: number } | null = null
    if (l.at === 'centre') {
      box.x = (f.x(a.x) + f.x(b.x)) / 2 + n.x * far - box.w / 2
      box.y = (f.y(a.y) + f.y(b.y)) / 2 + n.y * far - 22
      // Beside a steep line the label goes out by half its own size, so that it does not lie on the belt.
      box.x += n.x * (Math.abs(n.x) > 0.3 ? box.w / 2 + 8 : 0)
    } else if (l.at === 'driver' || l.at === 'driven') {
      const wheel = l.at === 'driver' ? a : b
      const left = (l.at === 'driver') === driverLeft
      const k = count[l.at]++
      box.x = left ? 16 : w - box.w - 12
      // Above and below the wheel's own height, so that the leaders do not cross the belt.
      const low = f.y(wheel.y) > h * 0.56
      box.y = low ? h - 150 + k * 60 : 12 + k * 60
      const rim = wheel.outside_radius * f.scale
      const angle = Math.atan2(box.y + 30 - f.y(wheel.y), (left ? box.x + box.w : box.x) - f.x(wheel.x))
      if (k === 0) lead = { x: f.x(wheel.x) + rim * Math.cos(angle), y: f.y(wheel.y) + rim * Math.sin(angle) }
    } else {
      const here = mid.find((m) => m.side === l.at)
      const other = mid.find((m) => m.side !== l.at)
      if (here && other) {
        const gap = Math.hypot(here.x - other.x, here.y - other.y) || 1
        const out = { x: (here.x - other.x) / gap, y: (here.y - other.y) / gap }
        // The upper strand carries its label outside, the lower one inside where there is room for it.
        const inside = out.y > 0.9 && gap > 100
        const dir = inside ? -1 : 1
        const off = 26
        const px = here.x + dir * out.x * off
        const py = here.y + dir * out.y * off
        box.x = dir * out.x > 0.5 ? px : dir * out.x < -0.5 ? px - box.w : px - box.w / 2
        box.y = dir * out.y > 0 ? py - 6 : py - box.h + 6
        lead = { x: here.x, y: here.y }
      }
    }
    box.x = Math.min(Math.max(box.x, 4), w - box.w - 4)
    box.y = Math.min(Math.max(box.y, 4), h - box.h - 2)
    return { l, box, lead }
  })
  const boxes = unstack(
    raw.map((r) => r.box),
    h,
  )
  return raw.map((r, k) => ({ ...r, box: boxes[k] ?? r.box }))
})
const leaders = computed(() =>
  placed.value.flatMap(({ box, lead }) => {
    if (!lead) return []
    const x = Math.min(Math.max(lead.x, box.x + 6), box.x + box.w - 6)
    const y = lead.y > box.y + box.h ? box.y + box.h - 2 : lead.y < box.y ? box.y + 2 : box.y + box.h / 2
    const sideX = lead.y > box.y && lead.y < box.y + box.h ? (lead.x > box.x ? box.x + box.w : box.x) : x
    return [{ x1: sideX, y1: y, x2: lead.x, y2: lead.y }]
  }),
)
</script>

<template>
  <section class="sheet elevation" aria-label="Side view of the drive, to scale">
    <div ref="host" class="host">
      <svg :width="size.w" :height="size.h" role="img" :aria-label="`Side view, ${scaleText}`">
        <ElevationDrawing :elevation="elevation" :frame="frame" :dimension="narrow ? 0 : DIMENSION" />
        <g stroke="var(--dim)" fill="var(--dim)">
          <template v-for="(p, k) in leaders" :key="k">
            <line :x1="p.x1" :y1="p.y1" :x2="p.x2" :y2="p.y2" />
            <circle :cx="p.x2" :cy="p.y2" r="2.4" />
          </template>
        </g>
      </svg>
      <CallOut
        v-for="p in placed"
        :key="p.l.key"
        :label="p.l.label"
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
    <div v-if="narrow" class="listed">
      <CallOut
        v-for="l in labels"
        :key="l.key"
        :label="l.label"
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
  font-family: var(--face-label);
  font-size: 14px;
}
.told {
  position: absolute;
  left: 0;
  right: 0;
  bottom: 0;
  z-index: 6;
  padding: 7px 14px;
  background: var(--panel);
  border-top: 3px solid var(--touch);
  font-size: 16px;
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
