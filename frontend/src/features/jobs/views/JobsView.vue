<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'

import { api, attempt } from '@/api/client'
import type { JobLine, Problem } from '@/api/types'
import FaultList from '@/shared/ui/FaultList.vue'
import { shortDate } from '@/shared/format/words'
import { setPlace } from '@/shared/state/place'

const route = useRoute()
const jobs = ref<JobLine[]>()
const problem = ref<Problem | null>(null)
const of = computed(() =>
  route.query.by
    ? `of ${String(route.query.by)}`
    : route.query.on
      ? `on ${shortDate(`${String(route.query.on)}T12:00`)}`
      : '',
)
async function load() {
  setPlace('Jobs')
  const query = { by: String(route.query.by ?? ''), on: (route.query.on as string | undefined) || undefined }
  const got = await attempt(api.GET('/api/jobs', { params: { query } }))
  if (got.ok) jobs.value = got.data.jobs
  else problem.value = got.problem
}
onMounted(load)
watch(() => route.query, load)
const open = computed(() => jobs.value?.filter((j) => j.state === 'open') ?? [])
const closed = computed(() => jobs.value?.filter((j) => j.state !== 'open').slice(0, 20) ?? [])
</script>

<template>
  <main class="page">
    <h1>Jobs {{ of }}</h1>
    <p class="row">
      <router-link to="/round" class="ways">What is due: the Round</router-link>
      <router-link to="/jobs/templates" class="ways">How jobs are done here</router-link>
    </p>
    <p v-if="of"><router-link to="/jobs" class="ways">All jobs</router-link></p>
    <FaultList v-if="problem" :faults="[{ path: '', reason: problem.detail || problem.title, allowed: '' }]" />
    <section v-if="open.length" class="sheet">
      <h2>Open</h2>
      <router-link v-for="j in open" :key="j.id" :to="`/jobs/${j.id}`" class="line">
        <strong>{{ j.title }}</strong>
        <span>{{ j.machine }} · {{ j.drive }}</span>
        <span class="dim"
          >{{ j.steps_done }} of {{ j.steps_all }} steps · opened {{ shortDate(j.opened_at) }} by
          {{ j.opened_by || 'nobody named' }}</span
        >
      </router-link>
    </section>
    <section v-if="closed.length" class="sheet">
      <h2>Closed</h2>
      <router-link v-for="j in closed" :key="j.id" :to="`/jobs/${j.id}`" class="line">
        <strong>{{ j.title }}</strong>
        <span>{{ j.machine }} · {{ j.drive }}</span>
        <span class="dim">{{ j.closed_at ? shortDate(j.closed_at) : '' }}</span>
      </router-link>
    </section>
    <p v-if="jobs && !jobs.length" class="dim">No job yet. Open one from a drive: “Job at this drive”.</p>
  </main>
</template>

<style scoped>
section {
  padding: 12px 16px;
  display: grid;
}
.line {
  display: grid;
  grid-template-columns: 2fr 2fr 2fr;
  gap: 4px 12px;
  align-items: center;
  min-height: 56px;
  border-bottom: 1px solid var(--line);
  color: var(--ink);
  text-decoration: none;
}
.line strong {
  color: var(--touch);
}
.ways {
  display: inline-grid;
  align-items: center;
  min-height: 44px;
}
@media (max-width: 700px) {
  .line {
    grid-template-columns: 1fr;
    padding: 8px 0;
  }
}
</style>
