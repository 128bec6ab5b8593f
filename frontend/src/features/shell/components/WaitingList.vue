<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import { entries } from '@/shared/state/outbox'
import { later } from '@/shared/ui/later'

// Saves that no server has answered yet, and those that were refused: seen here before they go.
const WaitingDrawer = later(() => import('./WaitingDrawer.vue'))
const open = ref(false)
const wanted = ref(false)
watch(open, () => (wanted.value = true), { once: true })
const refused = computed(() => entries.value.filter((e) => e.state === 'refused').length)
const words = computed(() => {
  const waits = entries.value.length - refused.value
  return [waits ? `${waits} not saved yet, kept here` : '', refused.value ? `${refused.value} refused` : '']
    .filter(Boolean)
    .join(' · ')
})
</script>

<template>
  <button v-if="entries.length" type="button" class="waiting" :class="{ refused }" @click="open = true">
    {{ words }}
  </button>
  <WaitingDrawer v-if="wanted" v-model="open" />
</template>

<style scoped>
.waiting {
  min-height: 44px;
  border: 2px solid var(--warm);
  background: var(--sheet);
  color: var(--ink);
  font: 600 0.9375rem var(--face-label);
  cursor: pointer;
}
.waiting.refused {
  border-color: var(--hot);
}
</style>
