<script setup lang="ts">
import type { MainAnswer } from '@/api/types'

// The one number of a stage, across the width, with the condition without which it is of no use.
defineProps<{ row: MainAnswer; label: string }>()
const emit = defineEmits<{ how: [step: string, title: string] }>()
</script>

<template>
  <section class="sheet number" :aria-label="label">
    <p class="label">{{ label }}</p>
    <p class="main" :class="{ long: row.main.length > 12, longer: row.main.length > 20 }">
      <span class="figure">{{ row.main }}</span> <span class="unit">{{ row.unit }}</span>
    </p>
    <p v-if="row.how" class="how">{{ row.how }}</p>
    <button
      v-if="row.step"
      type="button"
      class="ask"
      :aria-label="`How come: ${label}`"
      @click="emit('how', row.step, label)"
    >
      how come?
    </button>
  </section>
</template>

<style scoped>
.number {
  display: grid;
  grid-template: 'label ask' auto 'main main' auto 'how how' auto / minmax(0, 1fr) auto;
  align-items: center;
  padding: 4px 18px 8px;
}
.label {
  grid-area: label;
}
.main {
  grid-area: main;
  line-height: 1.05;
}
.figure {
  font-size: 2.75rem;
  letter-spacing: -0.04em;
}
.long .figure {
  font-size: 2rem;
}
.longer .figure {
  font-size: 1.5rem;
}
.unit {
  font: 600 1.5rem var(--face-label);
}
.how {
  grid-area: how;
  font: 600 1.25rem/1.15 var(--face-label);
}
.ask {
  grid-area: ask;
  min-height: 44px;
  border: 0;
  background: none;
  color: var(--touch);
  font: 500 1rem var(--face-text);
  text-decoration: underline;
  text-underline-offset: 4px;
  cursor: pointer;
}
@media (max-width: 900px) {
  .number {
    padding: 0 12px 8px;
  }
  .figure {
    font-size: min(3.25rem, 14vw);
  }
  .long .figure {
    font-size: min(2.25rem, 10vw);
  }
  .longer .figure {
    font-size: min(1.75rem, 7vw);
  }
}
</style>
