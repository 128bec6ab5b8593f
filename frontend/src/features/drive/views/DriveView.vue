<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'

import { api, attempt } from '@/api/client'
import type { Build, Drive, DriveInput, Options, Picked, Problem, Sheet } from '@/api/types'
import AllFigures from '@/shared/ui/AllFigures.vue'
import FaultList from '@/shared/ui/FaultList.vue'
import HowCome from '@/shared/ui/HowCome.vue'
import { otherFaults } from '@/shared/format/faults'
import { wheelName } from '@/shared/format/words'
import SettleBoth from '@/shared/ui/SettleBoth.vue'
import { driveLabels } from '@/elevation/callOuts'
import ElevationSheet from '@/elevation/ElevationSheet.vue'
import { formsOf } from '@/families'
import { forDuty } from '@/forms/duty'
import { onTheMachine } from '@/shared/state/builds'
import { useFamilies } from '@/shared/state/families'
import { useKept } from '@/shared/state/kept'
import { useLater } from '@/shared/state/later'
import { save } from '@/shared/state/outbox'
import { setPlace } from '@/shared/state/place'
import { useSettings } from '@/shared/state/settings'

import AnswerColumn from '../components/AnswerColumn.vue'
import AroundFigures from '@/lists/AroundFigures.vue'
import ChooseStage from '../components/ChooseStage.vue'
import DriveLinks from '../components/DriveLinks.vue'
import PartsOf from '../components/PartsOf.vue'
import DutyStage from '../components/DutyStage.vue'
import FoundStage from '../components/FoundStage.vue'
import MarkAsk from '../components/MarkAsk.vue'
import StageStrip from '../components/StageStrip.vue'
import TensionEnds from '../components/TensionEnds.vue'
import TensionFall from '../components/TensionFall.vue'
import TensionStage from '../components/TensionStage.vue'
import { useWorkedDrive } from '../composables/workedDrive'
import { stagesOf } from '../logic/stages'

const props = defineProps<{ id: string }>()
const settings = useSettings()
const route = useRoute()
const router = useRouter()
const drive = ref<Drive>()
const missing = ref<Problem | null>(null)
const saving = ref<Problem | null>(null)
const build = ref<Build>()
const worked = useWorkedDrive()
const faultPath = ref('')
const how = ref<{ step: string | null; title: string }>({ step: null, title: '' })
const all = ref(false)
// What only this family shows beside its answers.
const beside = computed(() => formsOf(worked.family.value).beside)
const besideOpen = ref(false)
// A change that is not saved yet outlives the tab.
const { value: kept, forget } = useKept(`drive.${props.id}`, () => ({
  input: null as DriveInput | null,
  family: '',
  calc: '',
  options: {} as Options,
}))

const stage = computed({
  get: () =>
    typeof route.query.stage === 'string'
      ? route.query.stage
      : build.value
        ? 'tension'
        : drive.value?.duty
          ? 'choose'
          : 'duty',
  set: (s) => void router.replace({ query: { ...route.query, stage: s } }),
})
const stages = computed(() =>
  drive.value ? stagesOf(drive.value, build.value, worked.answer.value, worked.busy.value || !settled.value) : [],
)
const labels = computed(() =>
  worked.answer.value?.sheet ? driveLabels(worked.answer.value.sheet, settings.wheelWord) : [],
)
// A loop that is the clutch is looked at engaged or let go.
const letGo = ref(false)
const around = computed(() => worked.answer.value?.sheet?.around ?? null)
const elevation = computed(() => (letGo.value ? (around.value?.released_elevation ?? null) : null))
const titles: Record<string, string> = { found: 'As found', designed: 'Designed', fitted: 'Fitted' }
const title = computed(() =>
  worked.changed.value ? 'On the drawing, not saved' : build.value ? (titles[build.value.purpose] ?? '') : 'Chosen',
)
const fault = computed(
  () =>
    worked.problem.value?.errors.find((e) => e.path.startsWith('input.' + faultPath.value)) ??
    worked.problem.value?.errors[0],
)
const layout = computed(() => worked.input.value?.layout as { angle: number; clockwise: boolean } | undefined)
const { known } = useFamilies()
const settled = ref(false)
const unsavedBar = ref<HTMLElement>()
// The last save, so that what it was asked can be added and it can be sent again.
const sent = ref<Record<string, unknown>>({})
const anyway = ref<'' | 'designed' | 'fitted'>('')
// What the options are held against: the build that is shown, not a change that is being tried.
const today = ref<Sheet | null>(null)
const asksMark = computed(
  () => saving.value?.errors.some((e) => e.path.startsWith('temporary') || e.path === 'promised_date') ?? false,
)
const told = computed(() =>
  saving.value && !asksMark.value && saving.value.type !== 'tuyere:stale'
    ? saving.value.detail || saving.value.title
    : '',
)
const draft = computed(() => drive.value?.builds.find((b) => b.state === 'draft'))

