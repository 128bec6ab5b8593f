<script setup lang="ts">
import { figureOf, type Figure, type Result } from './figure'

// A motor's plate, and how far its rotor falls behind the field: the whole turn, and the share it slips.
const props = defineProps<{ result: Result }>()
const loaded = () => figureOf(props.result, 'full_load_low')
const field = () => props.result?.synchronous as Figure | undefined
const share = () => {
  const [a, b] = [loaded()?.value, field()?.value]
  return a && b ? a / b : 0.96
}
</script>

<template>
  <svg
    viewBox="0 0 640 226"
    role="img"
    :aria-label="`The plate of a motor${loaded() ? `: ${loaded()?.shown} loaded` : ''}`"
  >
    <path d="M40 40h250v146H40z" class="paper thin" />
    <circle
      v-for="[x, y] in [
        [52, 52],
        [278, 52],
        [52, 174],
        [278, 174],
      ]"
      :key="`${x} ${y}`"
      :cx="x"
      :cy="y"
      r="4"
      class="solid"
    />
    <path d="M62 76h96M62 104h96M62 132h70M180 132h86M62 160h120" class="thin" />
    <rect x="176" y="62" width="92" height="48" class="metal" />
    <text x="222" y="80" text-anchor="middle">RPM</text>
    <text v-if="loaded()" x="222" y="102" text-anchor="middle" class="big">{{ loaded()?.number }}</text>
    <text x="340" y="72">its field</text>
    <rect x="340" y="82" width="260" height="24" class="metal" />
    <text x="340" y="142">loaded</text>
    <rect x="340" y="152" :width="260 * share()" height="24" class="solid" />
    <text v-if="field()" x="600" y="72" text-anchor="end" class="big">{{ field()?.shown }}</text>
    <text v-if="loaded()" x="600" y="142" text-anchor="end" class="big">{{ loaded()?.shown }}</text>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>
