<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import FaultList from '@/shared/ui/FaultList.vue'
import HowCome from '@/shared/ui/HowCome.vue'
import { clock, counted } from '@/shared/format/words'
import { useSettings } from '@/shared/state/settings'

import MakeSafe from '../components/MakeSafe.vue'
import StepDo from '../components/StepDo.vue'
import StepRead from '../components/StepRead.vue'
import { useAwake } from '../composables/awake'
import { useJob } from '../composables/job'
import type { Happened } from '../logic/happened'
import { isDone, nextScreen, SAFE, screensOf } from '../logic/screens'
import { stepWords } from '../logic/words'

const props = defineProps<{ id: string }>()
const settings = useSettings()
const { job, missing, problem, busy, waiting, refused, status, waits, happened, load } = useJob(() => props.id)
useAwake()
/** The job as a sheet: in the person's units and paper, by the clock of this device. */
const sheetAt = (blank: boolean) =>
  `/api/jobs/${props.id}/card.pdf?blank=${blank}&units=${settings.units}` +
  `&paper=${settings.units === 'us' ? 'letter' : 'a4'}&minutes=${-new Date().getTimezoneOffset()}`
const screens = computed(() => (job.value ? screensOf(job.value) : []))
const at = ref(-1)
const list = ref(false)
const large = ref(localStorage.getItem('tuyere.large') === 'yes')
const name = ref('')
const how = ref<string | null>(null)
const screen = computed(() => screens.value[at.value])
const step = computed(() => screen.value?.steps[0])
const working = computed(() => step.value?.said?.working ?? [])
watch(screens, (now) => {
  if (now.length && at.value < 0) at.value = nextScreen(now, status)
})
function go(to: number) {
  at.value = Math.min(Math.max(to, 0), screens.value.length - 1)
  problem.value = null
  list.value = false
}
const next = () => go(nextScreen(screens.value, status, at.value + 1))
/** Something happened on a screen with one step: when the step is done by it, the next screen comes. */
async function take(event: Happened) {
  const ok = await happened(event)
  if (ok && screen.value && screen.value.key !== SAFE && isDone(screen.value, status)) next()
  return ok
}
function bigger() {
  large.value = !large.value
  localStorage.setItem('tuyere.large', large.value ? 'yes' : 'no')
}
const safety = computed(() => {
  const i = job.value?.isolation
  // A round from outside the guard isolates nothing: that is said, and is no alarm.
  const isolates = job.value?.steps.some((s) => s.kind === 'isolate') ?? true
  return {
    mark: i?.safe ? '●' : isolates ? '■' : '◐',
    bad: isolates && !i?.safe && !i?.given_back,
    says: i?.safe && i.at ? `${i.says} ${clock(i.at)} ${i.by}` : (i?.says ?? ''),
  }
})
</script>

<template>
  <main class="job" :class="{ large }">
    <FaultList v-if="missing && !job" :faults="[{ path: '', reason: missing.detail || missing.title, allowed: '' }]" />
    <template v-if="job">
      <header class="head">
        <router-link :to="`/drives/${job.drive_id}`" class="back" aria-label="Leave the job, back to the drive"
          >‹</router-link
        >
        <div>
          <h1>{{ screen?.title ?? job.title }}</h1>
          <p class="dim">{{ job.machine }} · {{ job.title }}</p>
        </div>
        <button type="button" class="count figure" :aria-expanded="list" aria-label="All steps" @click="list = !list">
          {{ at + 1 }}/{{ screens.length }}
        </button>
      </header>
      <p class="state" :class="{ bad: safety.bad }" role="status">
        <span
          ><span aria-hidden="true">{{ safety.mark }}</span> {{ safety.says }}</span
        >
        <button type="button" class="plain aa" :aria-pressed="large" @click="bigger">Aa</button>
      </p>
      <p v-if="waiting.length" class="kept" role="status">
        {{ counted(waiting.length, 'entry').replace('entrys', 'entries') }} kept on this device, sent when the line is
        back.
      </p>
      <p v-if="missing" class="kept">
        No connection: this is the job as it was last read.
        <button type="button" class="plain again" @click="load">Try again</button>
      </p>
      <ul v-if="refused.length" class="kept hot">
        <li v-for="e in refused" :key="e.no">Not taken: {{ e.problem?.detail }}</li>
      </ul>
      <nav v-if="list" class="sheet list" aria-label="Steps of the job">
        <button v-for="(s, n) in screens" :key="s.key" type="button" :class="{ here: n === at }" @click="go(n)">
          <span aria-hidden="true">{{
            isDone(s, status) ? (s.steps.some((x) => status(x) === 'skipped') ? '○' : '●') : '–'
          }}</span>
          <span>{{ s.key === SAFE ? s.title : stepWords(s.steps[0]?.words ?? '') }}</span>
          <span v-if="s.steps.some((x) => x.exception)" class="hot">against the order</span>
        </button>
        <span class="paper">
          On paper:
          <a :href="sheetAt(true)" target="_blank" rel="noopener">card with blanks</a>
          <a :href="sheetAt(false)" target="_blank" rel="noopener">as far as it is done</a>
        </span>
      </nav>
      <form v-else-if="!settings.name" class="sheet who" @submit.prevent="settings.name = name.trim()">
        <label for="who">Who is at the machine? Ticks and readings carry this name.</label>
        <el-input id="who" v-model="name" maxlength="80" autocomplete="name" size="large" />
        <button type="submit" class="key main" :disabled="!name.trim()">That is me</button>
      </form>
      <p v-else-if="job.state === 'closed'" class="sheet closed">
        <strong>Closed by {{ job.closed_by }}.</strong> What was read and done is kept with the drive.
        <router-link to="/round">What is due</router-link>
        <a :href="sheetAt(false)" target="_blank" rel="noopener">The record on paper</a>
      </p>
      <template v-else-if="screen && step">
        <MakeSafe
          v-if="screen.key === SAFE"
          :steps="screen.steps"
          :elevation="job.elevation"
          :status="status"
          :name="settings.name"
          :busy="busy"
          :problem="problem"
          @happened="take"
          @next="next"
        />
        <StepRead
          v-else-if="step.kind === 'read'"
          :key="step.key"
          :step="step"
          :status="status(step)"
          :waits="(target: string) => waits(step?.key ?? '', target)"
          :tool="job.tool"
          :place="{ drive: job.drive_id, job: job.id, twin: job.twin }"
          :elevation="job.elevation"
          :busy="busy"
          :problem="problem"
          :happened="happened"
          @next="next"
          @how="(s: string) => (how = s)"
        />
        <StepDo
          v-else
          :key="screen.key"
          :step="step"
          :status="status(step)"
          :elevation="job.elevation"
          :place="{ drive: job.drive_id, job: job.id }"
          :busy="busy"
          :problem="problem"
          :name="settings.name"
          @happened="take"
          @next="next"
        />
        <div class="turn">
          <button type="button" class="plain" :disabled="at === 0" @click="go(at - 1)">‹ one back</button>
          <button type="button" class="plain" :disabled="at === screens.length - 1" @click="go(at + 1)">
            look ahead ›
          </button>
        </div>
      </template>
      <HowCome :steps="working" :step="how" title="What the readings say" @close="how = null" />
    </template>
    <p v-else-if="!missing" class="dim" role="status">Reading the job…</p>
  </main>
