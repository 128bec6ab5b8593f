<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'

import { calculate } from '@/api/calc'
import type { Worked } from '@/api/types'
import PictureFiles from '@/drawing/PictureFiles.vue'
import ElevationDrawing from '@/elevation/ElevationDrawing.vue'
import { fit } from '@/elevation/frame'
import { BENCH, setPlace } from '@/shared/state/place'
import { useQuestion } from '@/shared/state/question'
import { useSettings } from '@/shared/state/settings'
import FaultList from '@/shared/ui/FaultList.vue'
import NoticeList from '@/shared/ui/NoticeList.vue'
import RecordTables from '@/lists/RecordTables.vue'

import TypedBlank from '@/forms/TypedBlank.vue'

import TakeUpSentence from '../components/TakeUpSentence.vue'
import WheelSentence from '../components/WheelSentence.vue'
import { useHistory } from '../logic/history'
import {
  earlier,
  example,
  fresh,
  inputOf,
  inUnitsOf,
  secondRef,
  turnedOver,
  whole,
  withoutWheel,
  withWheel,
  type RouteTyped,
} from '../logic/wheels'

// A drive with idlers, levers and several driven shafts, drawn from a tape: every wheel a sentence, the drawing answers.
const settings = useSettings()
const route = ref<RouteTyped>(fresh())
const { past, change, undo, typedOn } = useHistory(route)
const body = () => ({ units: settings.units, input: inputOf(route.value) })
const { answer, former, problem, busy, ask, clear } = useQuestion<Worked>(() => JSON.stringify(body()))
const waiting = ref(false)
const shown = computed(() => answer.value ?? (busy.value || waiting.value ? former.value : undefined))
const second = computed(() => secondRef(route.value))
const length = computed(() => (settings.units === 'us' ? 'in' : 'mm'))
const force = computed(() => (settings.units === 'us' ? 'lbf' : 'N'))
const power = computed(() => (settings.units === 'us' ? 'hp' : 'kW'))
const WIDE = 640
const HIGH = 380
const frame = computed(() =>
  shown.value?.elevation
    ? fit(shown.value.elevation, WIDE, HIGH, { left: 26, right: 26, top: 26, bottom: 30 }, 0, 2)
    : null,
)
const hung = computed(() =>
  (shown.value?.elevation?.wheels ?? []).map((w, k) => ({
    k,
    id: w.id,
    x: frame.value?.x(w.x) ?? 0,
    y: frame.value?.y(w.y) ?? 0,
    r: Math.max((frame.value?.scale ?? 0) * w.outside_radius, 23),
    side: route.value.wheels[k]?.side ?? 'inside',
  })),
)
const faultOf = (k: number) =>
  problem.value?.errors.filter((e) => e.path === `input.wheels.${k}` || e.path.startsWith(`input.wheels.${k}.`)) ?? []
const others = computed(() =>
  problem.value && !problem.value.errors.length
    ? [{ path: '', reason: problem.value.detail || problem.value.title, allowed: '' }]
    : (problem.value?.errors ?? []).filter((e) => !/^input\.wheels\.\d+/.test(e.path)),
)

let timer: ReturnType<typeof setTimeout> | undefined
function soon() {
  clearTimeout(timer)
  if (!whole(route.value)) {
    waiting.value = false
    clear()
    return
  }
  waiting.value = true
  timer = setTimeout(() => {
    waiting.value = false
    void ask(() => calculate<Worked>('any-route', body()))
  }, 300)
}
watch(
  route,
  () => {
    typedOn()
    soon()
  },
  { deep: true },
)
watch(
  () => settings.units,
  (_now, before) => change(inUnitsOf(route.value, before)),
  { flush: 'sync' },
)
onMounted(() => setPlace('A drive with idlers', [BENCH]))
onBeforeUnmount(() => clearTimeout(timer))
</script>

