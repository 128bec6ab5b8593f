<script setup lang="ts">
import { computed, ref } from 'vue'

import type { Elevation } from '@/api/types'
import ElevationDrawing from '@/elevation/ElevationDrawing.vue'
import { fit, type Frame } from '@/elevation/frame'
import { lengthOf, withMoved } from '@/elevation/loopPath'

// The loop to scale. A wheel is pressed to put it on the other side, or taken hold of and moved; the arrow keys move it too.
const props = defineProps<{
  elevation: Elevation
  /** Wheels that stay where they are: the driver, from which everything is measured. */
  fixed: string[]
  sides: Record<string, 'inside' | 'outside'>
  /** Pulls of the strands, by their id, as they are shown. */
  pulls: Record<string, string>
  /** How far one press of an arrow key moves, mm. */
  step: number
  /** A length as the person reads it. */
  say: (mm: number) => string
}>()
const emit = defineEmits<{
  turn: [id: string]
  move: [id: string, at: { x: number; y: number }]
  drop: [id: string, at: { x: number; y: number }]
}>()
const WIDE = 640
const HIGH = 400
const INSET = { left: 30, right: 30, top: 30, bottom: 34 }
// While a wheel is moved the frame stands still: the drawing would flee from under the finger.
const held = ref<{ id: string; frame: Frame; x: number; y: number; grip: { x: number; y: number }; far: boolean }>()
const frame = computed(() => held.value?.frame ?? fit(props.elevation, WIDE, HIGH, INSET, 0, 2))
const shown = computed(() =>
  held.value ? (withMoved(props.elevation, { [held.value.id]: held.value }) ?? props.elevation) : props.elevation,
)
const hung = computed(() =>
  shown.value.wheels.map((w) => ({
    id: w.id,
    x: frame.value.x(w.x),
    y: frame.value.y(w.y),
    r: Math.max(frame.value.scale * w.outside_radius, 23),
    fixed: props.fixed.includes(w.id),
    side: props.sides[w.id] ?? 'inside',
  })),
)
const figures = computed(() =>
  held.value
    ? []
    : shown.value.strands.flatMap((s) => {
        const says = props.pulls[s.id]
        if (!says || s.length * frame.value.scale < 70) return []
        const [x1, y1, x2, y2] = [frame.value.x(s.x1), frame.value.y(s.y1), frame.value.x(s.x2), frame.value.y(s.y2)]
        const long = Math.hypot(x2 - x1, y2 - y1)
        // Beside the strand, on the loop's outside: the loop keeps its inside on one hand.
        const out = shown.value.wheels[0]?.turn === -1 ? 1 : -1
        const [nx, ny] = [(out * (y2 - y1)) / long, (-out * (x2 - x1)) / long]
        // So far off that the words clear the strand whichever way it runs.
        const off = 12 + (Math.abs(nx) * says.length * 10) / 2 + Math.abs(ny) * 9
        return [{ id: s.id, says, x: (x1 + x2) / 2 + nx * off, y: (y1 + y2) / 2 + ny * off }]
      }),
)
const live = computed(() => {
  const h = held.value
  return h ? `${h.id}: ${props.say(h.x)} right, ${props.say(h.y)} up; loop ${props.say(lengthOf(shown.value))}` : ''
})

const svg = ref<SVGSVGElement>()
function place(e: PointerEvent, f: Frame): { x: number; y: number } {
  const box = svg.value?.getBoundingClientRect()
  const k = box && box.width ? WIDE / box.width : 1
  const [px, py] = [(e.clientX - (box?.left ?? 0)) * k, (e.clientY - (box?.top ?? 0)) * k]
  return { x: (px - f.x(0)) / f.scale, y: -(py - f.y(0)) / f.scale }
}
function take(e: PointerEvent, id: string) {
  const w = props.elevation.wheels.find((o) => o.id === id)
  if (!w || props.fixed.includes(id) || e.button > 0) return
  const now = frame.value
  const at = place(e, now)
  held.value = { id, frame: now, x: w.x, y: w.y, grip: { x: at.x - w.x, y: at.y - w.y }, far: false }
  ;(e.target as Element).setPointerCapture?.(e.pointerId)
}
function pull(e: PointerEvent) {
  const h = held.value
  if (!h) return
  const at = place(e, h.frame)
  const [x, y] = [at.x - h.grip.x, at.y - h.grip.y]
  // A thumb shakes: under six pixels it is a press.
  const far = h.far || Math.hypot(x - h.x, y - h.y) * h.frame.scale > 6
  if (!far) return
  held.value = { ...h, x, y, far }
  emit('move', h.id, { x, y })
}
function drop() {
  const h = held.value
  held.value = undefined
  if (!h) return
  if (h.far) emit('drop', h.id, { x: h.x, y: h.y })
  else emit('turn', h.id)
}
const ARROWS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}
function key(e: KeyboardEvent, id: string) {
  const way = ARROWS[e.key]
  const w = props.elevation.wheels.find((o) => o.id === id)
  if (way && w) {
    e.preventDefault()
    emit('drop', id, { x: w.x + way[0] * props.step, y: w.y + way[1] * props.step })
  } else if (e.key === 'Enter' || e.key === ' ') {
    e.preventDefault()
    emit('turn', id)
  }
}
</script>

<template>
  <div class="loop">
    <svg
      ref="svg"
      :viewBox="`0 0 ${WIDE} ${HIGH}`"
      role="group"
      aria-label="The drive to scale; a wheel is moved by dragging or by the arrow keys, and pressed to put it on the other side of the loop"
      @pointermove="pull"
      @pointerup="drop"
      @pointercancel="held = undefined"
    >
      <ElevationDrawing :elevation="shown" :frame="frame" />
      <text
        v-for="g in shown.guides ?? []"
        :key="g.id"
        class="name pin"
        :x="frame.x(g.x)"
        :y="frame.y(g.y) - 26"
        :text-anchor="frame.x(g.x) < 70 ? 'start' : frame.x(g.x) > WIDE - 70 ? 'end' : 'middle'"
      >
        {{ g.id }}
      </text>
      <text v-for="f in figures" :key="f.id" class="pull" :x="f.x" :y="f.y" text-anchor="middle">{{ f.says }}</text>
      <g v-for="h in hung" :key="h.id">
        <circle
          v-if="!h.fixed"
          class="hit"
          :cx="h.x"
          :cy="h.y"
          :r="h.r"
          tabindex="0"
          role="button"
          :aria-label="`${h.id}: the loop's ${h.side} touches it; drag or arrow keys to move it, press for the other side`"
          @pointerdown.prevent="take($event, h.id)"
          @keydown="key($event, h.id)"
        />
        <text class="name" :x="h.x" :y="h.y + h.r + 5" text-anchor="middle">{{ h.id }}</text>
      </g>
    </svg>
    <p class="live" role="status">{{ live }}</p>
  </div>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
  touch-action: pan-y;
}
.hit {
  fill: transparent;
  stroke: var(--touch);
  stroke-width: 2;
  cursor: grab;
  touch-action: none;
}
.hit:active {
  cursor: grabbing;
}
.name,
.pull {
  font: 600 15px var(--face-label);
  fill: var(--ink);
  pointer-events: none;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
}
.name {
  dominant-baseline: hanging;
}
.pull {
  font: 500 1rem var(--face-figure);
  dominant-baseline: middle;
}
.live {
  min-height: 24px;
  margin: 0;
  font: 600 1.125rem var(--face-figure);
}
@media (max-width: 600px) {
  .name,
  .pull {
    font-size: 1.625rem;
  }
  /* The list under it names the pins. */
  .pin {
    display: none;
  }
}
</style>
