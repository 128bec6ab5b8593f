<script setup lang="ts">
import { computed } from 'vue'

import type { Line } from './moves'

// What to move: the machine from the side for shims, from above for a swing, the fault drawn larger by a stated factor.
// Where the faults stand beside it already, only the moves are told.
const props = defineProps<Line & { movesOnly?: boolean }>()
const DRAWN_DEG = 9
const first = computed(() => props.moves[0])
const fault = computed(() => props.faults.find((f) => f.name.toLowerCase() === first.value?.cures))
/** How many times larger the fault is drawn; a matter of the screen. */
const times = computed(() => {
  const deg = Math.abs(fault.value?.found.value ?? 0)
  return deg ? Math.min(30, Math.max(1, Math.round(DRAWN_DEG / deg))) : 1
})
// On the screen a turn to the right is plus: a nose that points up lies left of its feet, one that points away below them.
const turned = computed(() => Math.sign(fault.value?.found.value ?? 1) * DRAWN_DEG)
const outboard = computed(() => first.value?.way === 'outboard')
const away = computed(() => first.value?.way === 'away')
</script>

<template>
  <div class="moves">
    <ol v-if="!movesOnly" class="three">
      <li v-for="(f, n) in faults" :key="f.name" :class="{ now: first?.cures === f.name.toLowerCase() }">
        <span class="mark" :class="{ hot: !f.within }" aria-hidden="true">{{ f.within ? '●' : '■' }}</span>
        <strong>{{ n + 1 }} {{ f.name }}</strong>
        <span class="dim">{{ f.found.shown }} of {{ f.limit.shown }}</span>
      </li>
    </ol>
    <template v-if="first">
      <p class="does">{{ first.says }}</p>
      <svg
        v-if="first.cures === 'twist'"
        viewBox="0 0 366 178"
        class="sheet picture"
        role="img"
        :aria-label="first.says"
      >
        <text x="10" y="18" class="cap">from the side, drawn {{ times }} times</text>
        <defs>
          <pattern id="shims" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(60)">
            <line x1="0" y1="0" x2="0" y2="5" stroke="var(--ink)" stroke-width="1.4" />
          </pattern>
        </defs>
        <line x1="10" y1="138" x2="250" y2="138" class="floor" />
        <g class="dash" :transform="`rotate(${turned} ${outboard ? 122 : 208} 138)`">
          <rect x="40" y="46" width="22" height="76" />
          <rect x="100" y="58" width="118" height="66" />
          <rect x="106" y="124" width="30" height="14" />
          <rect x="190" y="124" width="30" height="14" />
        </g>
        <g class="solid">
          <rect x="40" y="46" width="22" height="76" class="metal" />
          <rect x="62" y="80" width="38" height="10" />
          <rect x="100" y="58" width="118" height="66" />
          <rect x="106" y="124" width="30" height="14" class="metal" />
          <rect x="190" y="124" width="30" height="14" class="metal" />
        </g>
        <rect :x="outboard ? 190 : 106" y="138" width="30" height="10" class="shim" />
        <path :d="`M${outboard ? 232 : 92} 152v-26m-5 8l5-8 5 8`" class="arrow" />
        <text x="108" y="166" class="cap">{{ outboard ? 'inboard, leave' : 'inboard, raise' }}</text>
        <text x="186" y="166" class="cap strong">{{ outboard ? 'outboard, raise' : 'outboard, leave' }}</text>
        <line x1="258" y1="8" x2="258" y2="170" class="rule" />
        <text x="266" y="20" class="cap strong">a stack a foot</text>
        <g v-for="(s, n) in first.shims" :key="n">
          <rect x="266" :y="138 - 26 * (n + 1)" width="26" height="24" class="shim" />
          <text x="298" :y="138 - 26 * n - 8" class="big">{{ s.number }}</text>
        </g>
        <text x="266" y="158" class="mid">= {{ first.figure.shown }}</text>
      </svg>
      <svg
        v-else-if="first.cures === 'toe'"
        viewBox="0 0 366 178"
        class="sheet picture"
        role="img"
        :aria-label="first.says"
      >
        <text x="10" y="18" class="cap">from above, drawn {{ times }} times</text>
        <g class="dash" :transform="`rotate(${-turned} 240 128)`">
          <rect x="212" y="34" width="56" height="92" />
          <rect x="214" y="142" width="52" height="14" />
        </g>
        <g class="solid">
          <rect x="212" y="34" width="56" height="92" />
          <rect x="236" y="126" width="8" height="16" />
          <rect x="214" y="142" width="52" height="14" class="metal" />
          <rect x="60" y="142" width="86" height="14" class="metal" />
          <rect x="204" y="40" width="72" height="14" class="metal" />
          <rect x="204" y="106" width="72" height="14" class="metal" />
        </g>
        <path :d="away ? 'M284 47h46m-10-6l10 6-10 6' : 'M196 47h-46m10-6l-10 6 10 6'" class="arrow" />
        <text x="10" y="134" class="cap">the other wheel</text>
        <text :x="away ? 290 : 60" y="74" class="big">{{ first.figure.shown }}</text>
        <text x="290" y="118" class="cap">inboard, held</text>
      </svg>
      <svg v-else viewBox="0 0 366 120" class="sheet picture" role="img" :aria-label="first.says">
        <g class="solid">
          <rect x="40" y="70" width="90" height="14" class="metal" />
          <rect x="230" y="44" width="70" height="14" class="metal" />
          <rect x="260" y="16" width="8" height="28" />
        </g>
        <line x1="20" y1="77" x2="346" y2="77" class="thin" />
        <path :d="first.way === 'outward' ? 'M265 60v18m-5-8l5 8 5-8' : 'M265 40v-20m-5 8l5-8 5 8'" class="arrow" />
        <text x="276" y="100" class="big">{{ first.figure.shown }}</text>
      </svg>
      <ul>
        <li v-for="b in first.besides" :key="b">{{ b }}</li>
        <li class="dim">{{ first.other_way }}</li>
        <li v-for="m in moves.slice(1)" :key="m.cures">
          <strong>Then {{ m.cures }}:</strong> {{ m.says }}
        </li>
      </ul>
    </template>
    <p v-else-if="within" class="does">In line.</p>
  </div>
