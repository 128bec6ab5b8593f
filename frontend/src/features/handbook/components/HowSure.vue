<script setup lang="ts">
import { computed } from 'vue'

import { sureness } from '../logic/sketch'

// How sure a subject is, as a bar: solid is high, hatched medium, open low. The counts stand under it.
const props = defineProps<{ of: readonly { confidence: string }[] }>()
const parts = computed(() => sureness(props.of))
</script>

<template>
  <div class="sure">
    <span class="measure" aria-hidden="true"
      ><span v-for="p in parts" :key="p.word" :class="p.word" :style="{ width: `${p.part * 100}%` }"
    /></span>
    <span class="dim"
      >Confidence:
      <template v-for="(p, k) in parts" :key="p.word"
        >{{ k ? ', ' : '' }}<b class="figure">{{ p.count }}</b> {{ p.word }}</template
      ></span
    >
  </div>
</template>

<style scoped>
.sure {
  display: grid;
  gap: 3px;
  max-width: 420px;
}
.measure {
  display: flex;
  height: 14px;
  border: 1.5px solid var(--ink);
}
.high {
  background: var(--ink);
}
.medium {
  background: repeating-linear-gradient(135deg, var(--ink) 0 1.5px, var(--sheet) 1.5px 6px);
}
.low {
  background: var(--sheet);
}
.figure {
  color: var(--ink);
}
</style>
