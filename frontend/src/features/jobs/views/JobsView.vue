<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'

import { api, attempt } from '@/api/client'
import type { DueLine, JobLine, Problem } from '@/api/types'
import FaultList from '@/shared/ui/FaultList.vue'
import { clock, shortDate } from '@/shared/format/words'
import { setPlace } from '@/shared/state/place'

const jobs = ref<JobLine[]>()
const dues = ref<DueLine[]>([])
const problem = ref<Problem | null>(null)
onMounted(async () => {
  setPlace('', 'Jobs')
  const [a, b] = await Promise.all([attempt(api.GET('/api/jobs')), attempt(api.GET('/api/dues'))])
  if (a.ok) jobs.value = a.data.jobs
  else problem.value = a.problem
  if (b.ok) dues.value = b.data.dues
})
const open = computed(() => jobs.value?.filter((j) => j.state === 'open') ?? [])
const closed = computed(() => jobs.value?.filter((j) => j.state !== 'open').slice(0, 20) ?? [])
const begin = (d: DueLine) => `/drives/${d.drive_id}/jobs?template=${d.template}&due=${d.id}`
</script>

<template>
  <main class="page">
    <h1>Jobs</h1>
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
    <section class="sheet">
      <h2>Due</h2>
      <router-link v-for="d in dues" :key="d.id" :to="begin(d)" class="line">
        <strong
          ><span :class="{ hot: d.overdue }" aria-hidden="true">{{ d.overdue ? '■' : '○' }}</span> {{ d.title }}</strong
        >
        <span>{{ d.machine }} · {{ d.drive }}</span>
        <span class="dim">
          <template v-if="d.by_date"
            >{{ d.overdue ? 'was due' : 'by' }} {{ shortDate(d.by_date) }} {{ clock(d.by_date) }}</template
          >
          <template v-if="d.by_hours"> or at {{ d.by_hours }} running hours</template>
        </span>
      </router-link>
      <p v-if="!dues.length" class="dim">
        Nothing is due. A fit makes its own checks: after the first half hour, at 24 hours, at 50.
      </p>
    </section>
    <section v-if="closed.length" class="sheet">
      <h2>Closed</h2>
      <router-link v-for="j in closed" :key="j.id" :to="`/jobs/${j.id}`" class="line">
        <strong>{{ j.title }}</strong>
        <span>{{ j.machine }} · {{ j.drive }}</span>
        <span class="dim">{{ j.closed_at ? shortDate(j.closed_at) : '' }}</span>
      </router-link>
    </section>
    <p><router-link to="/jobs/templates" class="ways">How jobs are done here</router-link></p>
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
.hot {
  color: var(--hot);
}
@media (max-width: 700px) {
  .line {
    grid-template-columns: 1fr;
    padding: 8px 0;
  }
}
</style>
