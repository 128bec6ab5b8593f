<script setup lang="ts">
import { computed } from 'vue'

import type { RepeatLine } from '@/api/types'

import { blocksOf, monthsOf } from '../logic/spans'

// A drive that breaks again: each block is one set, a cross where it failed, the open block is on it now.
const props = defineProps<{ line: RepeatLine }>()
const W = 340
const blocks = computed(() => blocksOf(props.line.loops, W))
const months = computed(() => monthsOf(props.line.loops, W))
const head = computed(() => props.line.says.split(':')[0])
const rest = computed(() => props.line.says.split(':')[1]?.trim() ?? '')
</script>

<template>
  <section class="sheet repeat">
    <p class="label">Breaks again · {{ line.machine }}, {{ line.drive }}</p>
    <h2>{{ head }}</h2>
    <svg :viewBox="`-6 0 ${W + 16} 62`" role="img" :aria-label="`${line.loops.length} sets, one after another`">
      <template v-for="(b, k) in blocks" :key="k">
        <rect :x="b.x" y="18" :width="b.width" height="18" :class="b.open ? 'on' : 'gone'" />
        <text v-if="b.width > 34" :x="b.x + b.width / 2" y="31" text-anchor="middle" class="span">{{ b.words }}</text>
        <path v-if="b.failed" :d="`M${b.x + b.width - 5} 4 l10 10 m0 -10 l-10 10`" class="cross" />
      </template>
      <line x1="0" :x2="W" y1="42" y2="42" class="axis" />
      <text v-for="(m, k) in months" :key="'m' + k" :x="m.x" y="57" text-anchor="middle" class="month">
        {{ m.letter }}
      </text>
    </svg>
    <p class="dim small">block: one set · cross: it failed · open: on it now</p>
    <p class="rest">{{ rest.charAt(0).toUpperCase() + rest.slice(1) }}</p>
    <div class="keys">
      <router-link :to="`/drives/${line.drive_id}/why`" class="way filled">Why did it fail?</router-link>
      <router-link :to="`/drives/${line.drive_id}/timeline`" class="way">Its timeline</router-link>
    </div>
  </section>
</template>

<style scoped>
.repeat {
  padding: 14px 16px;
  display: grid;
  gap: 6px;
}
h2 {
  color: var(--hot);
  font-size: 1.625rem;
}
svg {
  width: 100%;
}
.gone {
  fill: var(--metal);
  stroke: var(--ink);
  stroke-width: 1.4;
}
.on {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.4;
}
.cross {
  stroke: var(--ink);
  stroke-width: 2.6;
  fill: none;
}
.axis {
  stroke: var(--ink);
  stroke-width: 1.6;
}
.span,
.month {
  font: 500 13px var(--face-label);
  fill: var(--ink);
}
.small {
  font-size: 0.875rem;
}
.keys {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
.keys .way {
  flex: 1;
}
</style>
