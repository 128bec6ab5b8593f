<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { onBeforeRouteLeave, useRoute } from 'vue-router'

import { calculate } from '@/api/calc'
import type { components } from '@/api/schema'
import type { CalcLine, CompareAnswer, Problem, SelectAnswer, Units, Worked } from '@/api/types'
import type { Line } from '@/line/moves'
import ElevationDrawing from '@/elevation/ElevationDrawing.vue'
import { fit } from '@/elevation/frame'
import FaultList from '@/shared/ui/FaultList.vue'
import FormerAnswer from '@/shared/ui/FormerAnswer.vue'
import HowCome from '@/shared/ui/HowCome.vue'
import NoticeList from '@/shared/ui/NoticeList.vue'
import { askCalculation } from '@/shared/state/calculations'
import { useQuestion } from '@/shared/state/question'
import { BENCH, setPlace } from '@/shared/state/place'
import { useSettings } from '@/shared/state/settings'

import { sceneOf } from '../pictures/figure'
import {
  FamilyBoard,
  FigureTable,
  JointCard,
  MovesPicture,
  OptionList,
  PictureFiles,
  RangeCurve,
  ReadingBar,
  RecordTables,
  ScenePicture,
} from '../components/answerParts'
import AnswerToCome from '../components/AnswerToCome.vue'
import CardPicture from '../components/CardPicture.vue'
import { askedOfDrive } from '../logic/fromDrive'
import { unremarked } from '../logic/remarked'
import SchemaFields from '@/forms/SchemaFields.vue'
import { exampleOf } from '@/forms/example'
import { bodyOf, carryTyped, fieldsOf, type Field, type Schema } from '@/forms/schema'

const props = defineProps<{ name: string }>()
const settings = useSettings()
const route = useRoute()
const calc = ref<CalcLine>()
// A job's fields go with the job: what is typed here outlives a reload of the page, not the leaving of it.
const typed = ref<Record<string, string | boolean | undefined>>(sessionKept(`bench.${props.name}`))
const missing = ref<Problem | null>(null)
const body = () => ({ units: settings.units, input: bodyOf(fields.value, typed.value) ?? {} })
const { answer, former, problem, busy, ask, clear } = useQuestion<Worked>(() => JSON.stringify(body()))
const gone = ref(false)
const result = ref<HTMLElement>()
/** The former answer in a word or two, for the line that says it is former. */
function telling(a: Worked): string {
  const first = Object.values(a.result).find((x) => typeof x === 'object' && x !== null && 'shown' in x) as
    { shown: string } | undefined
  const verdict = Object.values(a.result).find((x) => typeof x === 'string')
  return [verdict, first?.shown].filter(Boolean).join(', ') || 'The figures'
}
/** A reading on its scale; its limits are on it, so that no word of the program says its state again. */
const bar = computed(() => (answer.value?.result.bar ?? null) as components['schemas']['BarOut'] | null)
/** What a drive needs over a range of speeds, as a curve. */
const ranged = computed(() => {
  const r = answer.value?.result
  return Array.isArray(r?.points) && r.points.length > 1 && r.worst && r.belts_needed ? (r as never) : null
})
const figures = computed(() => {
  const { bar: drawn, state, verdict, ...rest } = answer.value?.result ?? {}
  const says = drawn || props.name === 'alignment' ? '' : rest.says
  return unremarked({ ...rest, ...(drawn ? {} : { state, verdict }), says }, answer.value?.notices ?? [])
})
/** What is measured, as its card draws it: the same picture, before an answer and to its figures after. */
const sketch = computed(() => calc.value?.card?.picture ?? '')
/** A drawing that comes with the answer. */
const picture = computed(() => sceneOf(answer.value?.result))
const how = ref<{ step: string | null; title: string }>({ step: null, title: '' })
const fields = computed<Field[]>(() =>
  calc.value ? fieldsOf(calc.value.input_schema as Schema & { $defs?: Record<string, Schema> }) : [],
)
const leaves = (fs: Field[]): string[] =>
  fs.flatMap((f) => (f.form === 'group' ? leaves(f.fields) : ['input.' + f.path]))