async function load(keepShown = false) {
  const got = await attempt(
    api.GET('/api/drives/{ident}', { params: { path: { ident: props.id }, query: { units: settings.units } } }),
  )
  if (!got.ok) {
    missing.value = got.problem
    return
  }
  drive.value = got.data
  setPlace(got.data.machine.name, got.data.name)
  if (keepShown) return
  settled.value = false
  const unsaved = kept.value.input
  if (unsaved) {
    build.value = got.data.builds[0]
    // An earlier version kept the book under its former name.
    const { basis } = kept.value as { basis?: string }
    worked.options.value = basis ? { book: basis } : kept.value.options
    await worked.take(kept.value.family, kept.value.calc, unsaved)
  } else {
    // What stands on the machine before a plan for it: its tension is the one to set.
    const builds = got.data.builds
    const onIt = onTheMachine(builds)
    const first = builds.find((b) => b.id === route.query.build) ?? onIt ?? builds[0]
    if (first) await show(first)
  }
  settled.value = true
}
async function show(b: Build) {
  build.value = b
  worked.options.value = b.options
  await worked.take(b.family, b.calc, b.input, false)
  worked.changed.value = false
  today.value = worked.answer.value?.sheet ?? null
  forget()
}
async function change(path: string, typed: string) {
  faultPath.value = path
  if (await worked.change(path, typed)) remember()
}
async function use(options: Options) {
  const before = worked.options.value
  worked.options.value = options
  if (worked.input.value && (await worked.work(worked.input.value))) return remember()
  worked.options.value = before
}
function remember() {
  kept.value.input = worked.input.value
  kept.value.options = worked.options.value
  kept.value.family = worked.family.value
  kept.value.calc = worked.calc.value
}
async function pick(p: Picked) {
  faultPath.value = ''
  worked.options.value = p.options ?? {}
  if (await worked.take(p.family, p.calc, await asked(p.family, p.input))) remember()
  // What the press opened is the saving: the eye and the focus go there.
  await nextTick()
  unsavedBar.value?.scrollIntoView({ block: 'center' })
  unsavedBar.value?.focus()
}
/** An input with what the duty of this drive asks, so that its speed is held against the wanted one. */
async function asked(family: string, input: DriveInput): Promise<DriveInput> {
  const of = (await known()).find((f) => f.key === family)
  return of && drive.value?.duty ? forDuty(input, drive.value.duty, of.speed_field) : input
}
async function keep(purpose: 'designed' | 'fitted', freeze: boolean) {
  if (!worked.input.value) return
  // A change that was refused is not on the drawing: settling would leave it out without a word.
  if (freeze && worked.problem.value && !anyway.value) {
    anyway.value = purpose
    return
  }
  anyway.value = ''
  await send({
    rev: draft.value?.rev ?? 0,
    purpose,
    freeze,
    units: settings.units,
    options: worked.options.value,
    created_by_name: settings.name,
    family: worked.family.value,
    input: worked.input.value,
  })
}
async function send(body: Record<string, unknown>) {
  sent.value = body
  const got = await save<Build>(
    'POST',
    `/api/drives/${props.id}/builds`,
    body,
    `a build of ${drive.value?.name ?? 'a drive'}`,
  )
  if (!got.ok) {
    saving.value = got.problem
    return
  }
  saving.value = null
  forget()
  worked.changed.value = false
  await load(true)
  build.value = drive.value?.builds.find((b) => b.id === got.data.id)
}
async function undo() {
  worked.problem.value = null
  if (build.value) await show(build.value)
  else {
    worked.answer.value = null
    worked.input.value = null
    worked.changed.value = false
    forget()
  }
}
async function theirs() {
  saving.value = null
  forget()
  worked.changed.value = false
  await load()
}
/** The duty holds for everything that is shown: what stands here is worked for it at once. */
async function dutySaved(d: Drive) {
  drive.value = d
  if (worked.changed.value && worked.input.value) {
    if (await worked.work(await asked(worked.family.value, worked.input.value))) remember()
  } else {
    const now = d.builds.find((b) => b.id === build.value?.id)
    if (now) await show(now)
  }
  if (!build.value) stage.value = 'choose'
}
useLater(saving, () => void theirs())
onMounted(() => void load())
watch(
  () => settings.units,
  () => {
    // At once, so that what the person does next comes after it.
    if (worked.input.value) void worked.work(worked.input.value, worked.changed.value)
    void load(true)
  },
)
</script>

