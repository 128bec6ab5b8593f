<script setup lang="ts">
import { computed } from 'vue'

import type { Fault } from './moves'

// Each fault against what is allowed: the limits stand at the same place for all three, so that the eye finds the worst.
const props = defineProps<{ faults: Fault[]; before: Fault[] }>()
const LIMIT = 30
const bars = computed(() =>
  props.faults.map((f) => {
    const was = props.before.find((b) => b.name === f.name)
    const at = (v: number) => Math.max(2, Math.min(98, 50 + (LIMIT * v) / (f.limit.value || 1)))
    const share = Math.round((100 * Math.abs(f.found.value)) / (f.limit.value || 1))
    return { f, was, now: at(f.found.value), then: was ? at(was.found.value) : null, share }
  }),
)
</script>

<template>
  <ul class="bars">
    <li v-for="b in bars" :key="b.f.name">
      <strong>{{ b.f.name }}</strong>
      <span class="figure">{{ b.f.found.shown.replace('-', '') }}</span>
      <span v-if="b.was" class="dim">was {{ b.was.found.shown.replace('-', '') }}</span>
      <svg viewBox="0 0 100 12" role="img" :aria-label="`${b.f.name}: ${b.share} % of the limit`">
        <defs>
          <pattern id="over" width="2" height="2" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line x1="0" y1="0" x2="0" y2="2" class="hatch" />
          </pattern>
        </defs>
        <rect x="0" y="2" :width="50 - LIMIT" height="7" fill="url(#over)" />
        <rect :x="50 + LIMIT" y="2" :width="50 - LIMIT" height="7" fill="url(#over)" />
        <rect :x="50 - LIMIT" y="2" :width="2 * LIMIT" height="7" class="ok" />
        <path d="M0 9h100M50 2v8" class="axis" />
        <path :d="`M${50 - LIMIT} 2v8M${50 + LIMIT} 2v8`" class="axis" />
        <path v-if="b.then !== null" :d="`M${b.then} 8.6l-1.8 -4.2h3.6z`" class="then" />
        <path :d="`M${b.now} 8.6l-2 -5h4z`" class="now" />
      </svg>
      <span :class="{ hot: !b.f.within }"
        ><span aria-hidden="true">{{ b.f.within ? '●' : '■' }}</span> {{ b.share }} % of {{ b.f.limit.shown }}</span
      >
    </li>
  </ul>
</template>

<style scoped>
.bars {
  list-style: none;
  margin: 0;
  padding: 8px 10px;
  border: 1px solid var(--ink);
  background: var(--sheet);
  display: grid;
  gap: 6px;
}
.bars li {
  display: grid;
  grid-template-columns: 58px 112px minmax(0, 460px) 1fr;
  align-items: center;
  gap: 2px 8px;
}
.bars .figure {
  font: 600 1.1875rem var(--face-figure);
}
.bars strong {
  font: 600 1.125rem var(--face-label);
}
.bars .dim {
  grid-row: 2;
  grid-column: 1 / 3;
  font-size: 0.875rem;
  margin-top: -4px;
}
svg {
  width: 100%;
  height: 34px;
}
.ok {
  fill: var(--panel);
}
.axis {
  stroke: var(--ink);
  stroke-width: 0.5;
  fill: none;
}
.hatch {
  stroke: var(--hot);
  stroke-width: 0.7;
}
.now {
  fill: var(--ink);
}
.then {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 0.4;
}
.hot {
  color: var(--hot);
}
@media (max-width: 560px) {
  .bars li {
    grid-template-columns: 54px 112px 1fr;
  }
  .bars svg {
    grid-column: 1 / 4;
    grid-row: 2;
  }
  .bars .dim {
    grid-row: 3;
    grid-column: 1 / 4;
  }
}
</style>