</template>

<style scoped>
.moves {
  display: grid;
  gap: 8px;
}
.three {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: 1fr;
  border: 1px solid var(--ink);
  background: var(--sheet);
}
.three li {
  padding: 6px 8px 8px;
  border-right: 1px solid var(--line);
  display: grid;
  grid-template-columns: 20px 1fr;
  line-height: 1.2;
}
.three li:last-child {
  border-right: 0;
}
.three .dim {
  grid-column: 1 / 3;
  font-size: 0.875rem;
}
.three .now {
  box-shadow: inset 0 -5px var(--ink);
}
.three strong {
  font: 600 1.125rem var(--face-label);
}
.mark.hot {
  color: var(--hot);
}
.does {
  font: 600 1.5625rem/1.2 var(--face-label);
}
.picture {
  width: 100%;
}
.dash rect {
  fill: none;
  stroke: var(--dim);
  stroke-dasharray: 5 4;
}
.solid rect {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.8;
}
.solid .metal {
  fill: var(--metal);
}
.shim {
  fill: url(#shims);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.arrow {
  stroke: var(--ink);
  stroke-width: 3;
  fill: none;
}
.thin,
.floor {
  stroke: var(--ink);
  stroke-dasharray: 8 5;
}
.floor {
  stroke-dasharray: none;
  stroke-width: 2;
}
.rule {
  stroke: var(--line);
}
.cap {
  font: 500 14px var(--face-label);
  fill: var(--dim);
}
.strong {
  fill: var(--ink);
}
.mid {
  font: 600 15px var(--face-figure);
  fill: var(--ink);
}
.big {
  font: 600 17px var(--face-figure);
  fill: var(--ink);
}
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
