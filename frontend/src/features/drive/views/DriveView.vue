<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'

import type { Notice } from '@/api/types'
import AfterFrames from '@/shared/ui/AfterFrames.vue'
import FaultList from '@/shared/ui/FaultList.vue'
import HowCome from '@/shared/ui/HowCome.vue'
import { otherFaults } from '@/shared/format/faults'
import { isoDay } from '@/shared/format/words'
import { useAfterSight } from '@/shared/ui/afterSight'
import { driveLabels } from '@/elevation/callOuts'
import ElevationSheet from '@/elevation/ElevationSheet.vue'
import { formsOf } from '@/families'
import { inSystem } from '@/shared/format/designation'
import { useSettings } from '@/shared/state/settings'

import AnswerColumn from '../components/AnswerColumn.vue'
import DriveHead from '../components/DriveHead.vue'
import DriveLinks from '../components/DriveLinks.vue'
import DriveShell from '../components/DriveShell.vue'
import IsolationLine from '../components/IsolationLine.vue'
import NotHere from '../components/NotHere.vue'
import PartsOf from '../components/PartsOf.vue'
import ReadEarlier from '../components/ReadEarlier.vue'
import GaugePicture from '../components/GaugePicture.vue'
import StageNumber from '../components/StageNumber.vue'
import StageStrip from '../components/StageStrip.vue'
import TemporaryStrip from '../components/TemporaryStrip.vue'
import TensionStage from '../components/TensionStage.vue'
import {
  ChooseStage,
  DutyStage,
  FoundStage,
  TensionEnds,
  TensionFall,
  AroundFigures,
  AllFigures,
  MarkAsk,
  SettleBoth,
  DrivePaper,
  EmptyDrive,
  ClutchSwitch,
} from '../components/laterParts'
import { useDrivePage } from '../composables/drivePage'
import { useGauge } from '../composables/gauge'
import { stagesOf } from '../logic/stages'

const props = defineProps<{ id: string }>()
const settings = useSettings()
const page = useDrivePage(() => props.id)
const { drive, missing, saving, build, worked, faultPath, settled, asOf, checking, unsavedBar, sent, anyway } = page
const { today, standing, stage, load, show, change, use, pick, keep, send, undo, theirs, dutySaved } = page

// The sheet for paper is made once the first sight is over, or at once where somebody prints.
const looked = useAfterSight()
const how = ref<{ step: string | null; title: string }>({ step: null, title: '' })
const all = ref(false)
// Opened once it stays, so that it can close as it opened.
const everAll = ref(false)
watch(all, (open) => (everAll.value ||= open))
const ask = (step: string, title: string) => (how.value = { step, title })
// What only this family shows beside its answers.
const beside = computed(() => formsOf(worked.family.value).beside)
const besideOpen = ref(false)
const stages = computed(() =>
  drive.value
    ? stagesOf(drive.value, build.value, worked.answer.value, worked.busy.value || !settled.value, settings.units)
    : [],
)
const labels = computed(() => (worked.answer.value?.sheet ? driveLabels(worked.answer.value.sheet) : []))
// A loop that is the clutch is looked at engaged or let go.
const letGo = ref(false)
const around = computed(() => worked.answer.value?.sheet?.around ?? null)
const elevation = computed(() => (letGo.value ? (around.value?.released_elevation ?? null) : null))
const titles: Record<string, string> = { found: 'As found', designed: 'Designed', fitted: 'Fitted' }
const title = computed(() =>
  worked.changed.value ? 'On the drawing, not saved' : build.value ? (titles[build.value.purpose] ?? '') : 'Chosen',
)
// The stage's answers, the first of them its one number; what it is says whether it is found, designed or fitted.
const rows = computed(() => {
  const every = worked.answer.value?.sheet?.answers ?? []
  const own = every.filter((a) => a.stage === stage.value)
  const of = own.length ? own : every.filter((a) => a.stage === 'tension')
  return of.map((a, k) => ({
    ...a,
    // The same condition is said once, with the number that it stands under.
    how: k && a.how === of[0]?.how ? '' : a.how,
    name: a.label || title.value,
  }))
})
const fault = computed(
  () =>
    worked.problem.value?.errors.find((e) => e.path.startsWith('input.' + faultPath.value)) ??
    worked.problem.value?.errors[0],
)
const layout = computed(() => worked.input.value?.layout as { angle: number; clockwise: boolean } | undefined)
const asksMark = computed(
  () => saving.value?.errors.some((e) => e.path.startsWith('temporary') || e.path === 'promised_date') ?? false,
)
const told = computed(() =>
  saving.value && !asksMark.value && saving.value.type !== 'tuyere:stale'
    ? saving.value.detail || saving.value.title
    : '',
)
const handsOn = computed(() => stage.value === 'tension' || stage.value === 'found')
const day = isoDay(new Date())
// The gauge: what the belts are set to, both ends of it, and readings that are tried on it.
const set = computed(() => worked.answer.value?.sheet?.setting.by)
const held = computed(() =>
  drive.value && worked.answer.value && worked.input.value && set.value !== 'slack' && stage.value === 'tension'
    ? {
        drive: drive.value,
        calc: worked.answer.value.calc,
        input: worked.input.value,
        options: worked.options.value,
        strands: around.value?.spans,
      }
    : null,
)
const gauge = useGauge(
  props.id,
  () => held.value,
  () => set.value === 'press',
  () => load(true),
)
const { tension, target, tried, failed, pickSpan, lastRead, pointers, readBelt, fault: gaugeFault } = gauge
// On the Tension stage the drawing goes to the strand; the whole drive with its sizes is one press away.
const wholeDrive = ref(false)
// Who changes a size on the drawing stays with it, also when the change is put back.
watch(
  () => worked.changed.value,
  (now) => now && (wholeDrive.value = true),
)
const zoomed = computed(
  () =>
    stage.value === 'tension' &&
    !wholeDrive.value &&
    !worked.changed.value &&
    !letGo.value &&
    (target.value || !tension.problem.value),
)

