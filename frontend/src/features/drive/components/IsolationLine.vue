<script setup lang="ts">
import { computed } from 'vue'

import type { Machine } from '@/api/types'
import IsolationList from '@/shared/ui/IsolationList.vue'

// The first line of every hands-on stage: what must be isolated, in words; it opens to the steps.
const props = defineProps<{ sources: Machine['energy_sources']; id: string }>()
const words = computed(() => {
  const points = props.sources.map((s) => s.isolation_point).filter(Boolean)
  if (!props.sources.length) return 'No isolation point is written down: find every one'
  return `${props.sources.length} to isolate: ${points.join(' · ')}`
})
</script>

<template>
  <details class="sheet line">
    <summary>
      <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
        <path d="M9 1.5 17 16H1z" fill="none" stroke="var(--warm)" stroke-width="2" />
        <path d="M9 7v4M9 12.6v1.6" stroke="var(--warm)" stroke-width="2" />
      </svg>
      <strong>Before a hand goes near.</strong>
      <span class="words">{{ words }}</span>
      <span class="open">steps</span>
    </summary>
    <IsolationList :sources="sources" />
    <p class="row make">
      <router-link class="way filled" :to="`/drives/${id}/jobs`">Make it safe: begin a job</router-link>
    </p>
  </details>
</template>

<style scoped>
.line {
  border-left: 6px solid var(--warm);
}
summary {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 44px;
  padding: 0 12px;
  cursor: pointer;
  list-style: none;
}
summary::-webkit-details-marker {
  display: none;
}
strong {
  font-weight: 600;
  white-space: nowrap;
}
.words {
  flex: 1;
  min-width: 0;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.open {
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 4px;
}
.make {
  padding: 8px 12px;
}
@media (max-width: 700px) {
  strong {
    display: none;
  }
}
</style>
