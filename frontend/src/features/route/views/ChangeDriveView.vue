<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'

import { calculate } from '@/api/calc'
import { api, attempt } from '@/api/client'
import type { Drive, DriveAnswer, DriveInput, Options, Problem } from '@/api/types'
import AroundFigures from '@/lists/AroundFigures.vue'
import { faultText } from '@/shared/format/faults'
import { onTheMachine } from '@/shared/state/builds'
import { useKept } from '@/shared/state/kept'
import { wayOfDrive } from '@/shared/state/knownDrives'
import { setPlace } from '@/shared/state/place'
import { useQuestion } from '@/shared/state/question'
import { useSettings } from '@/shared/state/settings'
import FaultList from '@/shared/ui/FaultList.vue'
import HowCome from '@/shared/ui/HowCome.vue'
import NoticeList from '@/shared/ui/NoticeList.vue'

import GuideSentence from '../components/GuideSentence.vue'
import LoopPicture from '../components/LoopPicture.vue'
import TakeUpSentence from '../components/TakeUpSentence.vue'
import WheelSentence from '../components/WheelSentence.vue'
import { placeInInput, routeOf, taped, withAround } from '../logic/around'
import { useHistory } from '../logic/history'
import {
  DRIVEN,
  earlier,
  freeName,
  fresh,
  inUnitsOf,
  turnedOver,
  wholeAround,
  withoutWheel,
  withWheel,
  type RouteTyped,
} from '../logic/wheels'

// Change the drive: idlers, guides and further shafts put on a drive that stands on a machine, by tape or by hand.
const props = defineProps<{ id: string }>()
const router = useRouter()
const settings = useSettings()
const drive = ref<Drive>()
const missing = ref<Problem | null>(null)
// The drive's page shares this: what is changed here stands there, not saved yet.
const { value: kept } = useKept(`drive.${props.id}`, () => ({
  input: null as DriveInput | null,
  family: '',
  calc: '',
  options: {} as Options,
}))
const base = ref<{ input: DriveInput; family: string; calc: string; options: Options }>()
const route = ref<RouteTyped>(fresh())
const { past, change, undo, typedOn, begin } = useHistory(route)
const input = computed(() => (base.value ? withAround(base.value.input, route.value) : {}))
const body = () => ({ units: settings.units, options: base.value?.options ?? {}, input: input.value })
const { answer, problem, busy, ask, clear } = useQuestion<DriveAnswer>(() => JSON.stringify(body()))
const how = ref<{ step: string | null; title: string }>({ step: null, title: '' })
// The last drive that could be worked stays drawn while what is typed is no drive.
const drawn = ref<DriveAnswer>()
watch(answer, (a) => {
  if (a) drawn.value = a
})
const units = computed(() =>
  settings.units === 'us' ? { length: 'in', power: 'hp', force: 'lbf' } : { length: 'mm', power: 'kW', force: 'N' },
)
const step = computed(() => (settings.units === 'us' ? 25.4 / 8 : 2))
const sides = computed(() => Object.fromEntries(route.value.wheels.map((w) => [w.name, w.side])))
const pulls = computed(() =>
  Object.fromEntries((drawn.value?.sheet?.around?.strands ?? []).map((s) => [s.id, s.tension?.shown ?? ''])),
)
const toothed = computed(() => Boolean(drawn.value?.elevation?.wheels[0]?.profile.match(/^(chain|toothed)$/)))
const chain = computed(() => drawn.value?.elevation?.wheels[0]?.profile === 'chain')
const sizes = computed(() => Object.fromEntries((drawn.value?.elevation?.wheels ?? []).map((w) => [w.id, w])))
const across = (id: string) => {
  const w = sizes.value[id]
  return w ? (toothed.value ? `${w.count} teeth` : `${taped(2 * w.outside_radius, settings.units)} across`) : ''
}
function faultOf(k: number) {
  const errors = problem.value?.errors ?? []
  if (route.value.wheels[k]?.name === DRIVEN) return errors.filter((e) => e.path.startsWith('input.around.driven'))
  const at = `input.around.wheels.${placeInInput(route.value, k)}`
  return k ? errors.filter((e) => e.path === at || e.path.startsWith(`${at}.`)) : []
}
const beside = (start: string) => (problem.value?.errors ?? []).filter((e) => e.path.startsWith(start))
const OWN = /^input\.around\.(wheels\.\d+|driven|guides\.\d+|take_up)/
const others = computed(() =>
  problem.value && !problem.value.errors.length
    ? [{ path: '', reason: problem.value.detail || problem.value.title, allowed: '' }]
    : (problem.value?.errors ?? []).filter((e) => !OWN.test(e.path)),
)