<template>
  <main class="page drive">
    <FaultList :faults="otherFaults(missing, [])" />
    <p v-if="!drive && !missing" class="dim">Reading the drive…</p>
    <template v-if="drive">
      <div class="head">
        <template v-if="worked.answer.value?.elevation && worked.input.value">
          <ElevationSheet
            :elevation="elevation ?? worked.answer.value.elevation"
            :labels="labels"
            :fault-path="faultPath"
            :fault="fault"
            :busy="worked.busy.value"
            :said="worked.said.value"
            @change="change"
            @cancel="worked.problem.value = null"
            @how="(s: string, t: string) => (how = { step: s, title: t })"
          />
          <AnswerColumn
            :settled-for="worked.changed.value ? null : build?.settled_for"
            :duty="drive.duty"
            :answer="worked.answer.value"
            :title="title"
            :beside="beside?.word"
            @how="(s: string, t: string) => (how = { step: s, title: t })"
            @more="all = true"
            @beside="besideOpen = true"
          />
        </template>
        <div v-else-if="!settled" class="sheet empty wide"><p class="dim" role="status">Working the drive…</p></div>
        <div v-else class="sheet empty wide">
          <h2>{{ drive.name }}: nothing drawn yet</h2>
          <p v-if="worked.problem.value">The build on record cannot be worked:</p>
          <FaultList v-if="worked.problem.value" :faults="otherFaults(worked.problem.value, [])" />
          <p v-else>
            Write down what is on it, or say what it must do and choose a drive. The drive is then drawn here to scale.
          </p>
          <div class="row">
            <el-button type="primary" @click="stage = 'duty'">Say what it must do</el-button>
            <el-button @click="stage = 'found'">Write down what is there</el-button>
          </div>
        </div>
      </div>
      <div v-if="around?.released" class="sheet unsaved" role="group" aria-label="The clutch">
        <el-button :type="letGo ? '' : 'primary'" :aria-pressed="!letGo" @click="letGo = false">Engaged</el-button>
        <el-button :type="letGo ? 'primary' : ''" :aria-pressed="letGo" @click="letGo = true">Let go</el-button>
        <span v-if="letGo"
          >Slack <b class="figure">{{ around.released.slack.shown }}</b>{{
            around.released.drags ? ': it drags' : ''
          }}</span
        >
      </div>
      <div v-if="worked.changed.value" ref="unsavedBar" class="sheet unsaved" role="status" tabindex="-1">
        <strong>Changed here, not saved.</strong>
        <el-button type="primary" @click="keep('designed', false)">Save as draft</el-button>
        <el-button @click="keep('fitted', true)">It is fitted: settle it</el-button>
        <el-button @click="undo">Put back</el-button>
        <span v-if="told" class="hot">{{ told }}</span>
      </div>
      <div v-else-if="build?.state === 'draft'" class="sheet unsaved">
        <strong>Build {{ build.no }} is a draft.</strong>
        <el-button @click="keep('fitted', true)">It is fitted: settle it</el-button>
        <el-button @click="keep('designed', true)">Settle it as designed</el-button>
        <span v-if="told" class="hot">{{ told }}</span>
      </div>
      <p v-if="anyway" class="sheet unsaved" role="alert">
        <strong>The last change was refused and is not part of this:</strong> {{ worked.problem.value?.detail }}
        <el-button @click="keep(anyway || 'fitted', true)">Settle it without that change</el-button>
        <el-button @click="anyway = ''">Not yet</el-button>
      </p>
      <MarkAsk
        v-if="saving && asksMark"
        class="sheet unsaved"
        :problem="saving"
        @save="(m: Record<string, unknown>) => send({ ...sent, ...m })"
      />
      <SettleBoth
        v-if="saving?.type === 'tuyere:stale'"
        :problem="saving"
        what="this draft"
        :yours="sent"
        @save="send"
        @theirs="theirs"
      />
      <DriveLinks v-if="build" :id="id" :plate="drive.plate" :around="around !== null" />
      <StageStrip v-model="stage" :stages="stages" />
      <section id="panel" class="sheet panel" role="tabpanel" :aria-labelledby="'stage-' + stage">
        <FoundStage
          v-if="stage === 'found'"
          :key="drive.builds.length"
          :drive="drive"
          :showing="build?.id ?? ''"
          @saved="load()"
          @open="show"
        />
        <DutyStage v-else-if="stage === 'duty'" :drive="drive" @saved="dutySaved" @again="load()" />
        <ChooseStage
          v-else-if="stage === 'choose'"
          :drive="drive"
          :layout="layout"
          :today="today"
          :around="around"
          @pick="pick"
          @loop="change"
          @duty="stage = 'duty'"
        />
        <template v-else>
          <TensionStage
            v-if="worked.answer.value"
            :family="worked.family.value"
            :answer="worked.answer.value"
            :sources="drive.machine.energy_sources"
          />
          <p v-else>Tension follows from the drive: choose one first.</p>
          <TensionEnds
            v-if="worked.answer.value && worked.input.value"
            :drive="drive"
            :calc="worked.answer.value.calc"
            :input="worked.input.value"
            :options="worked.options.value"
            :strands="around?.spans"
            @saved="load()"
          />
          <TensionFall :id="id" />
        </template>
      </section>
      <AroundFigures
        v-if="worked.answer.value?.sheet?.around"
        :around="worked.answer.value.sheet.around"
        @how="(s: string, t: string) => (how = { step: s, title: t })"
      />
      <PartsOf v-if="build" :id="id" :key="build.id" />
      <HowCome
        :steps="worked.answer.value?.working ?? []"
        :step="how.step"
        :title="wheelName(settings.wheelWord, how.title)"
        @close="how.step = null"
      />
      <component
        :is="beside.component"
        v-if="beside"
        v-model="besideOpen"
        :input="worked.input.value"
        :options="worked.options.value"
        @use="use"
      />
      <AllFigures
        v-if="worked.answer.value"
        v-model="all"
        :answer="worked.answer.value"
        @how="(s: string, t: string) => (how = { step: s, title: t })"
      />
    </template>
  </main>
</template>

<style scoped>
.head {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 392px;
  gap: 10px;
  height: 414px;
}
.wide {
  grid-column: 1 / 3;
  align-content: center;
}
.drive {
  gap: 10px;
  padding: 10px;
}
.panel {
  padding: 14px 18px;
}
.unsaved {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  padding: 7px 14px;
  border-left: 6px solid var(--ink);
}
.hot {
  color: var(--hot);
  font-weight: 600;
}
@media (max-width: 900px) {
  .head {
    grid-template-columns: minmax(0, 1fr);
    height: auto;
  }
  .wide {
    grid-column: 1;
  }
  .panel {
    padding: 12px;
  }
}
</style>
