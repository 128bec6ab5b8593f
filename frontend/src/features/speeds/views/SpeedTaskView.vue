<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'

import { calculate } from '@/api/calc'
import { api, attempt } from '@/api/client'
import type { CalcLine, Scene, Worked } from '@/api/types'
import PictureFiles from '@/drawing/PictureFiles.vue'
import ScenePicture from '@/drawing/ScenePicture.vue'
import SchemaFields from '@/forms/SchemaFields.vue'
import { exampleOf } from '@/forms/example'
import { bodyOf, carryTyped, fieldsOf, rowsTyped, typedOf, type Field, type Schema } from '@/forms/schema'
import { readCalculation } from '@/shared/state/calculations'
import { wayOfDrive } from '@/shared/state/knownDrives'
import { BENCH, setPlace } from '@/shared/state/place'
import { useQuestion } from '@/shared/state/question'
import { useSettings } from '@/shared/state/settings'
import FaultList from '@/shared/ui/FaultList.vue'
import HowCome from '@/shared/ui/HowCome.vue'
import NoticeList from '@/shared/ui/NoticeList.vue'

import KeepSpeeds from '../components/KeepSpeeds.vue'
import LineTable from '../components/LineTable.vue'
import ReadMeters from '../components/ReadMeters.vue'
import SentenceForm from '@/forms/SentenceForm.vue'
import { inRound, shownAt, taskOf } from '@/speeds/tasks'
import type { SpeedsOfDrive } from '@/speeds/types'
import AskHow from '@/shared/ui/AskHow.vue'

const props = defineProps<{ task: string }>()
const route = useRoute()
const settings = useSettings()
const task = computed(() => taskOf(props.task))
const calc = ref<CalcLine>()
const drive = ref<SpeedsOfDrive>()
const missing = ref('')
const typed = ref<Record<string, string | boolean | undefined>>({})
const round = ref(0)
// What stands on the drive is put in before anybody can type: it must never take the place of what was typed.
const loaded = ref(false)
const how = ref<{ step: string | null; title: string }>({ step: null, title: '' })
const fields = computed<Field[]>(() =>
  calc.value ? fieldsOf(calc.value.input_schema as Schema & { $defs?: Record<string, Schema> }) : [],
)
const input = () => bodyOf(fields.value, typed.value) ?? {}
const body = () => ({ units: settings.units, input: input() })
const { answer, former, problem, busy, ask, clear } = useQuestion<Worked>(() => JSON.stringify(body()))
const isSaid = (path: string) => String(typed.value[inRound(path, round.value)] ?? '').trim() !== ''
const ready = computed(
  () =>
    task.value !== undefined &&
    task.value.needed.every(isSaid) &&
    task.value.together.every((paths) => paths.every(isSaid) || !paths.some(isSaid)),
)
// While the next answer is worked the last one stays: a drawing that blinks with every key is none.
const shown = computed(() => answer.value ?? (busy.value || waiting.value ? former.value : undefined))
const waiting = ref(false)
const picture = computed(() => (shown.value?.result.picture as Scene | null | undefined) ?? null)
const chart = computed(() => (shown.value?.result.chart as Scene | null | undefined) ?? null)
const figures = computed(() =>
  (task.value?.figures ?? []).flatMap((f) => {
    const got = shown.value ? shownAt(shown.value.result, f.path) : null
    return got ? [{ ...f, ...got }] : []
  }),
)
const lists = computed(() =>
  (task.value?.lists ?? []).map((name) => ({
    name,
    rows: (shown.value?.result[name] ?? []) as Record<string, unknown>[],
  })),
)
const words = computed(() => {
  const r = shown.value?.result ?? {}
  return [...((r.turn_back as string[]) ?? []), ...((r.checks as string[]) ?? []), ...((r.rules as string[]) ?? [])]
})
const others = computed(() =>
  problem.value && !problem.value.errors.length
    ? [{ path: '', reason: problem.value.detail || problem.value.title, allowed: '' }]
    : (problem.value?.errors ?? []).filter((e) => !inSentence(e.path)),
)
const inSentence = (path: string) =>
  task.value?.sentence.some((line) =>
    line.some((p) => typeof p !== 'string' && path === 'input.' + inRound(p.path, round.value)),
  ) ?? false