</template>

<style scoped>
.job {
  max-width: 640px;
  margin: 0 auto;
  padding: 0 12px 12px;
  display: grid;
  gap: 8px;
  align-content: start;
}
@media (min-width: 1000px) {
  .job:has(.views),
  .job:has(.asking) {
    max-width: 1120px;
  }
}
.paper a,
.closed a {
  display: inline-grid;
  place-items: center;
  min-height: 44px;
  padding: 0 8px;
}
.paper {
  padding: 6px 12px;
}
.large {
  font-size: 1.3125rem;
}
.large :deep(.words),
.large :deep(.says),
.large :deep(.does) {
  font-size: 2.0625rem;
}
.large :deep(.dim),
.large :deep(.care) {
  font-size: 1.1875rem;
}
.head {
  display: grid;
  grid-template-columns: 44px 1fr auto;
  align-items: center;
  min-height: 56px;
  border-bottom: 2px solid var(--ink);
  margin: 0 -12px;
  padding: 0 6px;
}
.head h1 {
  font-size: 1.3125rem;
}
.head p {
  font-size: 0.9375rem;
}
.back {
  font: 600 2.125rem/1 var(--face-label);
  text-decoration: none;
  display: grid;
  place-items: center;
  height: 48px;
}
.count {
  min-width: 64px;
  min-height: 48px;
  border: 0;
  background: none;
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 5px;
  font-size: 1.25rem;
  cursor: pointer;
}
.state {
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 44px;
  margin: 0 -12px;
  padding: 0 12px;
  font: 600 1.1875rem var(--face-label);
  border-bottom: 1px solid var(--line);
  background: var(--panel);
}
.state.bad {
  color: var(--hot);
  background: var(--sheet);
  border-bottom: 2px solid var(--hot);
}
.aa {
  min-width: 44px;
  min-height: 44px;
  text-align: center;
  color: var(--touch);
}
.kept {
  color: var(--warm);
  font-weight: 600;
  margin: 0;
}
.kept.hot,
.hot {
  color: var(--hot);
}
.again {
  color: var(--touch);
  text-decoration: underline;
  min-height: 44px;
}
.list {
  display: grid;
}
.list button {
  display: grid;
  grid-template-columns: 22px 1fr auto;
  gap: 8px;
  align-items: center;
  min-height: 52px;
  padding: 6px 12px;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  color: var(--ink);
  font: 400 1rem/1.2 var(--face-text);
  text-align: left;
  cursor: pointer;
}
.list .here {
  background: var(--touch-soft);
}
.who,
.closed {
  padding: 16px;
  display: grid;
  gap: 10px;
}
.turn {
  display: flex;
  justify-content: space-between;
}
.turn button {
  min-height: 44px;
  color: var(--touch);
}
.turn button:disabled {
  color: var(--line);
}
</style>
