<script setup lang="ts">
import { computed } from 'vue'

import type { JobStep } from '@/api/types'
import { bandOnDial, gaugeFull, onDial } from '@/gauge/dial'
import { tapeMarks } from '@/gauge/tape'

// The span to press: dashed where the belt lies, dark where it is pressed; the tape beside it reads true, the gauge on it has
// its band and what stands on the pad; right, the set seen from its edge.
const props = defineProps<{ step: JobStep; at: string; byNote: boolean; us: boolean; now?: number }>()
const figure = (name: string) => props.step.figures.find((f) => f.name === name)
const shown = (name: string) => figure(name)?.shown ?? ''
const DEEP = 36
const Y = 90
const marks = computed(() => {
  const mm = figure('deflection')?.drawn[0]
  return mm ? tapeMarks(DEEP / mm, DEEP + 26, props.us) : []
})
const band = computed(() => figure('tension_band')?.drawn ?? [])
const dial = computed(() => ({ x: 143, y: 38, full: gaugeFull(band.value[1], props.now) }))
const DIAL_R = 33
const arc = computed(() => bandOnDial(dial.value, band.value[0], band.value[1], 27))
const belts = computed(() => {
  const odd = (props.step.said?.result as { odd_belt?: number | null } | null)?.odd_belt ?? null
  const few = props.step.asked.slice(0, 8)
  const wide = 68 / Math.max(few.length, 2)
  return few.map((a, n) => ({
    no: n + 1,
    x: 290 + wide * (n + 0.5),
    read: Boolean(a.value),
    here: a.target === props.at,
    odd: odd === n + 1,
    w: Math.min(13, wide * 0.4),
  }))
})
</script>

<template>
  <svg
    viewBox="0 0 366 190"
    class="sheet picture"
    role="img"
    :aria-label="`Mid-span, ${byNote ? 'pluck it' : `press in by ${shown('deflection')}`}`"
  >
    <line x1="14" :y1="Y" x2="272" :y2="Y" class="thin dash" />
    <template v-if="byNote">
      <path :d="`M14 ${Y} Q143 ${Y + 26} 272 ${Y}`" class="belt" />
      <path :d="`M14 ${Y} Q143 ${Y - 26} 272 ${Y}`" class="thin dash" />
      <path :d="`M143 ${Y + 50}v-22m-6 8l6-8 6 8`" class="arrow" />
      <text x="160" :y="Y + 52" class="cap">pluck mid-span</text>
    </template>
    <template v-else>
      <path :d="`M14 ${Y}L143 ${Y + DEEP}L272 ${Y}`" class="belt" />
      <template v-if="arc">
        <circle :cx="dial.x" :cy="dial.y" :r="DIAL_R" class="dial" />
        <path :d="arc" class="band" />
        <path v-if="now !== undefined" :d="`M${dial.x} ${dial.y}L${onDial(dial, now, 26)}`" class="needle" />
        <circle :cx="dial.x" :cy="dial.y" r="3.5" class="solid" />
        <path :d="`M143 ${dial.y + DIAL_R}V${Y + DEEP - 8}`" class="arrow" />
      </template>
      <path v-else :d="`M143 22V${Y + DEEP - 8}`" class="arrow" />
      <path :d="`M135 ${Y + DEEP - 17}l8 12 8-12z`" class="solid" />
      <text x="14" y="24" class="cap">press square</text>
      <rect x="152" :y="Y" width="28" :height="DEEP + 26" class="tape" />
      <line
        v-for="m in marks"
        :key="m.at"
        x1="152"
        :x2="152 + 23 * m.long"
        :y1="Y + m.at"
        :y2="Y + m.at"
        class="thin"
      />
      <path :d="`M146 ${Y + DEEP}H182`" class="thin" />
      <path :d="`M182 ${Y + DEEP}l10-5v10z`" class="solid" />
      <text x="196" :y="Y + DEEP + 7" class="big" :class="{ long: shown('deflection').length > 8 }">
        {{ shown('deflection') }}
      </text>
    </template>
    <path d="M14 174H272M14 168v12M272 168v12" class="thin" />
    <rect x="78" y="163" width="130" height="22" class="paper" />
    <text x="143" y="180" class="big" text-anchor="middle">{{ shown('span') }}</text>
    <line x1="282" y1="10" x2="282" y2="180" class="rule" />
    <text x="287" y="24" class="cap">the set</text>
    <line x1="287" y1="78" x2="362" y2="78" class="thin dash" />
    <g v-for="b in belts" :key="b.no" :class="{ odd: b.odd }">
      <text :x="b.x" y="62" text-anchor="middle" class="no" :class="{ here: b.here }">{{ b.no }}</text>
      <line v-if="b.odd" :x1="b.x" :x2="b.x" y1="78" y2="98" class="thin" />
      <path
        :d="`M${b.x - b.w} ${b.odd ? 98 : 76}h${2 * b.w}l${-b.w * 0.4} 20h${-2 * b.w * 0.6}z`"
        :class="[b.read ? 'hatched' : 'empty', { here: b.here }]"
      />
    </g>
    <defs>
      <pattern id="steep" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(60)">
        <line x1="0" y1="0" x2="0" y2="5" stroke="var(--ink)" stroke-width="1.4" />
      </pattern>
    </defs>
  </svg>
</template>

<style scoped src="@/gauge/gauge.css"></style>

<style scoped>
.picture {
  width: 100%;
}
.thin {
  stroke: var(--ink);
  stroke-width: 1.3;
  fill: none;
}
.dash {
  stroke-dasharray: 6 5;
}
.rule {
  stroke: var(--line);
}
.belt {
  stroke: var(--belt);
  stroke-width: 9;
  fill: none;
  stroke-linejoin: round;
}
.arrow {
  stroke: var(--ink);
  stroke-width: 3;
  fill: none;
}
.paper {
  fill: var(--sheet);
}
.solid {
  fill: var(--ink);
}
.cap {
  font: 500 15px var(--face-label);
  fill: var(--dim);
}
.big {
  font: 600 17px var(--face-figure);
  fill: var(--ink);
}
.big.long {
  font-size: 14px;
}
.no {
  font: 600 17px var(--face-figure);
  fill: var(--dim);
}
.no.here {
  fill: var(--ink);
}
.hatched {
  fill: url(#steep);
  stroke: var(--ink);
  stroke-width: 1.4;
}
.empty {
  fill: none;
  stroke: var(--line);
  stroke-width: 1.4;
}
path.here {
  stroke: var(--ink);
  stroke-width: 3;
}
.odd path,
.odd line {
  stroke: var(--hot);
}
.odd .no {
  fill: var(--hot);
}
</style>