/** The wheel as it is handed to the lathe: a made wheel's own calculation, filled from the answer. */
const makes = computed(() => {
  const r = shown.value?.result
  if (!r) return null
  if (props.task === 'slow') {
    const size = shownAt(r, 'diameter')
    return size ? { path: typed.value.groove ? '/bench/made-sheave' : '/bench/made-pulley', size: size.shown } : null
  }
  const rows = ((props.task === 'steps' ? r.steps : props.task === 'gears' ? r.ranges : null) ?? []) as Record<
    string,
    { shown: string }
  >[]
  const size = rows[0]?.driven?.shown
  return size ? { path: '/bench/made-pulley', size } : null
})

let timer: ReturnType<typeof setTimeout> | undefined
function soon() {
  clearTimeout(timer)
  if (!ready.value) {
    waiting.value = false
    clear()
    return
  }
  waiting.value = true
  timer = setTimeout(() => {
    waiting.value = false
    if (task.value) void ask(() => calculate<Worked>(task.value?.calc ?? '', body()))
  }, 350)
}
function example() {
  if (!calc.value) return
  typed.value = { ...task.value?.fresh, ...exampleOf(calc.value, fields.value, settings.units) }
  round.value = Math.max(0, rowsTyped('rounds', typed.value) - 1)
}
/** The new wheel is on: both shafts are measured again, and the next trim is worked from that. */
function again() {
  if (!shown.value) return
  const made = shownAt(shown.value.result, 'diameter')?.shown ?? ''
  round.value += 1
  typed.value = { ...typed.value, [`rounds.${round.value}.diameter`]: made }
}
async function readDrive() {
  const id = typeof route.query.drive === 'string' ? route.query.drive : ''
  if (!id) return
  const got = await attempt(
    api.GET('/api/drives/{ident}/speeds', { params: { path: { ident: id }, query: { units: settings.units } } }),
  )
  if (!got.ok) {
    missing.value = got.problem.detail || got.problem.title
    return
  }
  drive.value = got.data
  setPlace(task.value?.title ?? '', wayOfDrive(id, got.data.machine, got.data.name))
}
onMounted(async () => {
  setPlace(task.value?.title ?? '', [BENCH])
  typed.value = { ...task.value?.fresh }
  calc.value = task.value && (await readCalculation(task.value.calc))
  if (!calc.value && task.value) missing.value = 'The server does not answer: nothing can be worked now.'
  await readDrive()
  const asked = drive.value?.questions.find((q) => q.calc === task.value?.calc)
  if (asked) typed.value = { ...typed.value, ...typedOf(asked.input) }
  if (drive.value?.wanted_speed && task.value?.key === 'slow')
    typed.value = { ...typed.value, target: drive.value.wanted_speed.number.replace(/[^\d.]/g, '') }
  loaded.value = true
})
watch([typed, fields], soon, { deep: true })
watch(
  () => settings.units,
  (_now, before) => {
    typed.value = carryTyped(fields.value, typed.value, before)
    soon()
  },
  { flush: 'sync' },
)
onBeforeUnmount(() => clearTimeout(timer))
</script>

