<script setup lang="ts">
import type { Machine } from '@/api/types'

defineProps<{ sources: Machine['energy_sources'] }>()
</script>

<template>
  <section class="isolation" aria-label="Isolation">
    <h2>Before a hand goes near</h2>
    <ol v-if="sources.length">
      <li v-for="s in sources" :key="s.id">
        <strong>{{ s.type }}</strong> · {{ s.isolation_point }}<span v-if="s.steps" class="dim"> · {{ s.steps }}</span>
      </li>
    </ol>
    <p v-else>
      No energy source is written down for this machine. Find and isolate every one, prove it dead, then write it down.
    </p>
    <p class="dim">Guard off only after that. Local rules and licensed trades come first.</p>
  </section>
</template>

<style scoped>
h2 {
  font-size: 1.125rem;
}
.isolation {
  border-left: 5px solid var(--warm);
  background: var(--panel);
  padding: 8px 12px;
}
ol {
  margin: 2px 0;
  padding-left: 20px;
}
strong {
  font-weight: 600;
}
</style>
