<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'

import { calculate } from '@/api/calc'
import type { Elevation, Notice, Step } from '@/api/types'
import PictureFiles from '@/drawing/PictureFiles.vue'
import ElevationDrawing from '@/elevation/ElevationDrawing.vue'
import { fit } from '@/elevation/frame'
import { faultText } from '@/shared/format/faults'
import { setPlace } from '@/shared/state/place'
import { useQuestion } from '@/shared/state/question'
import { useSettings } from '@/shared/state/settings'
import FaultList from '@/shared/ui/FaultList.vue'
import NoticeList from '@/shared/ui/NoticeList.vue'
import RecordTables from '@/lists/RecordTables.vue'

import TypedBlank from '@/forms/TypedBlank.vue'
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
interface Answer {
  result: Record<string, unknown>
  working: Step[]
  notices: Notice[]
  elevation: Elevation | null
}
const settings = useSettings()
const route = ref<RouteTyped>(fresh())
const past = ref<string[]>([])
const body = () => ({ units: settings.units, input: inputOf(route.value) })
const { answer, former, problem, busy, ask, clear } = useQuestion<Answer>(() => JSON.stringify(body()))
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

// Every change can be taken back, what is typed as well: a run of keys counts as one.
let now = JSON.stringify(route.value)
let typedAt = 0
function remember() {
  past.value = [...past.value.slice(-99), now]
}
function change(next: RouteTyped) {
  remember()
  typedAt = 0
  now = JSON.stringify(next)
  route.value = next
}
function undo() {
  const last = past.value.at(-1)
  if (!last) return
  past.value = past.value.slice(0, -1)
  typedAt = 0
  now = last
  route.value = JSON.parse(last) as RouteTyped
}
function typedOn() {
  const next = JSON.stringify(route.value)
  if (next === now) return
  if (Date.now() - typedAt > 1500) remember()
  typedAt = Date.now()
  now = next
}
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
    void ask(() => calculate<Answer>('any-route', body()))
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
onMounted(() => setPlace('Bench', 'A drive with idlers'))
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
        <div v-for="(w, k) in route.wheels" :key="k" class="sheet clause">
          <strong class="no">{{ k + 1 }}</strong>
          <TypedBlank v-model="w.name" :says="`name of wheel ${k + 1}`" :wide="9" />
          <select v-if="k" v-model="w.role" :aria-label="`role of wheel ${k + 1}`">
            <option value="driven">is driven</option>
            <option value="idler">is an idler</option>
            <option value="guide">is a guide</option>
          </select>
          <span v-else>drives</span>
          <TypedBlank v-model="w.diameter" :says="`diameter of wheel ${k + 1}`" :unit="length" /> across
          <template v-if="k">
            <select v-if="k !== second" v-model="w.how" :aria-label="`place of wheel ${k + 1}`">
              <option value="tapes">by two tapes:</option>
              <option value="xy">by x and y:</option>
            </select>
            <template v-if="w.how === 'tapes'">
              <TypedBlank v-model="w.from_first" :says="`wheel ${k + 1}, first tape`" :unit="length" /> from
              {{ route.wheels[0]?.name }},
              <TypedBlank v-model="w.from_second" :says="`wheel ${k + 1}, second tape`" :unit="length" /> from
              {{ route.wheels[second]?.name }},
              <select v-model="w.above" :aria-label="`wheel ${k + 1}, which of both places`">
                <option :value="true">the upper place</option>
                <option :value="false">the lower place</option>
              </select>
            </template>
            <template v-else>
              <TypedBlank v-model="w.x" :says="`wheel ${k + 1}, to the right`" :unit="length" /> right,
              <TypedBlank v-model="w.y" :says="`wheel ${k + 1}, up`" :unit="length" /> up
            </template>
            <select v-model="w.side" :aria-label="`side of wheel ${k + 1}`">
              <option value="inside">inside the loop</option>
              <option value="outside">outside, on its back</option>
            </select>
            <template v-if="w.role === 'driven'"
              >takes <TypedBlank v-model="w.power" :says="`power of wheel ${k + 1}`" :unit="power"
            /></template>
            <span class="row">
              <el-button
                :disabled="k < 3"
                :aria-label="`${w.name} earlier in the way`"
                @click="change(earlier(route, k))"
                >Earlier</el-button
              >
              <el-button v-if="k !== second" :aria-label="`Take out ${w.name}`" @click="change(withoutWheel(route, k))"
                >Take out</el-button
              >
            </span>
          </template>
          <p v-for="e in faultOf(k)" :key="e.path" class="field-fault" role="alert">{{ faultText(e) }}</p>
        </div>
        <div class="row add">
          <el-button @click="change(withWheel(route, 'idler'))">Add an idler</el-button>
          <el-button @click="change(withWheel(route, 'driven'))">Add a driven wheel</el-button>
        </div>
        <div class="sheet clause">
          <select v-model="route.take_up.how" aria-label="take-up">
            <option value="none">Nothing takes up.</option>
            <option value="slide">It is taken up by sliding</option>
            <option value="arm">It is taken up by an arm with</option>
          </select>
          <template v-if="route.take_up.how !== 'none'">
            <select v-model="route.take_up.wheel" aria-label="wheel that takes up">
              <option v-for="w in route.wheels.slice(1)" :key="w.name">{{ w.name }}</option>
            </select>
            <template v-if="route.take_up.how === 'slide'">
              in direction <TypedBlank v-model="route.take_up.direction" says="direction of the slide" unit="°" />
            </template>
            <template v-else>
              , its pin <TypedBlank v-model="route.take_up.pin_x" says="pin, to the right" :unit="length" /> right,
              <TypedBlank v-model="route.take_up.pin_y" says="pin, up" :unit="length" /> up
            </template>
            , from <TypedBlank v-model="route.take_up.low" says="travel to one stop" :unit="length" /> to
            <TypedBlank v-model="route.take_up.high" says="travel to the other stop" :unit="length" />
            <select v-model="route.take_up.by" aria-label="what pulls">
              <option value="nothing">, set and held</option>
              <option value="pull">, pulled at the wheel by</option>
              <option value="hand">, pulled at the lever by</option>
            </select>
            <TypedBlank v-if="route.take_up.by !== 'nothing'" v-model="route.take_up.pull" says="pull" :unit="force" />
            <template v-if="route.take_up.by === 'hand'">
              , <TypedBlank v-model="route.take_up.hand_arm" says="lever, pin to hand" :unit="length" /> from the pin;
              the wheel is
              <TypedBlank v-model="route.take_up.wheel_arm" says="lever, pin to wheel" :unit="length" /> from it
            </template>
          </template>
          <template v-if="route.take_up.how === 'none' || route.take_up.by === 'nothing'">
            Set to <TypedBlank v-model="route.static_tension" says="static tension" :unit="force" />.
          </template>
          Loop <TypedBlank v-model="route.loop_length" says="loop length" :unit="length" /> long;
          <label class="check"><input v-model="route.engages" type="checkbox" /> it is the clutch</label>
        </div>
        <FaultList v-if="others.length" :faults="others" />
      </section>
    </div>
    <template v-if="shown">
      <NoticeList :notices="shown.notices" />
      <RecordTables :result="{ wheels: shown.result.wheels, strands: shown.result.strands }" />
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
  font-size: 20px;
  font-weight: 600;
  margin: 0;
}
.wheels {
  display: grid;
  gap: 8px;
}
.clause {
  padding: 8px 12px;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 7px;
  align-items: baseline;
  font-size: 18px;
}
.clause select {
  font: 500 18px var(--face-text);
  color: var(--touch);
  background: var(--sheet);
  border: 0;
  border-bottom: 2px solid var(--touch);
  border-radius: 0;
  min-height: 46px;
  max-width: 100%;
}
.no {
  font: 600 18px var(--face-figure);
}
.clause > .field-fault {
  flex-basis: 100%;
  margin: 0;
}
.clause :deep(.el-button),
.add :deep(.el-button) {
  min-height: 46px;
  margin: 0;
}
.check {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  min-height: 46px;
}
.check input {
  width: 24px;
  height: 24px;
}
@media (max-width: 600px) {
  .name {
    font-size: 26px;
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
