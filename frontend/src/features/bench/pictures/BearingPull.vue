<script setup lang="ts">
import { computed } from 'vue'

import { figureOf, type Result } from './figure'

// A shaft with its two bearings and the sheave outside them; arrows as long as what they carry.
const props = defineProps<{ result: Result }>()
const near = computed(() => figureOf(props.result, 'near_bearing'))
const far = computed(() => figureOf(props.result, 'far_bearing'))
const most = computed(() => Math.max(Math.abs(near.value?.value ?? 1), Math.abs(far.value?.value ?? 0.4)))
const long = (v: number | undefined, usual: number) => (v === undefined ? usual : 26 + (64 * Math.abs(v)) / most.value)
const X = { sheave: 180, near: 380, far: 740 }
</script>

<template>
  <svg
    viewBox="0 0 900 280"
    role="img"
    :aria-label="`Shaft on two bearings${near ? `: near ${near.shown}, far ${far?.shown}` : ''}`"
  >
    <rect x="130" y="106" width="660" height="20" class="metal" />
    <path d="M150 66h60v100h-60z" class="metal" />
    <path d="M150 78h60M150 92h60M150 140h60M150 154h60" class="thin" />
    <g v-for="x in [X.near, X.far]" :key="x">
      <rect :x="x - 26" y="84" width="52" height="64" class="metal" />
      <circle :cx="x" cy="96" r="9" class="sheet" />
      <circle :cx="x" cy="136" r="9" class="sheet" />
      <path :d="`M${x - 40} 150h80`" class="thick" />
    </g>
    <path d="M180 166v62M172 216l8 13 8-13" class="arrow" />
    <path
      :d="`M${X.near} ${82 - long(near?.value, 60)}V82M${X.near - 8} 70l8 13 8-13`"
      class="arrow"
      transform="rotate(180 380 60)"
    />
    <path
      :d="`M${X.far} 152V${152 + long(far?.value, 40)}M${X.far - 8} ${140 + long(far?.value, 40)}l8 13 8-13`"
      class="arrow"
    />
    <text v-if="near" :x="X.near + 16" y="40" class="big">{{ near.shown }}</text>
    <text v-if="far" :x="X.far + 16" y="206" class="big">{{ far.shown }}</text>
    <text :x="X.near" y="176" text-anchor="middle">near</text>
    <text :x="X.far" y="76" text-anchor="middle">far</text>
    <path d="M180 250H380M380 250H740M175 255l10-10M375 255l10-10M735 255l10-10" class="thin" />
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
svg {
  width: 100%;
}
.sheet {
  fill: var(--sheet);
  stroke: var(--ink);
}
.thick {
  stroke: var(--ink);
  stroke-width: 3;
}
.arrow {
  stroke: var(--ink);
  stroke-width: 3.4;
  fill: none;
}
</style>
