<script setup lang="ts">
import { figureOf, type Result } from './figure'

// Two wheels whose shafts stand at right angles: the one seen as a circle, the other on its edge, the belt twisting between.
const props = defineProps<{ result: Result }>()
const least = () => figureOf(props.result, 'least_centre')
</script>

<template>
  <svg viewBox="0 0 640 232" role="img" aria-label="A belt between shafts at right angles">
    <circle cx="160" cy="104" r="74" class="metal" />
    <circle cx="160" cy="104" r="8" class="solid" />
    <path d="M486 52h34v104h-34z" class="metal" />
    <path d="M503 20v32M503 156v32" class="shaft" />
    <path d="M160 27L486 96L486 112L160 181" class="belt" />
    <path d="M150 30L486 82" class="twist" />
    <path d="M160 204H503M155 209l10-10M498 209l10-10" class="thin" />
    <text x="634" y="96" text-anchor="end">on its edge</text>
    <text x="634" y="120" text-anchor="end">from here</text>
    <text v-if="least()" x="330" y="226" text-anchor="middle" class="big">{{ least()?.shown }} or more</text>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
.shaft {
  stroke: var(--ink);
  stroke-width: 12;
}
.belt {
  fill: none;
  stroke: var(--belt);
  stroke-width: 5;
}
.twist {
  stroke: var(--belt);
  stroke-width: 2;
}
</style>