<template>
  <main class="page">
    <div class="row spread">
      <h1>A drive with idlers and levers</h1>
      <span class="row">
        <el-button :disabled="!past.length" @click="undo">Undo</el-button>
        <el-button @click="change(example())">Fill in the example</el-button>
      </span>
    </div>
    <div class="two">
      <section class="sheet picture" aria-live="polite">
        <svg
          v-if="shown?.elevation && frame"
          :viewBox="`0 0 ${WIDE} ${HIGH}`"
          role="group"
          aria-label="The drive to scale; a wheel is pressed to put it on the other side of the loop"
        >
          <ElevationDrawing :elevation="shown.elevation" :frame="frame" />
          <g v-for="h in hung" :key="h.id">
            <circle
              v-if="h.k"
              class="hit"
              :cx="h.x"
              :cy="h.y"
              :r="h.r"
              tabindex="0"
              role="button"
              :aria-label="`${h.id}: the loop's ${h.side} touches it; press for the other side`"
              @click="change(turnedOver(route, h.k))"
              @keydown.enter.prevent="change(turnedOver(route, h.k))"
              @keydown.space.prevent="change(turnedOver(route, h.k))"
            />
            <text class="name" :x="h.x" :y="h.y + h.r + 5" text-anchor="middle">{{ h.id }}</text>
          </g>
        </svg>
        <p v-else class="dim">The drive is drawn here as soon as every wheel has its size and its place.</p>
        <p v-if="shown" class="says">{{ shown.result.says }}</p>
        <PictureFiles v-if="answer" calc="any-route" :body="body()" />
      </section>
      <section class="wheels">
        <div class="sheet clause">
          A
          <select v-model="route.loop" aria-label="what runs on the wheels">
            <option v-for="l in ['V-belt', 'flat belt', 'toothed belt', 'chain']" :key="l">{{ l }}</option>
          </select>
          , the driver turns at <TypedBlank v-model="route.driver_speed" says="speed of the driver" unit="rpm" />
          <select v-model="route.clockwise" aria-label="sense of the driver">
            <option :value="true">clockwise</option>
            <option :value="false">counter-clockwise</option>
          </select>
          .
        </div>
        <WheelSentence
          v-for="(w, k) in route.wheels"
          :key="k"
          v-model="route.wheels[k]!"
          :no="k + 1"
          :drives="k === 0"
          :taped-to="k === second"
          :first="route.wheels[0]?.name ?? ''"
          :second="route.wheels[second]?.name ?? ''"
          :units="{ length, power }"
          :faults="faultOf(k)"
        >
          <el-button :disabled="k < 3" :aria-label="`${w.name} earlier in the way`" @click="change(earlier(route, k))"
            >Earlier</el-button
          >
          <el-button v-if="k !== second" :aria-label="`Take out ${w.name}`" @click="change(withoutWheel(route, k))"
            >Take out</el-button
          >
        </WheelSentence>
        <div class="row add">
          <el-button @click="change(withWheel(route, 'idler'))">Add an idler</el-button>
          <el-button @click="change(withWheel(route, 'driven'))">Add a driven wheel</el-button>
        </div>
        <TakeUpSentence
          v-model="route.take_up"
          :wheels="route.wheels.slice(1).map((w) => w.name)"
          :first="route.wheels[0]?.name ?? ''"
          :second="route.wheels[second]?.name ?? ''"
          :units="{ length, force }"
          otherwise="Nothing takes up."
          :faults="[]"
        >
          <template v-if="route.take_up.how === 'none' || route.take_up.by === 'nothing'">
            Set to <TypedBlank v-model="route.static_tension" says="static tension" :unit="force" />.
          </template>
          Loop <TypedBlank v-model="route.loop_length" says="loop length" :unit="length" /> long;
          <label class="check"><input v-model="route.engages" type="checkbox" /> it is the clutch</label>
        </TakeUpSentence>
        <FaultList v-if="others.length" :faults="others" />
      </section>
    </div>
    <template v-if="shown">
      <NoticeList :notices="shown.notices" />
      <RecordTables :result="{ wheels: shown.result.wheels, strands: shown.result.strands }" :titles="shown.titles" />
    </template>
  </main>
</template>

<style scoped src="../components/clause.css"></style>
<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 12px;
  align-items: start;
}
.picture {
  padding: 10px;
  display: grid;
  gap: 8px;
  position: sticky;
  top: 0;
}
svg {
  width: 100%;
  display: block;
}
.hit {
  fill: transparent;
  stroke: var(--touch);
  stroke-width: 2;
  cursor: pointer;
}
.name {
  dominant-baseline: hanging;
  font: 600 15px var(--face-label);
  fill: var(--ink);
}
.says {
  font-size: 1.25rem;
  font-weight: 600;
  margin: 0;
}
.wheels {
  display: grid;
  gap: 8px;
}
.add :deep(.el-button) {
  min-height: 46px;
  margin: 0;
}
@media (max-width: 600px) {
  .name {
    font-size: 1.625rem;
  }
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
  .picture {
    position: static;
  }
}
</style>
