<script setup lang="ts">
// How fit it is, as a bar: filled to the end, filled to the middle, an empty frame that is struck through. The word stands beside it.
defineProps<{ verdict: 'good' | 'limited' | 'no' }>()
const FULL = { good: 58, limited: 29, no: 0 } as const
</script>

<template>
  <svg width="60" height="12" viewBox="0 0 60 12" aria-hidden="true">
    <rect x="1" y="1" width="58" height="10" fill="none" stroke="var(--ink)" stroke-width="1.4" />
    <rect v-if="FULL[verdict]" x="1" y="1" :width="FULL[verdict]" height="10" fill="var(--ink)" />
    <path v-else d="M1 11L59 1" stroke="var(--ink)" stroke-width="1.4" />
  </svg>
</template>

<style scoped>
svg {
  flex: none;
  max-width: 100%;
}
</style>
