<script setup lang="ts">
import { computed } from 'vue'

import type { JobStep } from '@/api/types'

// The span to press: dashed where the belt lies, dark where it is pressed, the tape beside it; right, the set seen from its edge.
const props = defineProps<{ step: JobStep; at: string; byNote: boolean }>()
const shown = (name: string) => props.step.figures.find((f) => f.name === name)?.shown ?? ''
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
const marks = Array.from({ length: 9 }, (_, n) => ({ y: 66 + n * 9, long: n % 4 === 0 ? 14 : n % 2 === 0 ? 10 : 6 }))
</script>

<template>
  <svg
    viewBox="0 0 366 190"
    class="sheet picture"
    role="img"
    :aria-label="`Mid-span, ${byNote ? 'pluck it' : `press in by ${shown('deflection')}`}`"
  >
    <line x1="14" y1="66" x2="272" y2="66" class="thin dash" />
    <template v-if="byNote">
      <path d="M14 66 Q143 92 272 66" class="belt" />
      <path d="M14 66 Q143 40 272 66" class="thin dash" />
      <path d="M143 116v-22m-6 8l6-8 6 8" class="arrow" />
      <text x="143" y="136" class="cap" text-anchor="middle">pluck mid-span</text>
    </template>
    <template v-else>
      <path d="M14 66 L143 102 L272 66" class="belt" />
      <path d="M143 18v70m-9-12l9 12 9-12" class="arrow" />
      <text x="132" y="30" class="cap" text-anchor="end">press square</text>
      <rect x="154" y="58" width="28" height="88" class="tape" />
      <line v-for="m in marks" :key="m.y" x1="154" :x2="154 + m.long" :y1="m.y" :y2="m.y" class="thin" />
      <path d="M143 102H184" class="thin" />
      <path d="M184 102l10-5v10z" class="solid" />
      <text x="192" y="128" class="big">{{ shown('deflection') }}</text>
    </template>
    <path d="M14 164H272M14 158v12M272 158v12" class="thin" />
    <rect x="78" y="153" width="130" height="22" class="paper" />
    <text x="143" y="171" class="big" text-anchor="middle">{{ shown('span') }}</text>
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
.tape {
  fill: var(--sheet);
  stroke: var(--ink);
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
