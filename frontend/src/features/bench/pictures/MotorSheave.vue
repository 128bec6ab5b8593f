<script setup lang="ts">
import { computed } from 'vue'

import { figureOf, type Result } from './figure'

// The motor with the smallest sheave its shaft and bearing stand; a smaller one is hatched.
const props = defineProps<{ result: Result }>()
const least = computed(() => figureOf(props.result, 'least_sheave'))
const face = computed(() => figureOf(props.result, 'widest_face'))
</script>

<template>
  <svg
    viewBox="0 0 900 300"
    role="img"
    :aria-label="`A motor with its sheave${least ? `: no smaller than ${least.shown}` : ''}`"
  >
    <path d="M300 50h330v170H300z" class="metal" />
    <path d="M330 70h270M330 96h270M330 122h270M330 148h270M330 174h270M330 200h270" class="thin" />
    <path d="M280 96h20v78h-20zM630 90h50v90h-50z" class="metal" />
    <path d="M330 220l-14 34h92l-14-34M540 220l-14 34h92l-14-34" class="metal" />
    <rect x="170" y="124" width="112" height="22" class="metal" />
    <path d="M184 74h70v122h-70z" class="metal" />
    <path d="M184 88h70M184 104h70M184 166h70M184 182h70" class="thin" />
    <path d="M150 74V196M145 79l10-10M145 201l10-10" class="thin" />
    <path d="M184 222H254M179 227l10-10M249 227l10-10" class="thin" />
    <text v-if="least" x="140" y="142" text-anchor="end" class="big">{{ least.shown }}</text>
    <text x="140" y="170" text-anchor="end">no smaller</text>
    <text v-if="face" x="219" y="256" text-anchor="middle" class="big">{{ face.shown }}</text>
    <text x="219" y="284" text-anchor="middle">no wider</text>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
svg {
  width: 100%;
}
</style>
