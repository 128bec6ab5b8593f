<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'

import { calculate } from '@/api/calc'
import type { CalcLine, Worked } from '@/api/types'
import { exampleOf } from '@/forms/example'
import { bodyOf, carryTyped, fieldsOf, type Schema } from '@/forms/schema'
import { fieldAt } from '@/forms/sentence'
import SentenceForm from '@/forms/SentenceForm.vue'
import { otherFaults } from '@/shared/format/faults'
import PictureFiles from '@/drawing/PictureFiles.vue'
import RecordTables from '@/lists/RecordTables.vue'
import { isBare } from '@/shared/format/units'
import { titleIn } from '@/shared/format/words'
import { carryNote } from '@/shared/state/benchNote'
import { useChoices } from '@/shared/state/choices'
import { BENCH, setPlace } from '@/shared/state/place'
import { useQuestion } from '@/shared/state/question'
import { useSettings } from '@/shared/state/settings'
import FaultList from '@/shared/ui/FaultList.vue'
import FigureTable from '@/shared/ui/FigureTable.vue'
import HowCome from '@/shared/ui/HowCome.vue'
import NoticeList from '@/shared/ui/NoticeList.vue'

import CardPicture from '../components/CardPicture.vue'
import ReadingBar from '../components/ReadingBar.vue'
import HungBlank from '../components/HungBlank.vue'
import JointCard from '../components/JointCard.vue'
import { complete, linesOf, neededOf, saidOf, saysOf } from '../logic/sentence'
import { PLACES } from '../logic/places'
import { askedOfDrive } from '../logic/fromDrive'
import { usedCard } from '../logic/lately'
import { unremarked } from '../logic/remarked'

// A question of the bench as one sentence and one picture; the answer stands as soon as enough is said.
type Typed = Record<string, string | boolean | undefined>
const props = defineProps<{ calc: CalcLine }>()
const settings = useSettings()
const route = useRoute()
const router = useRouter()
const choices = useChoices()
const card = computed(() => props.calc.card as NonNullable<CalcLine['card']>)
const fields = computed(() => fieldsOf(props.calc.input_schema as Schema & { $defs?: Record<string, Schema> }))
const lines = computed(() =>
  linesOf(card.value.sentence, fields.value, card.value.names, (table) =>
    table === 'drivers' ? choices.drivers.value.map((d) => ({ ...d, group: '' })) : choices.machines.value,
  ),
)
// A fresh start every time; what the address brings stands in it.
const touched = ref(new Set<string>())
const typed = ref<Typed>({ ...card.value.fresh })
const assumed = (path: string) =>
  [undefined, ''].includes(typed.value[path] as string | undefined) ||
  (path in card.value.fresh && !touched.value.has(path))
