<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'

import { api, attempt } from '@/api/client'
import type { Job, Problem, TemplateList } from '@/api/types'
import FaultList from '@/shared/ui/FaultList.vue'
import { keyWords } from '@/shared/format/words'
import { carriedNote, leaveNote } from '@/shared/state/benchNote'
import { newId } from '@/shared/state/kept'
import { save } from '@/shared/state/outbox'
import { wayOfDrive } from '@/shared/state/knownDrives'
import { setPlace } from '@/shared/state/place'
import { useSettings } from '@/shared/state/settings'

import { eventOf } from '../logic/happened'

const props = defineProps<{ id: string }>()
const route = useRoute()
const router = useRouter()
const settings = useSettings()
const list = ref<TemplateList>()
const problem = ref<Problem | null>(null)
const picked = ref(String(route.query.template ?? ''))
const takeUp = ref<string>()
const mounting = ref<string>()
const answers = ref<Record<string, boolean>>({})
const busy = ref(false)
const note = ref(carriedNote())
const template = computed(() => list.value?.templates.find((t) => t.key === picked.value))
const kinds: Record<string, string> = {
  retension: 'Set it again',
  fit: 'Put new ones on',
  align: 'Line it up',
  'run-in': 'After the first hours',
  speed: 'Change its speed',
  inspect: 'Look it over',
  replace: 'Change a part',
  'find-cause': 'Find out why',
  lubricate: 'Oil it',
  free: 'Something else',
}
onMounted(async () => {
  setPlace('A job at this drive', wayOfDrive(props.id))
  const got = await attempt(api.GET('/api/drives/{ident}/templates', { params: { path: { ident: props.id } } }))
  if (!got.ok) {
    problem.value = got.problem
    return
  }
  list.value = got.data
  takeUp.value = got.data.take_up ?? undefined
  mounting.value = got.data.mounting ?? undefined
})
async function open() {
  busy.value = true
  const body = {
    id: newId(),
    template: picked.value,
    take_up: takeUp.value || null,
    mounting: mounting.value || null,
    answers: answers.value,
    recheck: settings.recheck,
    due_id: (route.query.due as string | undefined) ?? null,
    created_by_name: settings.name,
  }
  const url = `/api/drives/${props.id}/jobs?units=${settings.units}`
  const got = await save<Job>('POST', url, body, 'a job that was opened')
  if (got.ok) {
    await writeDown(got.data)
    void router.replace(`/jobs/${got.data.id}`)
  } else problem.value = got.problem
  busy.value = false
}
/** What the bench said stands at the last thing that is done: there the record is written up. */
async function writeDown(job: Job) {
  const at = job.steps.findLast((s) => s.kind === 'do') ?? job.steps.at(-1)
  if (!note.value || !at) return
  const said = eventOf({ step: at.key, kind: 'noted', reason: note.value.says })
  const got = await save<Job>('POST', `/api/jobs/${job.id}/events`, said, `noted at ${job.title}`)
  // Where it was refused it is still here for the next job.
  if (got.ok || got.problem.kept) drop()
}
function drop() {
  leaveNote()
  note.value = undefined
}
// Asked once for a drive: pressed again, a word is taken back.
const questions = computed(() => [
  { title: 'How is it tensioned?', words: list.value?.take_ups ?? [], picked: takeUp },
  { title: 'How do the wheels sit?', words: list.value?.mountings ?? [], picked: mounting },
])
</script>

<template>
  <main class="page start">
    <h1>What is to be done?</h1>
    <FaultList
      v-if="problem"
      :faults="
        problem.errors.length ? problem.errors : [{ path: '', reason: problem.detail || problem.title, allowed: '' }]
      "
    />
    <p v-if="note" class="sheet note">
      <span><span class="label">From the bench, into the record of this job</span>{{ note.says }}</span>
      <button type="button" class="key" @click="drop">Leave it out</button>
    </p>
    <template v-if="list">
      <div role="radiogroup" aria-label="Jobs for this drive" class="jobs">
        <button
          v-for="t in list.templates"
          :key="t.key"
          type="button"
          role="radio"
          class="sheet job"
          :class="{ here: t.key === picked }"
          :aria-checked="t.key === picked"
          @click="picked = t.key"
        >
          <span class="label">{{ kinds[t.kind] ?? keyWords(t.kind) }}</span>
          <strong>{{ t.title }}</strong>
          <span class="dim">about {{ t.minutes }} min{{ t.own ? ' · changed by your lead' : '' }}</span>
        </button>
      </div>
      <template v-if="template">
        <div v-for="q in questions" :key="q.title" role="radiogroup" :aria-label="q.title" class="chips">
          <span class="label">{{ q.title }}</span>
          <button
            v-for="w in q.words"
            :key="w"
            type="button"
            role="radio"
            class="chip"
            :aria-checked="q.picked.value === w"
            @click="q.picked.value = q.picked.value === w ? undefined : w"
          >
            {{ keyWords(w) }}
          </button>
        </div>
        <p class="dim">Left open, every step shows. It is asked once for a drive.</p>
        <div v-if="template.asks.length" class="chips">
          <button
            v-for="q in template.asks"
            :key="q"
            type="button"
            class="chip"
            :aria-pressed="answers[q] === true"
            @click="answers = { ...answers, [q]: !answers[q] }"
          >
            {{ q }} {{ answers[q] ? 'Yes' : 'No' }}
          </button>
        </div>
        <div class="bar">
          <button type="button" class="key main" :disabled="busy" @click="open">Open the job</button>
        </div>
      </template>
    </template>
    <p v-else-if="!problem" class="dim">Reading what can be done here…</p>
  </main>
</template>

<style scoped>
.note {
  padding: 8px 14px;
  border-left: 6px solid var(--ink);
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
  justify-content: space-between;
}
.note span:first-child {
  display: grid;
  flex: 1 1 320px;
  overflow-wrap: anywhere;
}
.start {
  max-width: 900px;
}
.jobs {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 8px;
}
.job {
  display: grid;
  gap: 2px;
  text-align: left;
  padding: 10px 14px;
  min-height: 84px;
  color: var(--ink);
  font: 400 1rem/1.25 var(--face-text);
  cursor: pointer;
}
.job strong {
  font: 600 1.25rem var(--face-label);
  color: var(--touch);
}

.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.chips .label {
  flex-basis: 100%;
}
.chip {
  min-height: 48px;
  padding: 0 14px;
  border: 1.5px solid var(--touch);
  background: var(--sheet);
  color: var(--touch);
  font: 600 1.0625rem var(--face-label);
  cursor: pointer;
}
.chip[aria-checked='true'],
.chip[aria-pressed='true'] {
  background: var(--touch);
  color: var(--on-touch);
}
.here {
  outline: 4px solid var(--touch);
}
</style>
