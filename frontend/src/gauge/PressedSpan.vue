<script setup lang="ts">
import { computed } from 'vue'

import { bandOnDial, gaugeFull, onDial } from './dial'
import { tapeMarks } from './tape'

// The strand that is pressed: dashed where it lies, dark where it is pressed, by its true size, with a tape's own marks
// beside it; on the arrow the gauge with its band.
const props = defineProps<{
  /** How far it is pressed: mm, and as it is read off the tape. */
  mm: number
  deflection: string
  span: string
  us: boolean
  /** The band on the gauge and what it shows now, all in the core's unit. */
  low?: number
  high?: number
  now?: number
  nowShown?: string
  wide?: boolean
  says: string
}>()
// A style-sheet pixel is 1/96 in by definition; what is too large for the drawing is drawn at half or a quarter.
const PX_MM = 96 / 25.4
const scale = computed(() => [1, 2, 4, 8].find((k) => (props.mm * PX_MM) / k <= 74) ?? 16)
const deep = computed(() => Math.max((props.mm * PX_MM) / scale.value, 3))
const Y = 96
// The paper under the span's words: as wide as they are, by the wider of the two faces.
const paper = computed(() => 74 + 10.4 * props.span.length)
const X = { a: 10, mid: 172, b: 334 }
const marks = computed(() =>
  tapeMarks(PX_MM / scale.value, deep.value + 34, props.us).map((m) => ({ y: Y + m.at, long: 26 * m.long })),
)
// The dial goes from nothing to well over the band, three quarters of a turn round.
const dial = computed(() => ({ x: X.mid, y: 40, full: gaugeFull(props.high, props.now) }))
const band = computed(() => bandOnDial(dial.value, props.low, props.high, 29))
</script>

<template>
  <svg viewBox="0 0 344 232" width="344" height="232" role="img" :aria-label="says">
    <path :d="`M${X.a} ${Y}H${X.b}`" class="thin dash" />
    <path :d="`M${X.a} ${Y}L${X.mid} ${Y + deep}L${X.b} ${Y}`" class="belt" :class="{ wide }" />
    <g v-if="band">
      <circle :cx="X.mid" cy="40" r="35" class="dial" />
      <path :d="band" class="band" />
      <path v-if="now !== undefined" :d="`M${X.mid} 40L${onDial(dial, now, 27)}`" class="needle" />
      <circle :cx="X.mid" cy="40" r="3.5" class="solid" />
      <path :d="`M${X.mid} 75V${Y + deep - 9}`" class="rod" />
      <text v-if="nowShown" :x="X.mid - 46" y="34" text-anchor="end" class="big">{{ nowShown }}</text>
    </g>
    <path v-else :d="`M${X.mid} 20V${Y + deep - 12}`" class="rod" />
    <path :d="`M${X.mid - 8} ${Y + deep - 18}l8 13 8-13z`" class="solid" />
    <rect :x="X.mid + 22" :y="Y" width="34" :height="deep + 34" class="tape" />
    <path v-for="m in marks" :key="m.y" :d="`M${X.mid + 22} ${m.y}h${m.long}`" class="mark" />
    <path :d="`M${X.mid + 2} ${Y + deep}H${X.mid + 58}`" class="thin" />
    <path :d="`M${X.mid + 58} ${Y + deep}l10-6v12z`" class="solid" />
    <text :x="X.mid + 72" :y="Y + deep + 8" class="big">{{ deflection }}</text>
    <path :d="`M${X.a} 214H${X.b}M${X.a - 4} 219l8-10M${X.b - 4} 219l8-10`" class="thin" />
    <rect :x="X.mid - paper / 2" y="203" :width="paper" height="22" class="paper" />
    <text :x="X.mid" y="220" text-anchor="middle">
      free span
      <tspan class="big">{{ span }}</tspan>
    </text>
    <text x="10" y="176" class="dim">{{ scale === 1 ? 'depth in true size,' : `depth 1 : ${scale},` }}</text>
    <text x="10" y="193" class="dim">span shortened</text>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped src="@/gauge/gauge.css"></style>

<style scoped>
.belt {
  fill: none;
  stroke: var(--belt);
  stroke-width: 9;
  stroke-linejoin: round;
}
.belt.wide {
  stroke-width: 6;
}
.rod {
  stroke: var(--ink);
  stroke-width: 3;
}
.mark {
  stroke: var(--ink);
  stroke-width: 1.1;
}
</style>
