<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'

import { api, attempt } from '@/api/client'
import type { JobLine, Problem } from '@/api/types'
import FaultList from '@/shared/ui/FaultList.vue'
import { grouped } from '@/shared/format/grouped'
import { shortDate } from '@/shared/format/words'
import { setPlace } from '@/shared/state/place'

import OpenJob from '../components/OpenJob.vue'

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
// Closed ones by their day, each day once.
const days = computed(() => grouped(closed.value, (j) => (j.closed_at ? shortDate(j.closed_at) : 'put away')))
</script>

<template>
  <main class="page">
    <h1>Jobs {{ of }}</h1>
    <p class="row">
      <router-link to="/round" class="way">What is due: the Round</router-link>
      <router-link to="/jobs/templates" class="way">How jobs are done here</router-link>
      <router-link v-if="of" to="/jobs" class="way">All jobs</router-link>
    </p>
    <FaultList v-if="problem" :faults="[{ path: '', reason: problem.detail || problem.title, allowed: '' }]" />
    <section v-if="open.length" class="sheet" aria-labelledby="open-title">
      <h2 id="open-title">Open</h2>
      <OpenJob v-for="j in open" :key="j.id" :job="j" />
    </section>
    <section v-if="closed.length" class="sheet" aria-labelledby="closed-title">
      <h2 id="closed-title">Closed</h2>
      <template v-for="[day, own] in days" :key="day">
        <h3 class="figure">{{ day }}</h3>
        <router-link v-for="j in own" :key="j.id" :to="`/jobs/${j.id}`" class="line">
          <strong>{{ j.title }}</strong>
          <span>{{ j.machine }} · {{ j.drive }}</span>
          <span class="dim">by {{ j.opened_by || 'nobody named' }}</span>
        </router-link>
      </template>
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
  text-decoration: underline;
  text-underline-offset: 4px;
}
h3 {
  font-size: 1rem;
  color: var(--dim);
  padding-top: 10px;
}
@media (max-width: 700px) {
  .line {
    grid-template-columns: 1fr;
    padding: 8px 0;
  }
}
</style>
