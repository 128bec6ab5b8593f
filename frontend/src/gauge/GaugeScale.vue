<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'

import type { components } from '@/api/schema'

import { inRows, numbered, staircase, type Pointer } from './scale'

// One scale, three rulers: what the gauge shows, the pull in one belt, its note. Where it slips and what gives stand on it
// in the gauge's own unit, and every reading falls on it as a pointer.
const props = defineProps<{ target: components['schemas']['TensionTargetOut']; pointers: Pointer[] }>()
const host = ref<HTMLElement>()
const width = ref(900)
let watcher: ResizeObserver | undefined
onMounted(() => {
  watcher = new ResizeObserver(([e]) => {
    if (e) width.value = Math.max(Math.round(e.contentRect.width), 300)
  })
  if (host.value) watcher.observe(host.value)
})
onBeforeUnmount(() => watcher?.disconnect())

const LINE = 20
const axis = computed(() => props.target.axis)
const narrow = computed(() => width.value < 640)
const left = computed(() => (narrow.value ? 20 : 128))
const x = (n: number) =>
  left.value + ((width.value - left.value - 22) * (n - axis.value.low)) / (axis.value.high - axis.value.low)
const stairs = computed(() => staircase(props.target.cliffs, axis.value))
// Where there is no room for both sides in one row each side has its own.
const below = computed(() => stairs.value.steps.filter((s) => s.side === 'below').length)
const above = computed(() => stairs.value.steps.length - below.value)
const rows = computed(() => (narrow.value ? below.value + above.value : Math.max(below.value, above.value)))
const rowOf = (s: { side: string; row: number }) => (narrow.value && s.side === 'above' ? below.value : 0) + s.row
/** Where the words of a pointer stand: over it, and whole also at the ends of the scale. */
const inside = (at: number) => Math.min(Math.max(at, 38), width.value - 38)
const placed = computed(() => inRows(props.pointers, (n) => inside(x(n)), 74))
const pointerRows = computed(() => Math.max(0, ...placed.value.map((p) => p.row + 1)))
const top = computed(() => 6 + rows.value * LINE)
const base = computed(() => top.value + 12 + pointerRows.value * LINE + 54)
const bands = computed(() =>
  props.target.bands.map((b) => ({
    key: b.state,
    word: b.state === 'new' ? 'new' : 'run-in',
    a: x(b.low.tension.value),
    b: x(b.high.tension.value),
  })),
)
const GAP = 54
const rulers = computed(() =>
  axis.value.rulers.map((r, n) => ({
    ...r,
    y: base.value + n * GAP + (n && narrow.value ? 14 * n : 0),
    large: n === 0,
    // As many numbers as have room.
    ticks: numbered(r.ticks, x, n === 0 ? 12.5 : 9.5),
  })),
)
const height = computed(() => (rulers.value.at(-1)?.y ?? base.value) + 34)
/** Words stand on the side of their limit where there is room, else from the edge inward. */
const words = (s: { side: string; at: number; label: string; number: string }) => {
  const long = (s.label.length + s.number.length + 2) * 7.4
  const at = x(s.at)
  if (s.side === 'below') return at - 6 - long > 0 ? { x: at - 6, anchor: 'end' } : { x: 2, anchor: 'start' }
  return at + 6 + long < width.value ? { x: at + 6, anchor: 'start' } : { x: width.value - 2, anchor: 'end' }
}
const said = computed(
  () =>
    `${props.target.says} ${stairs.value.steps.map((s) => `${s.label} ${s.number}`).join(', ')}. ${props.pointers
      .map((p) => `${p.name} ${p.number}`)
      .join(', ')}`,
)
</script>

