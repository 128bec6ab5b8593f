<script setup lang="ts">
import { figureOf, type Result } from './figure'

// Two chains of one pitch side by side from a common pin: what one has grown over the other shows at the far end.
const props = defineProps<{ result: Result }>()
const apart = () => figureOf(props.result, 'difference')
// Drawn eight times too much, to be seen.
const grown = (name: string) => 1 + Math.min(Math.max(((figureOf(props.result, name)?.value ?? 0.5) * 8) / 100, 0), 0.3)
const pins = (share: number) => Array.from({ length: 9 }, (_, k) => 60 + k * 48 * share)
</script>

<template>
  <svg
    viewBox="0 0 640 226"
    role="img"
    :aria-label="`Two chains side by side${apart() ? `: ${apart()?.shown} apart` : ''}`"
  >
    <g
      v-for="[name, y, says] in [
        ['drive_growth', 64, 'drive chain'],
        ['driven_growth', 156, 'the chain it drives'],
      ] as const"
      :key="name"
    >
      <path :d="`M60 ${y}H${pins(grown(name))[8]}`" class="plate" />
      <circle v-for="x in pins(grown(name))" :key="x" :cx="x" :cy="y" r="9" class="metal" />
      <text x="60" :y="y + 34">{{ says }}</text>
      <text v-if="figureOf(result, name)" x="620" :y="y + 6" text-anchor="end" class="big">
        + {{ figureOf(result, name)?.shown }}
      </text>
    </g>
    <path d="M60 30V186" class="thin dash" />
    <path :d="`M${pins(grown('drive_growth'))[8]} 64V110M${pins(grown('driven_growth'))[8]} 110V156`" class="thin" />
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
.plate {
  stroke: var(--metal);
  stroke-width: 24;
}
</style>
