<script setup lang="ts">
// A state by its shape: disc fine, half disc watch, square act now, ring not yet. Its word stands beside it, or is said.
export type Mark = 'fine' | 'watch' | 'act' | 'none'
defineProps<{ state: Mark; said?: string }>()
</script>

<template>
  <svg
    width="18"
    height="18"
    viewBox="0 0 18 18"
    :role="said ? 'img' : undefined"
    :aria-label="said"
    :aria-hidden="!said"
  >
    <rect v-if="state === 'act'" x="2" y="2" width="14" height="14" fill="var(--hot)" />
    <template v-else>
      <circle
        cx="9"
        cy="9"
        r="6.6"
        :fill="state === 'fine' ? 'var(--ink)' : 'none'"
        stroke="var(--ink)"
        :stroke-width="state === 'none' ? 1.2 : 2"
      />
      <path v-if="state === 'watch'" d="M9 2.4a6.6 6.6 0 0 1 0 13.2z" fill="var(--ink)" />
    </template>
  </svg>
</template>

<style scoped>
svg {
  flex: none;
}
</style>
