<script setup lang="ts">
// A filled disc good, a half disc with care, a cross no.
defineProps<{ verdict: 'good' | 'limited' | 'no'; size?: number; says?: string }>()
</script>

<template>
  <svg
    :width="size ?? 18"
    :height="size ?? 18"
    viewBox="0 0 18 18"
    :role="says ? 'img' : undefined"
    :aria-label="says"
    :aria-hidden="says ? undefined : 'true'"
  >
    <path v-if="verdict === 'no'" d="M3 3l12 12M15 3L3 15" stroke="var(--ink)" stroke-width="2.4" />
    <template v-else>
      <circle
        cx="9"
        cy="9"
        r="6.6"
        :fill="verdict === 'good' ? 'var(--ink)' : 'none'"
        stroke="var(--ink)"
        stroke-width="2"
      />
      <path v-if="verdict === 'limited'" d="M9 2.4a6.6 6.6 0 0 1 0 13.2z" fill="var(--ink)" />
    </template>
  </svg>
</template>