const others = computed(() =>
  (problem.value?.errors ?? []).filter(
    (e) => !leaves(fields.value).some((p) => e.path === p || e.path.startsWith(p + '.')),
  ),
)
const frame = computed(() =>
  answer.value?.elevation
    ? fit(answer.value.elevation, 520, 230, { left: 14, right: 14, top: 12, bottom: 12 }, 0)
    : null,
)

/** What the address says of this question: single fields, or a drive that fills them from what stands on it. */
async function fillIn() {
  const { drive, ...said } = route.query
  const names = new Set(fields.value.map((f) => f.path))
  for (const [k, v] of Object.entries(said))
    if (names.has(k) && typeof v === 'string' && v) typed.value = { ...typed.value, [k]: v }
  if (typeof drive !== 'string') return
  const asked = await askedOfDrive(drive, props.name, settings.units)
  // What was typed meanwhile stays.
  typed.value = { ...asked, ...typed.value }
}
async function work() {
  const sent = body()
  await ask(() => calculate<Worked>(props.name, sent))
  await nextTick()
  if (answer.value && window.innerWidth < 900) result.value?.scrollIntoView({ block: 'start' })
}
function empty() {
  typed.value = {}
  clear()
}
function example() {
  if (!calc.value) return
  typed.value = exampleOf(calc.value, fields.value, settings.units)
  void work()
}
onMounted(async () => {
  const got = await askCalculation(props.name)
  if (!got.ok) {
    gone.value = got.problem.status === 404
    missing.value = gone.value ? null : got.problem
    return
  }
  calc.value = got.data
  setPlace(calc.value?.title ?? '', [BENCH])
  await fillIn()
})
watch(
  typed,
  (v) => sessionStorage.setItem(`tuyere.bench.${props.name}`, JSON.stringify({ units: settings.units, value: v })),
  { deep: true },
)
onBeforeRouteLeave(() => sessionStorage.removeItem(`tuyere.bench.${props.name}`))
function sessionKept(key: string): Record<string, string | boolean | undefined> {
  try {
    const kept = JSON.parse(sessionStorage.getItem(`tuyere.${key}`) ?? 'null') as {
      units: Units
      value: Record<string, string>
    } | null
    return kept && kept.units === settings.units ? kept.value : {}
  } catch {
    return {}
  }
}
// Units switch with the form open: bare numbers keep the unit they were typed in, and the same question is shown anew.
watch(
  () => settings.units,
  (_now, before) => {
    const wasAnswered = answer.value !== undefined || former.value !== undefined
    typed.value = carryTyped(fields.value, typed.value, before)
    if (wasAnswered && !problem.value) void work()
  },
  { flush: 'sync' },
)
</script>

