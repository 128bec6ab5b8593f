<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'

import { calculate } from '@/api/calc'
import { api, attempt } from '@/api/client'
import { inSystem } from '@/shared/format/designation'
import type { Problem } from '@/api/types'
import type { components } from '@/api/schema'
import FaultPicture from '@/faults/FaultPicture.vue'
import { drawn } from '@/faults/drawn'
import { faultText } from '@/shared/format/faults'
import { keyWords, shortDate } from '@/shared/format/words'
import { useKept } from '@/shared/state/kept'
import { save } from '@/shared/state/outbox'
import { wayOfDrive } from '@/shared/state/knownDrives'
import { setPlace } from '@/shared/state/place'
import { useSettings } from '@/shared/state/settings'
import FaultList from '@/shared/ui/FaultList.vue'
import NoticeList from '@/shared/ui/NoticeList.vue'

import CauseList from '../components/CauseList.vue'
import SignBoard from '../components/SignBoard.vue'
import { answered, tapped, together, withoutLast, type Answer, type Answers } from '../logic/answers'

// Why a drive failed: what the record answers, what a person sees, the check that tells most, and the job that comes of it.
const props = defineProps<{ id: string }>()
type Why = components['schemas']['WhyView']
type Found = components['schemas']['FailureFinderResponse']
const settings = useSettings()
const why = ref<Why>()
const found = ref<Found>()
const problem = ref<Problem | null>(null)
const busy = ref(false)
const isolated = ref(false)
const { value: own, forget } = useKept<Answers>(`why.${props.id}`, () => ({}))
const answers = computed(() => together(why.value?.evidence ?? [], own.value))
const said = computed(() => Object.fromEntries((why.value?.evidence ?? []).map((e) => [e.sign, e.says])))
const given = computed(() => Object.keys(own.value).length)
const r = computed(() => found.value?.result)
const sign = computed(() => r.value?.signs.find((s) => s.key === r.value?.check?.sign))
const top = computed(() => r.value?.causes[0])

async function load() {
  const got = await attempt(api.GET('/api/drives/{ident}/why', { params: { path: { ident: props.id } } }))
  if (!got.ok) {
    problem.value = got.problem
    return
  }
  take(got.data)
}
function take(fresh: Why) {
  why.value = fresh
  setPlace('Why did it fail?', wayOfDrive(props.id, fresh.machine, fresh.drive))
}
let asked = 0
// While an answer is being worked the question and the causes are the last ones: they stay in sight but cannot be
// pressed, for the finger would answer the next question, or the list would move under it.
const working = ref(false)
async function work() {
  const of = why.value
  if (!of) return
  const mine = ++asked
  working.value = true
  const input = { kind: of.kind, answers: answers.value, isolated: isolated.value }
  const got = await calculate<Found>('failure-finder', { units: settings.units, input })
  if (mine !== asked) return
  working.value = false
  problem.value = got.ok ? null : got.problem
  if (got.ok) found.value = got.data
}
function say(key: string, answer: Answer) {
  own.value = answered(own.value, key, answer)
}
const tap = (key: string) => say(key, tapped(answers.value[key]))
const back = () => (own.value = withoutLast(own.value))
async function keep() {
  busy.value = true
  const body = { at: new Date().toISOString(), answers: answers.value, created_by_name: settings.name }
  const got = await save<Why>('POST', `/api/drives/${props.id}/failures`, body, 'a failure')
  busy.value = false
  problem.value = got.ok ? null : got.problem
  if (got.ok) {
    forget()
    own.value = {}
    take(got.data)
  }
}
async function confirm(failure: Why['failures'][number], cause: string) {
  busy.value = true
  const body = { rev: failure.rev, cause, created_by_name: settings.name }
  const got = await save<Why>('POST', `/api/failures/${failure.id}/cause`, body, 'the cause of a failure')
  busy.value = false
  problem.value = got.ok ? null : got.problem
  if (got.ok) take(got.data)
}
onMounted(load)
watch([answers, isolated], work, { deep: true })
const jobAt = (template: string) => `/drives/${props.id}/jobs?template=${template}`
</script>