<template>
  <div ref="host" class="scale">
    <svg :width="width" :height="height" role="img" :aria-label="said">
      <defs>
        <pattern id="gauge-limit" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="7" stroke="var(--hot)" stroke-width="1.7" />
        </pattern>
      </defs>
      <template v-for="s in stairs.steps" :key="s.key">
        <rect
          v-if="s.side === 'below'"
          :x="x(axis.low)"
          :y="base - s.high"
          :width="x(s.at) - x(axis.low)"
          :height="s.high"
          fill="url(#gauge-limit)"
          class="limit"
        />
        <rect
          v-else
          :x="x(s.at)"
          :y="base - s.high"
          :width="x(axis.high) - x(s.at)"
          :height="s.high"
          fill="url(#gauge-limit)"
          class="limit"
        />
        <path :d="`M${x(s.at)} ${6 + rowOf(s) * LINE}V${base}`" class="thin" />
      </template>
      <!-- After every line: none runs through a word. -->
      <text
        v-for="s in stairs.steps"
        :key="'w' + s.key"
        :x="words(s).x"
        :y="20 + rowOf(s) * LINE"
        :text-anchor="words(s).anchor"
        class="bad"
      >
        {{ s.label }}
        <tspan class="number">{{ s.number }}</tspan>
      </text>
      <g v-for="b in bands" :key="b.key">
        <rect :x="b.a" :y="base - 30" :width="Math.max(b.b - b.a, 2)" height="30" :class="['band', b.key]" />
        <text v-if="b.b - b.a > 44" :x="(b.a + b.b) / 2" :y="base - 10" text-anchor="middle" class="in">
          {{ b.word }}
        </text>
      </g>
      <g v-for="r in rulers" :key="r.key">
        <text v-if="!narrow" x="0" :y="r.y + 2" class="name">{{ r.name }}</text>
        <text v-if="!narrow" x="0" :y="r.y + 18" class="dim">
          {{ r.unit }}{{ r.large ? ` at ${target.deflection.shown}` : '' }}
        </text>
        <text v-else-if="!r.large" x="2" :y="r.y - 6" class="dim">{{ r.name }}, {{ r.unit }}</text>
        <path :d="`M${x(axis.low)} ${r.y}H${x(axis.high)}`" class="axis" />
        <template v-for="t in r.ticks" :key="t.at">
          <path :d="`M${x(t.at)} ${r.y}v${t.number ? 8 : 4}`" class="axis" />
          <text
            v-if="t.number"
            :x="x(t.at)"
            :y="r.y + (r.large ? 27 : 23)"
            text-anchor="middle"
            :class="r.large ? 'big' : 'tick'"
          >
            {{ t.number }}
          </text>
        </template>
      </g>
      <text v-if="narrow" x="2" :y="base + 44" class="dim">lower rulers: the same pull, its note</text>
      <g v-for="p in placed" :key="p.key" :class="['pointer', p.state, { earlier: p.earlier }]">
        <path :d="`M${x(p.at)} ${top + 16 + p.row * LINE}V${rulers.at(-1)?.y}`" class="drop" />
        <path :d="`M${x(p.at) - 7} ${base - 13}h14l-7 13z`" class="head" />
        <rect :x="inside(x(p.at)) - 37" :y="top + p.row * LINE" width="74" height="18" class="paper" />
        <text :x="inside(x(p.at))" :y="top + 14 + p.row * LINE" text-anchor="middle">
          {{ p.name }}
          <tspan class="number">{{ p.number }}</tspan>
        </text>
      </g>
    </svg>
    <p v-for="c in stairs.beyond" :key="c.key" class="dim">
      {{ c.side === 'below' ? 'Under' : 'Over' }} {{ (c.at?.deflection_force ?? c.at?.tension)?.shown }}: {{ c.label }},
      beyond this scale.
    </p>
  </div>
</template>

<style scoped>
.scale {
  overflow: hidden;
}
svg {
  display: block;
}
text {
  fill: var(--ink);
  font: 500 15px var(--face-label);
}
.dim {
  fill: var(--dim);
  font-weight: 400;
}
.name {
  font-weight: 600;
  font-size: 16px;
}
.bad {
  fill: var(--hot);
  font-weight: 600;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 5px;
}
.number {
  font: 600 15px var(--face-figure);
  letter-spacing: -0.03em;
}
.big {
  font: 600 19px var(--face-figure);
  word-spacing: -0.2em;
}
.tick {
  font: 400 14px var(--face-figure);
}
.in {
  font-weight: 600;
}
.limit {
  stroke: var(--hot);
  stroke-width: 1.4;
}
.band {
  fill: var(--panel);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.band.new {
  fill: var(--metal);
}
.thin {
  stroke: var(--dim);
  stroke-width: 1;
}
.axis {
  stroke: var(--ink);
  stroke-width: 1.6;
}
.drop {
  stroke: var(--ink);
  stroke-width: 1.4;
}
.head {
  fill: var(--ink);
}
.paper {
  fill: var(--sheet);
}
.act .head,
.act .drop {
  fill: var(--hot);
  stroke: var(--hot);
}
.earlier .head {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.earlier .drop {
  stroke-dasharray: 4 4;
}
</style>