const ready = computed(() => settled.value || worked.answer.value !== null)
const waits = computed(() => held.value && !tension.target.value && !tension.problem.value)
/** What was assumed is said where it is asked: the duty's own, or the field on the drawing. */
function toAssumption(n: Notice) {
  stage.value = n.path?.includes('slip') ? 'found' : 'duty'
}
onMounted(() => void load())
</script>

<template>
  <main class="page drive">
    <NotHere v-if="missing && !drive" :why="missing.why" :detail="missing.detail" @again="load()" />
    <template v-else-if="!drive">
      <h1 class="waiting">The drive</h1>
      <DriveShell />
    </template>
    <template v-if="drive">
      <DrivePaper
        v-if="worked.answer.value && looked"
        :drive="drive"
        :build="build"
        :answer="worked.answer.value"
        :belts="target?.result.belts ?? 1"
        :target="target?.result"
      />
      <DriveHead
        :drive="drive"
        :what="worked.answer.value?.sheet?.designation ?? inSystem(build?.what ?? '', settings.units)"
        :title="title"
      />
      <ReadEarlier v-if="asOf" :name="drive.name" :at="asOf" :checking="checking" @again="load()" />
      <TemporaryStrip v-if="build?.temporary && !worked.changed.value" :build="build" :today="day" />
      <IsolationLine v-if="handsOn && build" :id="id" :sources="drive.machine.energy_sources" />
      <DriveShell v-if="!worked.answer.value && build && !settled" :what="inSystem(build.what, settings.units)" />
      <div v-else class="head" :class="{ crowded: around !== null && !zoomed }">
        <template v-if="worked.answer.value?.elevation && worked.input.value">
          <StageNumber v-if="rows[0]" :row="rows[0]" :label="rows[0].name" class="the-number" @how="ask" />
          <GaugePicture
            v-if="zoomed && worked.answer.value.sheet"
            class="the-drawing"
            :sheet="worked.answer.value.sheet"
            :elevation="worked.answer.value.elevation"
            :target="target?.result"
            :strand="tension.span.value"
            :edges="tried.edges.value"
            @touch="readBelt"
            @whole="wholeDrive = true"
          />
          <ElevationSheet
            v-else
            class="the-drawing"
            :elevation="elevation ?? worked.answer.value.elevation"
            :labels="labels"
            :fault-path="faultPath"
            :fault="fault"
            :busy="worked.busy.value"
            :said="worked.said.value"
            @change="change"
            @cancel="worked.problem.value = null"
            @how="ask"
          />
          <!-- The number and its drawing are one task, what stands beside and under them one each. -->
          <AfterFrames :frames="1">
            <AnswerColumn
              class="the-answers"
              :settled-for="worked.changed.value ? null : build?.settled_for"
              :duty="drive.duty"
              :answer="worked.answer.value"
              :stage="stage"
              :rows="rows.slice(1)"
              :beside="beside?.word"
              @how="ask"
              @more="all = true"
              @beside="besideOpen = true"
              @assumption="toAssumption"
            />
          </AfterFrames>
        </template>
        <DriveShell v-else-if="!settled" class="wide" />
        <section v-else-if="worked.problem.value" class="sheet wide unworked">
          <h2>The build on record cannot be worked</h2>
          <FaultList :faults="otherFaults(worked.problem.value, [])" />
          <div class="row"><el-button @click="stage = 'found'">Write down what is there</el-button></div>
        </section>
        <EmptyDrive
          v-else
          class="wide"
          :duty="drive.duty"
          @choose="stage = 'choose'"
          @duty="stage = 'duty'"
          @found="stage = 'found'"
        />
      </div>
      <ClutchSwitch v-if="around?.released" v-model="letGo" :released="around.released" />
      <div
        v-if="worked.changed.value"
        :ref="(el) => (unsavedBar = (el as HTMLElement | null) ?? undefined)"
        class="sheet unsaved"
        role="status"
        tabindex="-1"
      >
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
      <StageStrip v-model="stage" :stages="stages" />
      <!-- What stands under the drawing comes when the drawing does: nothing is pushed away from under a finger. -->
      <AfterFrames v-if="ready" :frames="2">
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
            :standing="standing"
            :around="around"
            @pick="pick"
            @loop="change"
            @duty="stage = 'duty'"
          />
          <template v-else>
            <p v-if="waits" class="dim waits" role="status">Working what to set…</p>
            <TensionStage
              v-else-if="worked.answer.value"
              v-model:state="tension.state.value"
              :answer="worked.answer.value"
              :target="target?.result"
              :pointers="pointers"
              :says="tried.says.value"
              :fault="gaugeFault"
              @clear="tried.forget()"
            />
            <p v-else-if="settled">Tension follows from the drive: choose one first.</p>
            <p v-if="wholeDrive && stage === 'tension'" class="row">
              <el-button @click="wholeDrive = false">The strand to set</el-button>
            </p>
            <TensionEnds
              v-if="target"
              :drive="drive"
              :target="target"
              :schools="tension.schools.value"
              :strands="around?.spans"
              :span="tension.span.value"
              :failed="failed"
              @saved="load()"
              @span="pickSpan"
            />
            <p v-else-if="held && tension.problem.value" class="field-fault">{{ tension.problem.value.detail }}</p>
            <TensionFall :id="id" @last="(l) => (lastRead = l)" />
          </template>
        </section>
      </AfterFrames>
      <AfterFrames v-if="build && ready" :frames="3"
        ><DriveLinks :id="id" :plate="drive.plate" :around="around !== null"
      /></AfterFrames>
      <AroundFigures v-if="worked.answer.value?.sheet?.around" :around="worked.answer.value.sheet.around" @how="ask" />
      <AfterFrames v-if="build && ready" :frames="4"><PartsOf :id="id" :key="build.id" /></AfterFrames>
      <HowCome
        :steps="worked.answer.value?.working ?? []"
        :step="how.step"
        :title="how.title"
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
        v-if="worked.answer.value && everAll"
        v-model="all"
        :answer="worked.answer.value"
        :stage="stage"
        @how="ask"
      />
    </template>
  </main>