let timer: ReturnType<typeof setTimeout> | undefined
function now() {
  if (!base.value) return
  if (!wholeAround(route.value)) return clear()
  const { calc } = base.value
  void ask(() => calculate<DriveAnswer>(calc, body()))
}
watch(
  route,
  () => {
    typedOn()
    clearTimeout(timer)
    timer = setTimeout(now, 250)
  },
  { deep: true },
)
function at(id: string, place: { x: number; y: number }): RouteTyped {
  const [x, y] = [taped(place.x, settings.units), taped(place.y, settings.units)]
  return {
    ...route.value,
    wheels: route.value.wheels.map((w) => (w.name === id ? { ...w, how: 'xy' as const, x, y } : w)),
  }
}
// While a wheel is moved the core is asked as fast as it answers; what stands at the end is asked again.
let asking = false
async function follow(id: string, place: { x: number; y: number }) {
  if (asking || !base.value) return
  asking = true
  const moved = withAround(base.value.input, at(id, place))
  const got = await calculate<DriveAnswer>(base.value.calc, {
    units: settings.units,
    options: base.value.options,
    input: moved,
  })
  if (got.ok) live.value = got.data.sheet?.around?.says ?? ''
  asking = false
}
const live = ref('')
function drop(id: string, place: { x: number; y: number }) {
  live.value = ''
  change(at(id, place))
}
function turn(id: string) {
  const k = route.value.wheels.findIndex((w) => w.name === id)
  if (k > 0) change(turnedOver(route.value, k))
}
function add(role: 'idler' | 'driven') {
  // A new idler goes on the strand that leaves the driver, where it is slack: before the driven wheel.
  const driven = route.value.wheels.findIndex((w) => w.name === DRIVEN)
  change(withWheel(route.value, role, role === 'idler' ? driven : route.value.wheels.length))
}
function addGuide() {
  const names = [...route.value.wheels, ...route.value.guides].map((w) => w.name)
  const name = freeName(
    names.map((n) => ({ name: n })),
    'keeper',
  )
  const guide = { name, x: '', y: '', diameter: '', side: 'outside' as const, least: '', most: '' }
  change({ ...route.value, guides: [...route.value.guides, guide] })
}
function withoutGuide(k: number) {
  change({ ...route.value, guides: route.value.guides.filter((_, n) => n !== k) })
}
/** Back on the drive's page, where it stands as changed and is saved or put back. */
async function done() {
  if (!base.value || !answer.value) return
  // Every figure takes its unit along: the drive's page may be looked at in the other system.
  kept.value = { ...base.value, input: withAround(base.value.input, inUnitsOf(route.value, settings.units)) }
  await router.push(`/drives/${props.id}`)
}

async function load() {
  const got = await attempt(
    api.GET('/api/drives/{ident}', { params: { path: { ident: props.id }, query: { units: settings.units } } }),
  )
  if (!got.ok) {
    missing.value = got.problem
    return
  }
  drive.value = got.data
  setPlace('Change the drive', wayOfDrive(props.id, got.data.machine.name, got.data.name))
  const builds = got.data.builds
  const onIt = onTheMachine(builds)
  const first = builds.find((b) => b.state === 'draft') ?? onIt ?? builds[0]
  const from = kept.value.input
    ? { input: kept.value.input, family: kept.value.family, calc: kept.value.calc, options: kept.value.options }
    : first && { input: first.input, family: first.family, calc: first.calc, options: first.options }
  if (!from) return
  const worked = await calculate<DriveAnswer>(from.calc, {
    units: settings.units,
    options: from.options,
    input: from.input,
  })
  if (!worked.ok) {
    missing.value = worked.problem
    return
  }
  drawn.value = worked.data
  base.value = from
  if (worked.data.elevation) route.value = routeOf(from.input, worked.data.elevation, settings.units)
  begin()
}
watch(
  () => settings.units,
  (_now, before) => change(inUnitsOf(route.value, before)),
  { flush: 'sync' },
)
onMounted(() => void load())
onBeforeUnmount(() => clearTimeout(timer))
</script>