<template>
  <main class="page">
    <FaultList v-if="missing" :faults="[{ path: '', reason: missing.detail || missing.title, allowed: '' }]" />
    <p v-if="gone">There is no calculator of that name. <router-link to="/bench">To the bench</router-link></p>
    <template v-if="calc">
      <div class="row spread">
        <h1>{{ calc.title }}</h1>
        <span class="row">
          <router-link v-if="calc.card" :to="{ path: route.path }" class="all">as one sentence</router-link>
          <el-button @click="example">Fill in the example</el-button>
          <el-button @click="empty">Clear</el-button>
        </span>
      </div>
      <p class="dim">{{ calc.summary }} Source: {{ calc.source }}.</p>
      <div class="two">
        <form class="sheet form" @submit.prevent="work">
          <SchemaFields v-model="typed" :fields="fields" :problem="problem" />
          <FaultList
            :faults="
              problem && !problem.errors.length
                ? [{ path: '', reason: problem.detail || problem.title, allowed: '' }]
                : others
            "
          />
          <div class="row"><el-button type="primary" native-type="submit" :loading="busy">Work it out</el-button></div>
        </form>
        <section ref="result" class="answer" aria-live="polite">
          <FormerAnswer v-if="former">{{ telling(former) }}</FormerAnswer>
          <div v-if="sketch" class="sheet sketch">
            <CardPicture :kind="sketch" :result="answer?.result" :elevation="answer?.elevation" :typed="typed" />
          </div>
          <template v-if="answer">
            <div v-if="!sketch && !picture && answer.elevation && frame" class="sheet">
              <svg viewBox="0 0 520 230" role="img" aria-label="Side view, to scale">
                <ElevationDrawing :elevation="answer.elevation" :frame="frame" />
              </svg>
            </div>
            <div v-if="ranged" class="sheet form"><RangeCurve :result="ranged" /></div>
            <MovesPicture
              v-if="name === 'alignment'"
              :faults="(answer.result as unknown as Line).faults"
              :moves="(answer.result as unknown as Line).moves"
              :within="(answer.result as unknown as Line).within"
            />
            <div v-if="picture && !sketch" class="sheet"><ScenePicture :scene="picture" /></div>
            <PictureFiles v-if="picture && calc.drawn" :calc="name" :body="body()" />
            <NoticeList :notices="answer.notices" />
            <div class="sheet form">
              <p v-if="bar && typeof answer.result.says === 'string'" class="says">{{ answer.result.says }}</p>
              <ReadingBar v-if="bar" :bar="bar" />
              <FigureTable
                :result="figures"
                :titles="answer.titles"
                :groups="answer.groups"
                :level="2"
                :first="calc.first"
                @how="(s: string, t: string) => (how = { step: s, title: t })"
              />
            </div>
          </template>
          <AnswerToCome v-else :tells="calc.tells" />
        </section>
      </div>
      <RecordTables
        v-if="answer"
        :result="answer.result"
        :titles="answer.titles"
        :skip="['options', 'families', 'rejected', 'moves', 'faults']"
      />
      <JointCard v-if="answer && Array.isArray(answer.result.card)" :card="answer.result as never" />
      <OptionList
        v-if="answer && Array.isArray(answer.result.options)"
        :answer="answer as unknown as SelectAnswer"
        picked=""
      />
      <FamilyBoard
        v-else-if="answer && name === 'drive-compare'"
        :answer="answer as unknown as CompareAnswer"
        picked=""
      />
      <HowCome :steps="answer?.working ?? []" :step="how.step" :title="how.title" @close="how.step = null" />
    </template>
  </main>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 12px;
  align-items: start;
}
.form {
  padding: 14px 16px;
  display: grid;
  gap: 12px;
}
.answer {
  display: grid;
  gap: 12px;
}
.all {
  display: inline-grid;
  align-items: center;
  min-height: 44px;
}
.sketch {
  padding: 10px 16px;
}
.sketch :deep(svg:not(.scene)) {
  max-height: 260px;
}
.sketch :deep(figure) {
  border: 0;
  padding: 0;
}
/* Half as wide as on its card: its words are not half as large. */
.sketch :deep(svg:not(.scene, .own-size) text) {
  font-size: 18px;
}
.sketch :deep(svg:not(.scene, .own-size) .big) {
  font-size: 22px;
}
.says {
  font: 600 1.625rem/1.2 var(--face-label);
}
svg {
  width: 100%;
  display: block;
}
/* The answer stays in sight beside a long form. */
@media (min-width: 901px) {
  .answer {
    position: sticky;
    top: 0;
  }
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (max-width: 700px) {
  .sketch :deep(svg:not(.scene, .own-size) text) {
    font-size: 23px;
  }
  .sketch :deep(svg:not(.scene, .own-size) .big) {
    font-size: 27px;
  }
}
</style>