<template>
  <main class="page why">
    <FaultList v-if="problem && !why" :faults="[{ path: '', reason: problem.detail || problem.title, allowed: '' }]" />
    <template v-if="why">
      <header class="head">
        <h1>
          Why did it fail? <span class="figure">{{ inSystem(why.what, settings.units) }}</span>
        </h1>
        <button v-if="given" type="button" class="plain" @click="back">Take back the last answer</button>
        <router-link v-else class="way" :to="`/drives/${id}/dead`">It does not turn at all</router-link>
      </header>
      <p v-if="why.repeat" class="repeat"><span aria-hidden="true">■</span> {{ why.repeat }}</p>
      <section v-if="r?.check && sign" class="sheet check" :inert="working" :aria-busy="working">
        <FaultPicture v-if="drawn(sign.picture)" :of="sign.picture" beside class="shot" />
        <div>
          <p class="label">{{ given ? 'Next best look' : 'Begin here, or tap what you see below' }}</p>
          <h2>{{ sign.words }}?</h2>
          <p>{{ sign.how }}. {{ r.check.settles }}</p>
          <p class="guard">
            <b class="figure">{{ r.check.minutes }} min</b>
            <span v-if="sign.guard === 'on'">guard on, from outside it</span>
            <span v-else-if="isolated">guard off, machine isolated</span>
            <span v-else class="hot"
              ><span aria-hidden="true">■</span> guard off: isolate first
              {{ why.isolation_points.length ? `(${why.isolation_points.join('; ')})` : '' }}</span
            >
          </p>
        </div>
        <div class="yesno">
          <button type="button" class="key main" @click="say(sign.key, 'yes')">Yes</button>
          <button type="button" class="key" @click="say(sign.key, 'no')">No<small>looked: not so</small></button>
          <button type="button" class="key" @click="say(sign.key, 'not looked')">Cannot look<small>now</small></button>
        </div>
      </section>
      <label v-if="found || problem" class="iso">
        <input v-model="isolated" type="checkbox" />
        The machine is isolated and proved, its guard may be off: nothing is asked that wants it running.
      </label>
      <NoticeList v-if="found?.notices.length" :notices="found.notices" />
      <div class="two">
        <section v-if="r" class="sheet">
          <SignBoard :signs="r.signs" :answers="answers" :said="said" @tap="tap" />
        </section>
        <section v-if="r" class="sheet likely" :inert="working" :aria-busy="working">
          <p class="label">Most likely, from {{ given }} answer{{ given === 1 ? '' : 's' }} and this drive's record</p>
          <p class="says">{{ r.says }}</p>
          <CauseList :causes="r.causes" :other="r.other_share" :answered="Object.keys(answers).length > 0" />
          <div v-if="top && given" class="then">
            <h3>Before a new one goes on</h3>
            <p>{{ top.before_new }}. Then: {{ top.do.charAt(0).toLowerCase() }}{{ top.do.slice(1) }}.</p>
            <div class="row">
              <router-link class="key" :to="jobAt('clear-before-new')">Job: clear the machine first</router-link>
              <router-link v-if="top.job !== 'clear-before-new'" class="key" :to="jobAt(top.job)"
                >Then: {{ keyWords(top.job) }}</router-link
              >
            </div>
            <el-button type="primary" :disabled="busy" @click="keep">Keep this failure with the drive</el-button>
            <p v-if="problem" class="field-fault" role="alert">
              {{ problem.errors[0] ? faultText(problem.errors[0]) : problem.detail }}
            </p>
          </div>
        </section>
      </div>
      <section v-if="why.failures.length && (found || problem)" class="sheet past">
        <h2>Failures on record</h2>
        <p v-if="why.life">{{ why.life }}</p>
        <div v-for="f in why.failures" :key="f.id" class="failure">
          <p>
            <b>{{ shortDate(f.at) }}</b>, {{ inSystem(f.what, settings.units) }}, {{ f.by }}. Told:
            {{
              f.told
                .map((t) => `${t.words} ${t.share}`)
                .slice(0, 3)
                .join('; ')
            }}.
          </p>
          <p v-if="f.confirmed">
            <span aria-hidden="true">●</span> It was: <strong>{{ f.confirmed_words }}</strong>, said
            {{ f.confirmed_by }}.
          </p>
          <div v-else class="row">
            <span class="label">Which was it?</span>
            <button
              v-for="t in f.told.slice(0, 4)"
              :key="t.key"
              type="button"
              class="key"
              :disabled="busy"
              @click="confirm(f, t.key)"
            >
              {{ t.words }}
            </button>
            <button type="button" class="key" :disabled="busy" @click="confirm(f, 'other')">Something else</button>
          </div>
        </div>
        <p v-if="why.hits.confirmed" class="dim">
          Of {{ why.hits.confirmed }} confirmed in this shop {{ why.hits.first }} had been told first,
          {{ why.hits.first_two }} among the first two.
        </p>
      </section>
    </template>
    <p v-else-if="!problem" class="dim" role="status">Reading the record…</p>
  </main>
</template>

<style scoped>
.why {
  display: grid;
  gap: 10px;
  align-content: start;
}
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: baseline;
  gap: 4px 16px;
}
.head .plain {
  min-height: 44px;
  color: var(--touch);
  text-decoration: underline;
}
.repeat {
  color: var(--hot);
  font-weight: 600;
}
.check {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: 8px 20px;
  padding: 14px 18px;
  border: 2.5px solid var(--ink);
  align-items: center;
}
.check > div:first-child:not(.shot) {
  grid-column: 1 / 3;
}
.check h2 {
  font-size: 1.5625rem;
}
.shot {
  width: 230px;
}
.guard {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: baseline;
}
.guard b {
  font-size: 1.25rem;
}
.yesno {
  display: grid;
  gap: 6px;
  min-width: 190px;
}
.iso {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 44px;
}
.iso input {
  width: 24px;
  height: 24px;
  accent-color: var(--touch);
  flex: none;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 10px;
  align-items: start;
}
.two > section,
.past {
  padding: 14px 18px;
  display: grid;
  gap: 6px;
}
.says {
  font: 600 1.375rem/1.25 var(--face-label);
}
.then {
  display: grid;
  gap: 8px;
  justify-items: start;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.row .key {
  min-height: 48px;
  padding: 4px 12px;
  display: grid;
  place-items: center;
  text-decoration: none;
}
.failure {
  border-bottom: 1px solid var(--line);
  padding: 8px 0;
  display: grid;
  gap: 6px;
}
.hot {
  color: var(--hot);
  font-weight: 600;
}
@media (max-width: 860px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
  .check {
    grid-template-columns: minmax(0, 1fr);
    padding: 12px;
  }
  .check > div:first-child:not(.shot) {
    grid-column: auto;
  }
  .shot {
    width: 100%;
    max-height: 150px;
  }
  .yesno {
    grid-template-columns: 1fr 1fr 1fr;
  }
}
</style>
