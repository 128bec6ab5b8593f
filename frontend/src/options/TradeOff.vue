<script setup lang="ts">
import { computed } from 'vue'

import type { Option } from '@/api/types'

import { field } from './trade'

// What each option costs the shaft and the room: down and to the left is better; a bubble grows with the power to spare.
const props = defineProps<{ options: Option[]; picked: string; keyOf: (o: Option) => string }>()
const emit = defineEmits<{ open: [key: string] }>()
const W = 900
const H = 300
const INSET = { left: 74, bottom: 46, top: 20, right: 24 }
const drawn = computed(() => field(props.options, props.keyOf, W, H, INSET))
const units = computed(() => ({
  x: props.options[0]?.width.unit_shown ?? '',
  y: props.options[0]?.shaft_load.unit_shown ?? '',
}))
const number = computed(() => new Map(props.options.map((o, k) => [props.keyOf(o), k + 1])))
</script>

<template>
  <figure class="sheet trade">
    <figcaption class="label">
      Shaft load against width. Left and low is better, a larger circle has more to spare; circles that would hide each
      other stand side by side. Touch one to see it.
    </figcaption>
    <div class="scroll">
      <svg :viewBox="`0 0 ${W} ${H}`" role="group" aria-label="Options by shaft load and width">
        <g v-for="t in drawn.ys" :key="'y' + t.text">
          <line :x1="INSET.left" :x2="W - INSET.right" :y1="t.at" :y2="t.at" class="grid" />
          <text :x="INSET.left - 8" :y="t.at + 5" text-anchor="end">{{ t.text }}</text>
        </g>
        <g v-for="t in drawn.xs" :key="'x' + t.text">
          <line :y1="INSET.top" :y2="H - INSET.bottom" :x1="t.at" :x2="t.at" class="grid" />
          <text :x="t.at" :y="H - INSET.bottom + 19" text-anchor="middle">{{ t.text }}</text>
        </g>
        <text :x="INSET.left - 8" :y="INSET.top - 5" text-anchor="end" class="unit">{{ units.y }}</text>
        <text :x="W - INSET.right" :y="H - 8" text-anchor="end" class="unit">face width, {{ units.x }}</text>
        <g
          v-for="b in drawn.bubbles"
          :key="b.key"
          class="bubble"
          :class="{ picked: picked === b.key }"
          role="button"
          tabindex="0"
          :aria-label="b.label"
          @click="emit('open', b.key)"
          @keydown.enter.prevent="emit('open', b.key)"
          @keydown.space.prevent="emit('open', b.key)"
        >
          <title>{{ b.label }}</title>
          <circle :cx="b.x" :cy="b.y" r="20" class="reach" />
          <circle :cx="b.x" :cy="b.y" :r="b.r" class="disc" />
          <text :x="b.x" :y="b.y + 6" text-anchor="middle" class="no">{{ number.get(b.key) }}</text>
        </g>
      </svg>
    </div>
  </figure>
</template>

<style scoped>
.trade {
  margin: 0;
  padding: 10px 14px;
}
.scroll {
  overflow-x: auto;
}
svg {
  width: 100%;
  min-width: 520px;
  display: block;
}
.grid {
  stroke: var(--line);
  stroke-dasharray: 3 5;
}
text {
  font: 15px var(--face-figure);
  fill: var(--ink);
}
.unit {
  font-family: var(--face-label);
}
.bubble {
  cursor: pointer;
}
.reach {
  fill: transparent;
}
.disc {
  fill: var(--panel);
  fill-opacity: 0.85;
  stroke: var(--ink);
  stroke-width: 2.4;
}
.picked .disc {
  stroke: var(--touch);
  stroke-width: 5;
}
.bubble:focus-visible {
  outline: none;
}
.bubble:focus-visible .disc {
  stroke: var(--touch);
  stroke-width: 4;
}
.no {
  font-weight: 600;
  font-size: 1.0625rem;
}
</style>