<template>
  <main class="page">
    <FaultList v-if="missing" :faults="[{ path: '', reason: missing.detail || missing.title, allowed: '' }]" />
    <template v-if="drive">
      <div class="row spread">
        <h1>Change {{ drive.name }}</h1>
        <span class="row">
          <el-button :disabled="!past.length" @click="undo">Undo</el-button>
          <el-button @click="router.push(`/drives/${id}`)">Leave it</el-button>
          <el-button type="primary" :disabled="!answer || !past.length" @click="done">Use it on the drive</el-button>
        </span>
      </div>
      <p v-if="!base && !missing" class="sheet clause">
        Nothing stands on this drive yet.
        <router-link :to="`/drives/${id}?stage=found`">Write down its wheels</router-link>
        first; idlers are added here.
      </p>
      <div v-if="base" class="two">
        <section class="sheet picture" :aria-busy="busy">
          <LoopPicture
            v-if="drawn?.elevation"
            :elevation="drawn.elevation"
            :fixed="['driver']"
            :sides="sides"
            :pulls="answer ? pulls : {}"
            :step="step"
            :say="(mm: number) => taped(mm, settings.units)"
            @turn="turn"
            @move="follow"
            @drop="drop"
          />
          <p class="says" aria-live="polite">
            {{
              live || (answer ? (answer.sheet?.around?.says ?? 'Two wheels. Add an idler, a guide or a shaft.') : '')
            }}
          </p>
          <p v-if="!answer && !busy && !problem" class="dim">Say the size and the place of every wheel.</p>
        </section>
        <section class="wheels">
          <WheelSentence
            v-for="(w, k) in route.wheels"
            :key="k"
            v-model="route.wheels[k]!"
            :no="k + 1"
            :drives="k === 0"
            :sized="k === 0 || w.name === DRIVEN ? across(w.name) || 'as it is' : undefined"
            :taped-to="w.name === DRIVEN"
            :first="'driver'"
            :second="'driven'"
            :toothed="chain || (toothed && w.side === 'inside')"
            on-strand
            :units="units"
            :faults="faultOf(k)"
          >
            <el-button :disabled="k < 2" :aria-label="`${w.name} earlier in the way`" @click="change(earlier(route, k))"
              >Earlier</el-button
            >
            <el-button
              v-if="w.name !== DRIVEN"
              :aria-label="`Take out ${w.name}`"
              @click="change(withoutWheel(route, k))"
              >Take out</el-button
            >
          </WheelSentence>
          <GuideSentence
            v-for="(g, k) in route.guides"
            :key="'g' + k"
            v-model="route.guides[k]!"
            :no="k + 1"
            :length="units.length"
            :faults="beside(`input.around.guides.${k}`)"
          >
            <el-button :aria-label="`Take out ${g.name}`" @click="withoutGuide(k)">Take out</el-button>
          </GuideSentence>
          <div class="row add">
            <el-button @click="add('idler')">Add an idler</el-button>
            <el-button @click="add('driven')">Add a driven wheel</el-button>
            <el-button @click="addGuide">Add a guide</el-button>
          </div>
          <TakeUpSentence
            v-model="route.take_up"
            :wheels="route.wheels.slice(1).map((w) => w.name)"
            first="driver"
            second="driven"
            :units="units"
            otherwise="The driven shaft slides."
            :faults="beside('input.around.take_up')"
          >
            <label class="check"><input v-model="route.engages" type="checkbox" /> it is the clutch</label>
          </TakeUpSentence>
          <ul v-if="others.length" class="others">
            <li v-for="e in others" :key="e.path + e.reason" class="field-fault" role="alert">{{ faultText(e) }}</li>
          </ul>
        </section>
      </div>
      <template v-if="answer?.sheet?.around">
        <NoticeList :notices="answer.notices" />
        <AroundFigures :around="answer.sheet.around" @how="(s: string, t: string) => (how = { step: s, title: t })" />
        <HowCome :steps="answer.working" :step="how.step" :title="how.title" @close="how.step = null" />
      </template>
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
  gap: 6px;
  position: sticky;
  top: 0;
}
.says {
  font-size: 1.25rem;
  font-weight: 600;
  margin: 0;
  min-height: 27px;
}
.wheels {
  display: grid;
  gap: 8px;
}
.add :deep(.el-button) {
  min-height: 46px;
  margin: 0;
}
.others {
  margin: 0;
  padding: 0;
  list-style: none;
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
