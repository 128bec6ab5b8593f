<script setup lang="ts">
import { computed } from 'vue'

import { FAULTS } from './drawn'

// A fault as a fitter sketches it, from one parameter: how far it has gone; the good one beside it is the same drawing at nothing.
const props = withDefaults(defineProps<{ of: string; beside?: boolean; level?: number; silent?: boolean }>(), {
  level: 1,
})
const bad = computed(() => FAULTS[props.of]?.(props.level) ?? [])
const good = computed(() => FAULTS[props.of]?.(0) ?? [])
</script>

<template>
  <svg :viewBox="beside ? (silent ? '0 0 252 76' : '0 0 252 92') : '0 0 120 76'" class="fault" aria-hidden="true">
    <g>
      <path v-for="(m, k) in bad" :key="k" :d="m.d" :class="m.is" />
      <text v-if="beside && !silent" x="60" y="90">the fault</text>
    </g>
    <g v-if="beside" transform="translate(132 0)">
      <path v-for="(m, k) in good" :key="k" :d="m.d" :class="m.is" />
      <text v-if="!silent" x="60" y="90">a good one</text>
    </g>
  </svg>
</template>

<style scoped>
.fault {
  width: 100%;
  display: block;
}
path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.2;
  stroke-linejoin: round;
  stroke-linecap: round;
}
.thick {
  stroke-width: 2.2;
}
.hair {
  stroke-width: 0.8;
}
.metal {
  fill: var(--metal);
}
.belt {
  fill: var(--belt);
  fill-opacity: 0.55;
}
.dark {
  fill: var(--ink);
  stroke-width: 2;
}
.light {
  stroke: var(--sheet);
  fill: var(--sheet);
  stroke-width: 1.8;
}
.gone {
  stroke-dasharray: 3 2.4;
}
text {
  font: 500 11px var(--face-label);
  fill: var(--dim);
  text-anchor: middle;
}
</style>