function take(next: Typed) {
  for (const k of Object.keys(next)) if (next[k] !== typed.value[k]) touched.value.add(k)
  typed.value = next
}
const body = () => ({ units: settings.units, input: bodyOf(fields.value, typed.value) ?? {} })
const { answer, former, problem, busy, ask, clear } = useQuestion<Worked>(() => JSON.stringify(body()))
const shown = computed(() => answer.value ?? (busy.value ? former.value : undefined))
const how = ref<{ step: string | null; title: string }>({ step: null, title: '' })
let timer: number | undefined
// Live, but not on every letter: half a fraction is not yet a size.
function soon() {
  window.clearTimeout(timer)
  timer = window.setTimeout(() => {
    if (!touched.value.size || !complete(fields.value, typed.value)) return clear()
    const sent = body()
    void ask(() => calculate<Worked>(props.calc.name, sent))
  }, 220)
}
watch(typed, soon, { deep: true })
watch(
  () => settings.units,
  (_now, before) => {
    typed.value = carryTyped(fields.value, typed.value, before)
    soon()
  },
  { flush: 'sync' },
)
function fresh() {
  touched.value = new Set()
  typed.value = { ...card.value.fresh }
  clear()
}
function example() {
  take({ ...card.value.fresh, ...exampleOf(props.calc, fields.value, settings.units) })
}
// What is not a word or a flag of the refusals that stand at their blanks.
const others = computed(() =>
  problem.value
    ? otherFaults(
        problem.value,
        lines.value.flat().flatMap((p) => (typeof p === 'string' ? [] : ['input.' + p.path])),
      )
    : [],
)
const saysNothingElse = computed(() => Boolean(problem.value && !problem.value.errors.length))
const named = (name: string) => titleIn(shown.value?.titles, name)
const figures = computed(() =>
  card.value.figures.flatMap((name) => {
    const f = shown.value?.result[name]
    if (typeof f === 'string' && f) return [{ name, label: named(name), shown: f, step: null as string | null }]
    if (!f || typeof f !== 'object' || !('shown' in f)) return []
    const { shown: text, step, low } = f as { shown: string; step?: string | null; low?: { step: string | null } }
    return [{ name, label: named(name), shown: text, step: step ?? low?.step ?? null }]
  }),
)
const result = computed(() => shown.value?.result)
const hung = computed(() =>
  (PLACES[card.value.picture] ?? []).flatMap((p) => {
    const f = card.value.on_picture.includes(p.path) ? fieldAt(p.path, fields.value) : undefined
    if (!f || f.form !== 'quantity') return []
    const v = typeof typed.value[p.path] === 'string' ? (typed.value[p.path] as string) : ''
    const own = settings.units === 'us' ? f.us : f.si
    return [
      {
        ...p,
        says: saysOf(f),
        value: v,
        unit: !v || isBare(v) ? own : '',
      },
    ]
  }),
)
// What was said here goes along: the next card takes what it asks as well.
const carried = computed(() =>
  Object.fromEntries(
    Object.entries(typed.value).flatMap(([k, v]) => (typeof v === 'string' && v.trim() ? [[k, v]] : [])),
  ),
)
/** Off to the machine with what was asked and answered: the job that begins there takes it up. */
function use() {
  const said = saidOf(lines.value, fields.value, typed.value, settings.units)
  carryNote({ asks: card.value.asks, says: `${said} ${String(shown.value?.result.says ?? '')}` })
  void router.push({ path: '/machines', query: { for: card.value.asks } })
}
async function ofDrive(ident: string) {
  const asked = await askedOfDrive(ident, props.calc.name, settings.units)
  // What was typed meanwhile stays.
  const mine = Object.fromEntries(Object.entries(typed.value).filter(([k]) => touched.value.has(k)))
  if (Object.keys(asked).length) take({ ...typed.value, ...asked, ...mine })
}
onMounted(() => {
  usedCard(props.calc.name)
  setPlace(card.value.asks, [BENCH])
  const names = new Set(fields.value.map((f) => f.path))
  const said = Object.entries(route.query).filter(([k, v]) => names.has(k) && typeof v === 'string' && v)
  if (said.length) take({ ...typed.value, ...(Object.fromEntries(said) as Typed) })
  if (typeof route.query.drive === 'string') void ofDrive(route.query.drive)
})
onBeforeUnmount(() => window.clearTimeout(timer))
</script>