<template>
  <main class="page">
    <p v-if="!task">There is no such question. <router-link to="/bench">To the bench</router-link></p>
    <template v-else>
      <div class="row spread">
        <h1>{{ task.title }}</h1>
        <span class="row">
          <router-link v-if="drive" class="to" :to="`/drives/${drive.drive_id}/speeds`"
            >{{ drive.machine }}, {{ drive.name }}</router-link
          >
          <el-button @click="example">Fill in the example</el-button>
        </span>
      </div>
      <FaultList v-if="missing" :faults="[{ path: '', reason: missing, allowed: '' }]" />
      <section v-if="loaded" class="sheet ask">
        <p v-if="round > 0" class="round">Round {{ round + 1 }}: with the new wheel on</p>
        <SentenceForm
          v-model="typed"
          :sentence="task.sentence"
          :fields="fields"
          :needed="task.needed"
          :at="(path: string) => inRound(path, round)"
          :problem="problem"
        />
        <ReadMeters
          v-if="drive"
          :drive="drive.drive_id"
          :meters="task.meters"
          @read="(path: string, v: string) => (typed = { ...typed, [inRound(path, round)]: v })"
        />
        <FaultList v-if="others.length" :faults="others" />
        <details>
          <summary>All fields</summary>
          <SchemaFields v-model="typed" :fields="fields" :problem="problem" />
        </details>
      </section>
      <section class="answer" aria-live="polite" :aria-busy="busy">
        <template v-if="shown">
          <p class="says">{{ shown.result.says }}</p>
          <div class="two" :class="{ drawn: picture }">
            <div v-if="picture" class="sheet picture" tabindex="0" role="region" aria-label="The drawing">
              <ScenePicture :scene="picture" />
            </div>
            <div class="side">
              <dl class="figures">
                <div v-for="f in figures" :key="f.path">
                  <dt>{{ f.label }}</dt>
                  <dd>
                    <span class="big">{{ f.shown }}</span>
                    <AskHow :of="f.label" :step="f.step" @how="(s: string) => (how = { step: s, title: f.label })" />
                  </dd>
                </div>
              </dl>
              <div class="do">
                <el-button v-if="task.key === 'slow' && answer && round < 5" @click="again"
                  >It is on: measure again</el-button
                >
                <router-link
                  v-if="makes && answer"
                  class="key"
                  :to="{ path: makes.path, query: { outside: makes.size, groove: String(typed.groove ?? '') } }"
                  >Drawing of the wheel</router-link
                >
                <PictureFiles v-if="picture && answer" :calc="task.calc" :body="body()" :kinds="['pdf', 'svg']" />
              </div>
              <KeepSpeeds
                v-if="drive && answer"
                :drive="drive"
                :calc="task.calc"
                :typed="typed"
                :input="input()"
                :result="answer.result"
                @kept="readDrive"
              />
              <p v-else-if="answer" class="dim">
                Ask it at a drive (Machines, the drive, Speeds) and the answer can be kept there.
              </p>
              <NoticeList :notices="shown.notices" />
            </div>
          </div>
          <div v-if="chart" class="sheet picture" tabindex="0" role="region" aria-label="The fan before and after">
            <ScenePicture :scene="chart" />
          </div>
          <LineTable v-for="l in lists" :key="l.name" :name="l.name" :rows="l.rows" :titles="answer?.titles" />
          <ul v-if="words.length" class="words">
            <li v-for="w in words" :key="w">{{ w }}</li>
          </ul>
        </template>
        <p v-else class="dim">{{ task.asks }} Fill in the sentence; the answer is drawn here as you type.</p>
      </section>
      <HowCome :steps="shown?.working ?? []" :step="how.step" :title="how.title" @close="how.step = null" />
    </template>
  </main>
</template>

<style scoped>
.ask {
  padding: 14px 16px;
  display: grid;
  gap: 12px;
}
.round {
  font: 600 1.0625rem var(--face-label);
  margin: 0;
}
.answer {
  display: grid;
  gap: 12px;
  min-width: 0;
}
.says {
  font-size: 1.375rem;
  font-weight: 600;
  margin: 0;
}
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 34px;
  margin: 0;
}
.figures dt {
  font: 500 1rem var(--face-label);
  color: var(--dim);
}
.figures dd {
  margin: 0;
  display: flex;
  align-items: baseline;
  gap: 8px;
}
.big {
  font: 600 1.875rem var(--face-figure);
}
.two,
.side {
  display: grid;
  gap: 12px;
  align-content: start;
  min-width: 0;
}
.picture {
  padding: 8px;
  max-width: 900px;
}
/* Figures of a drawing keep a size that can be read: on a phone it is moved sideways. */
@media (max-width: 600px) {
  .picture {
    overflow-x: auto;
  }
  .picture :deep(svg) {
    min-width: 560px;
  }
}
@media (min-width: 1000px) {
  .drawn {
    grid-template-columns: minmax(0, 620px) minmax(0, 1fr);
    align-items: start;
  }
}
.do {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
}
.do :deep(.el-button),
.key {
  min-height: 48px;
  margin: 0;
}
.key {
  display: inline-grid;
  place-items: center;
  text-decoration: none;
}
.to {
  display: inline-grid;
  align-items: center;
  min-height: 44px;
}
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 4px;
}
.words {
  margin: 0;
  padding-left: 20px;
  display: grid;
  gap: 4px;
}
</style>