</template>

<style scoped>
/* On paper the sheet that is made for it stands for the page. */
@media print {
  .drive:has(> .paper) > :not(.paper) {
    display: none !important;
  }
}
@media (max-width: 700px) {
  /* A form's action stands over the strip of stages, which stands at the foot of the page. */
  .drive {
    --foot: calc(34px + 2.3 * min(0.8125rem, 4.2vw));
  }
}
.drive {
  gap: 8px;
  padding: 4px 10px 10px;
}
/* The drawing takes the height that there is; the panel keeps its first figures in sight. */
.head {
  display: grid;
  grid-template: 'draw number' auto 'draw answers' 1fr / minmax(0, 1fr) minmax(340px, 392px);
  gap: 0 10px;
  min-height: clamp(340px, 100vh - 452px, 660px);
}
.head.crowded {
  min-height: clamp(460px, 100vh - 340px, 760px);
}
.the-number {
  grid-area: number;
}
.the-drawing {
  grid-area: draw;
}
.the-answers {
  grid-area: answers;
  border-top: 0;
}
.wide {
  grid-area: 1 / 1 / 3 / 3;
  align-content: center;
}
.unworked {
  padding: 14px 18px;
}
.waiting {
  color: var(--dim);
}
.panel {
  padding: 14px 18px;
  min-height: 320px;
}
.waits {
  min-height: 420px;
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
    grid-template: 'number' auto 'draw' auto 'answers' auto / minmax(0, 1fr);
    gap: 8px;
    min-height: 0;
  }
  .the-answers {
    border-top: 1px solid var(--ink);
  }
  .wide {
    grid-area: auto;
  }
  .panel {
    padding: 12px;
  }
}
</style>
