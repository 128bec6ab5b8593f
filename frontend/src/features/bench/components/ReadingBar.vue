<script setup lang="ts">
import { computed } from 'vue'

import type { components } from '@/api/schema'

// A reading on its scale with the limits on it.
const props = defineProps<{ bar: components['schemas']['BarOut'] }>()
const W = 640
const x = (v: number) => 14 + ((W - 28) * (v - props.bar.low)) / (props.bar.high - props.bar.low)
const zones = computed(() => props.bar.zones.map((z) => ({ ...z, a: x(z.low), b: x(z.high) })))
const label = computed(() => Math.min(Math.max(x(props.bar.reading), 44), W - 44))
</script>

<template>
  <svg
    :viewBox="`0 0 ${W} 124`"
    role="img"
    :aria-label="`${bar.shown} on a scale: ${bar.zones.map((z) => z.word).join(', ')}`"
  >
    <defs>
      <pattern id="bar-act" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="8" stroke="var(--hot)" stroke-width="2.6" />
      </pattern>
      <pattern id="bar-watch" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="8" stroke="var(--warm)" stroke-width="1.3" />
      </pattern>
    </defs>
    <text :x="label" y="18" text-anchor="middle" class="now">{{ bar.shown }}</text>
    <path :d="`M${x(bar.reading) - 8} 24h16l-8 13z`" class="solid" />
    <template v-for="z in zones" :key="z.word">
      <rect
        :x="z.a"
        y="40"
        :width="z.b - z.a"
        height="32"
        :class="z.state"
        :fill="z.state === 'act' ? 'url(#bar-act)' : z.state === 'watch' ? 'url(#bar-watch)' : 'var(--metal)'"
      />
    </template>
    <rect :x="x(bar.low)" y="46" :width="Math.max(x(bar.reading) - x(bar.low), 2)" height="20" class="solid" />
    <rect :x="x(bar.low)" y="40" :width="W - 28" height="32" class="frame" />
    <template v-for="m in bar.marks" :key="m.at">
      <path :d="`M${x(m.at)} 72v8`" class="tick" />
      <text :x="x(m.at)" y="95" text-anchor="middle" class="number">{{ m.number }}</text>
    </template>
    <text v-for="z in zones" :key="'w' + z.word" :x="(z.a + z.b) / 2" y="120" text-anchor="middle" :class="z.state">
      {{ z.b - z.a > 40 ? z.word : '' }}
    </text>
    <text :x="W - 4" y="95" text-anchor="end">{{ bar.unit }}</text>
  </svg>
</template>

<style scoped>
svg {
  overflow: visible;
  width: 100%;
  max-width: 760px;
}
text {
  fill: var(--ink);
  font: 500 15px var(--face-label);
}
.now {
  font: 600 20px var(--face-figure);
}
.number {
  font: 500 15px var(--face-figure);
}
.solid {
  fill: var(--ink);
}
.frame {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}
.tick {
  stroke: var(--ink);
}
/* On a phone the bar is drawn at half its size: its words are not. */
@media (max-width: 700px) {
  svg {
    margin-top: 10px;
  }
  text {
    font-size: 25px;
  }
  .now {
    font-size: 30px;
  }
  .number {
    font-size: 25px;
  }
}
text.act {
  fill: var(--hot);
  font-weight: 600;
}
rect.act {
  stroke: var(--hot);
}
</style>