<template>
  <main class="page">
    <div class="row spread">
      <h1>{{ card.asks }}</h1>
      <span class="row">
        <router-link :to="{ query: { ...route.query, all: '' } }" class="all">all fields</router-link>
        <el-button @click="example">Example</el-button>
        <el-button @click="fresh">Start fresh</el-button>
      </span>
    </div>
    <section class="sheet ask">
      <SentenceForm
        :model-value="typed"
        :sentence="lines"
        :fields="fields"
        :needed="neededOf(fields)"
        :problem="problem"
        :assumed="assumed"
        large
        @update:model-value="take"
      />
      <FaultList :faults="saysNothingElse ? [{ path: '', reason: problem?.detail ?? '', allowed: '' }] : others" />
      <div class="picture" :class="card.picture">
        <CardPicture :kind="card.picture" :result="result" :elevation="shown?.elevation" :typed="typed" />
        <HungBlank
          v-for="h in hung"
          :key="h.path"
          :model-value="h.value"
          :label="h.label"
          :unit="h.unit"
          :x="h.x"
          :y="h.y"
          :bad="problem?.errors.some((e) => e.path === 'input.' + h.path)"
          @update:model-value="(v: string) => take({ ...typed, [h.path]: v || undefined })"
        />
      </div>
    </section>
    <section class="sheet answer" aria-live="polite" :aria-busy="busy">
      <template v-if="shown">
        <div class="main">
          <p v-if="figures[0]" class="big">
            <span class="figure">{{ figures[0].shown }}</span>
            <span class="label">{{ figures[0].label }}</span>
          </p>
          <div class="tell">
            <p class="says">{{ String(shown.result.says) }}</p>
            <ReadingBar v-if="shown.result.bar" :bar="shown.result.bar as never" />
          </div>
        </div>
        <dl class="figures">
          <div v-for="f in figures.slice(1)" :key="f.name">
            <dt class="label">{{ f.label }}</dt>
            <dd class="figure">{{ f.shown }}</dd>
          </div>
        </dl>
        <NoticeList :notices="shown.notices" />
        <PictureFiles v-if="calc.drawn && result?.picture" :calc="calc.name" :body="body()" />
        <p class="row">
          <button
            v-for="f in figures.filter((x) => x.step).slice(0, 1)"
            :key="f.name"
            type="button"
            class="way"
            @click="how = { step: f.step, title: f.label }"
          >
            how come?
          </button>
          <button type="button" class="way" @click="use">Use on a machine</button>
          <router-link
            v-if="card.then[0]"
            class="way"
            :to="{
              path: `/bench/${card.then[0]}`,
              query: carried,
            }"
            >{{ card.then[1] }}</router-link
          >
        </p>
        <details>
          <summary>All figures</summary>
          <FigureTable
            :result="unremarked({ ...shown.result, says: '', bar: null }, shown.notices)"
            :titles="shown.titles"
            :first="calc.first"
            @how="(s: string, t: string) => (how = { step: s, title: t })"
          />
          <RecordTables :result="shown.result" :titles="shown.titles" />
        </details>
      </template>
      <p v-else class="dim">
        Say it in the sentence or on the drawing: the answer stands here as you type. Nothing is saved. Source:
        {{ calc.source }}.
      </p>
    </section>
    <JointCard v-if="shown && Array.isArray(result?.card)" :card="result as never" :drawn="card.picture === 'joint'" />
    <HowCome :steps="shown?.working ?? []" :step="how.step" :title="how.title" @close="how.step = null" />
  </main>
</template>

<style scoped>
.ask {
  padding: 12px 16px;
  display: grid;
  gap: 10px;
}
.all {
  display: inline-grid;
  align-items: center;
  min-height: 44px;
}
.picture {
  position: relative;
  width: 100%;
  max-width: 600px;
  justify-self: center;
}
.picture.wheels,
.picture.cut,
.picture.bearings,
.picture.motor,
.picture.chain-tape,
.picture.losses,
.picture.printed {
  max-width: 900px;
}
.picture.slack,
.picture.flow,
.picture.groove-gauge {
  max-width: 440px;
}
.picture :deep(svg) {
  display: block;
  margin: 0 auto;
}
.answer {
  padding: 12px 16px;
  display: grid;
  gap: 10px;
}
.main {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 6px 28px;
  align-items: center;
}
.big {
  display: grid;
}
.big .figure {
  font-size: 3.5rem;
  line-height: 1;
  letter-spacing: -0.05em;
}
.says {
  font: 600 1.375rem/1.25 var(--face-label);
}
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 40px;
  margin: 0;
}
.figures dd {
  margin: 0;
  font-size: 1.5rem;
}
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 4px;
  cursor: pointer;
}
@media (max-width: 900px) {
  .main {
    grid-template-columns: minmax(0, 1fr);
  }
}
/* On a phone the blanks of the sentence serve; on the picture they would cover it. */
@media (max-width: 700px) {
  .picture :deep(.hung) {
    display: none;
  }
  /* Drawn at half its size: its words are not. Some bring sizes of their own. */
  .picture :deep(svg:not(.scene, .own-size) text) {
    font-size: 23px;
  }
  .picture :deep(svg:not(.scene, .own-size) .big) {
    font-size: 27px;
  }
  /* The answer first under the sentence, then the picture would push it away: it stays at the foot of the screen. */
  .answer {
    position: sticky;
    bottom: 0;
    max-height: 42vh;
    overflow: auto;
    z-index: 3;
    border-width: 2px 0 0;
    margin: 0 -12px -12px;
  }
  .big .figure {
    font-size: 2.75rem;
  }
}
</style>
