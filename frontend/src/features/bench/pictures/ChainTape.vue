<script setup lang="ts">
import { computed } from 'vue'

import { figureOf, type Result } from './figure'

// The chain under a tape: its last inches, where new, worn out and the reading lie a hand's breadth apart.
const props = defineProps<{ result: Result; us: boolean }>()
const W = 900
const fresh = computed(() => figureOf(props.result, 'length_new'))
const limit = computed(() => figureOf(props.result, 'length_at_limit'))
const stretch = computed(() => figureOf(props.result, 'elongation'))
// What the tape shows: from an inch before the new length to half an inch past what is worn out or was read.
const read = computed(() =>
  fresh.value && stretch.value ? fresh.value.value * (1 + stretch.value.value / 100) : undefined,
)
const unit = computed(() => (props.us ? 25.4 : 10))
const from = computed(() => {
  if (!fresh.value || !limit.value) return undefined
  const most = Math.max(limit.value.value, read.value ?? 0)
  const low =
    Math.floor((Math.min(fresh.value.value, read.value ?? Infinity) - 0.6 * unit.value) / unit.value) * unit.value
  return { low, high: Math.ceil((most + 0.3 * unit.value) / unit.value) * unit.value }
})
const X0 = 250
const x = (mm: number) =>
  from.value ? X0 + ((W - X0 - 30) * (mm - from.value.low)) / (from.value.high - from.value.low) : X0
const marks = computed(() => {
  if (!from.value) return []
  const parts = props.us ? 16 : 10
  const n = Math.round(((from.value.high - from.value.low) / unit.value) * parts)
  return Array.from({ length: n + 1 }, (_, k) => ({
    at: x((from.value?.low ?? 0) + (k * unit.value) / parts),
    whole: k % parts === 0 ? Math.round(((from.value?.low ?? 0) + (k * unit.value) / parts) / unit.value) : undefined,
    long: k % parts === 0 ? 30 : k % (parts / 2) === 0 ? 21 : props.us && k % 4 === 0 ? 15 : 9,
  }))
})
const pins = computed(() => {
  const last = read.value ?? fresh.value?.value
  return last === undefined
    ? [60, 150, 690, 780, 870]
    : [60, 150, x(last) - 180, x(last) - 90, x(last)].filter((p, k) => k < 2 || p > 230)
})
</script>

<template>
  <svg
    :viewBox="`0 0 ${W} 236`"
    role="img"
    :aria-label="`Chain under a tape${fresh ? `: new ${fresh.shown}, worn out ${limit?.shown}` : ''}`"
  >
    <g v-if="from">
      <rect x="20" y="52" :width="W - 40" height="46" class="tape" />
      <path d="M196 46l10 16-10 16 10 16-8 10" class="break" />
      <text x="66" y="74" class="number">0</text>
      <path d="M60 98v-30" class="mark" />
      <template v-for="m in marks" :key="m.at">
        <path :d="`M${m.at} 98v-${m.long}`" class="mark" />
        <text v-if="m.whole !== undefined" :x="m.at - 4" y="72" text-anchor="end" class="number">{{ m.whole }}</text>
      </template>
      <g v-if="fresh && limit">
        <path :d="`M${x(fresh.value)} 34V98`" class="thin dash" />
        <text :x="x(fresh.value) - 4" y="30" text-anchor="end">new {{ fresh.number }}</text>
        <path :d="`M${x(limit.value)} 20V98`" class="limit" />
        <text :x="x(limit.value) + 4" y="20" class="bad">worn out {{ limit.number }}</text>
      </g>
      <path v-if="read !== undefined" :d="`M${x(read)} 52V150M60 98V150`" class="thin" />
    </g>
    <g v-for="(p, k) in pins" :key="k">
      <path v-if="k !== 1 && k < pins.length - 1" :d="`M${p} 132h90v36h-90z`" class="plate" />
      <circle :cx="p" cy="150" r="25" class="plate" />
      <circle :cx="p" cy="150" r="10" class="pin" />
    </g>
    <path d="M196 126q8 12 0 24t0 24M206 126q8 12 0 24t0 24" class="break" />
    <path :d="`M60 186V222M${pins.at(-1)} 186V222M60 210H${pins.at(-1)}`" class="thin" />
    <path :d="`M55 215l10-10M${(pins.at(-1) ?? 0) - 5} 215l10-10`" class="break" />
    <text x="40" y="20" class="dim">pull it tight</text>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
svg {
  width: 100%;
}
.number {
  font: 600 20px var(--face-figure);
}
.bad {
  fill: var(--hot);
  font-weight: 600;
}
.tape {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.mark {
  stroke: var(--ink);
  stroke-width: 1.2;
}
.limit {
  stroke: var(--hot);
  stroke-width: 2;
}
.break {
  stroke: var(--ink);
  stroke-width: 2;
  fill: none;
}
.plate {
  fill: var(--metal);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.pin {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 2;
}
</style>
