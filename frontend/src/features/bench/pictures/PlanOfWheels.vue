<script setup lang="ts">
import { figureOf, type Result } from './figure'

// Two wheels from above with a straightedge across the one: the other stands askew and to one side, more than life.
const props = defineProps<{ result: Result }>()
const gap = () => figureOf(props.result, 'gap_difference') ?? figureOf(props.result, 'angle')
const offset = () => figureOf(props.result, 'offset')
</script>

<template>
  <svg viewBox="0 0 640 226" role="img" aria-label="Two wheels from above, a straightedge across one">
    <path d="M92 20h16v186h-16z" class="metal" />
    <path d="M84 40h40v146H84z" class="metal" />
    <g transform="rotate(7 520 113)">
      <path d="M512 20h16v186h-16z" class="metal" />
      <path d="M492 40h40v146h-40z" class="metal" />
    </g>
    <path d="M124 34H600M124 192H600" class="thin dash" />
    <path d="M124 34V192" class="edge" />
    <path d="M524 34v20M513 192v-22" class="thin" />
    <text x="320" y="28" text-anchor="middle">a straightedge along this side of both</text>
    <text v-if="gap()" x="480" y="76" text-anchor="end" class="big">{{ gap()?.shown }}</text>
    <text v-if="gap()" x="480" y="99" text-anchor="end">between the two gaps, at most</text>
    <text v-if="offset()" x="480" y="138" text-anchor="end" class="big">{{ offset()?.shown }}</text>
    <text v-if="offset()" x="480" y="161" text-anchor="end">to one side, at most</text>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
.edge {
  stroke: var(--ink);
  stroke-width: 4;
}
</style>
