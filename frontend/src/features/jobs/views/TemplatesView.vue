<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'

import { api, attempt } from '@/api/client'
import type { Problem, TemplateHead } from '@/api/types'
import FaultList from '@/shared/ui/FaultList.vue'
import { setPlace } from '@/shared/state/place'

const all = ref<TemplateHead[]>()
const problem = ref<Problem | null>(null)
onMounted(async () => {
  setPlace('How jobs are done here')
  const got = await attempt(api.GET('/api/templates'))
  if (got.ok) all.value = got.data.templates
  else problem.value = got.problem
})
const kinds = computed(() => [...new Set(all.value?.map((t) => t.kind) ?? [])])
const of = (kind: string) => all.value?.filter((t) => t.kind === kind) ?? []
const words = (kind: string) => kind.replaceAll('-', ' ')
</script>

<template>
  <main class="page">
    <h1>How jobs are done here</h1>
    <p class="dim">
      Each job goes by one of these. Who leads the shop may change one: its own copy serves from then on, the shipped
      one stays and can be put back. Jobs that are open keep their steps.
    </p>
    <FaultList v-if="problem" :faults="[{ path: '', reason: problem.detail || problem.title, allowed: '' }]" />
    <section v-for="k in kinds" :key="k" class="sheet">
      <h2>{{ words(k).charAt(0).toUpperCase() + words(k).slice(1) }}</h2>
      <router-link v-for="t in of(k)" :key="t.key" :to="`/jobs/templates/${t.key}`" class="line">
        <strong>{{ t.title }}</strong>
        <span class="dim">{{ t.families.map(words).join(', ') }}</span>
        <span
          ><span class="figure">{{ t.steps }}</span> steps · <span class="figure">{{ t.minutes }}</span> min</span
        >
        <span v-if="t.own" class="own">changed here{{ t.changed_by ? ` by ${t.changed_by}` : '' }}</span>
      </router-link>
    </section>
  </main>
</template>

<style scoped>
section {
  padding: 12px 16px;
  display: grid;
}
.line {
  display: grid;
  grid-template-columns: 3fr 2fr auto auto;
  gap: 4px 14px;
  align-items: center;
  min-height: 52px;
  border-bottom: 1px solid var(--line);
  color: var(--ink);
  text-decoration: none;
}
.line strong {
  color: var(--touch);
  font-weight: 600;
}
.own {
  font-weight: 600;
}
@media (max-width: 700px) {
  .line {
    grid-template-columns: 1fr;
    padding: 8px 0;
  }
}
</style>
