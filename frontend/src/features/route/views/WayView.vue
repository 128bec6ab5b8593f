<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'

import { calculate } from '@/api/calc'
import { api, attempt } from '@/api/client'
import type { components } from '@/api/schema'
import type { Drive, DriveAnswer, Elevation, Problem } from '@/api/types'
import ElevationDrawing from '@/elevation/ElevationDrawing.vue'
import { arcPath, fit } from '@/elevation/frame'
import { onTheMachine } from '@/shared/state/builds'
import { wayOfDrive } from '@/shared/state/knownDrives'
import { setPlace } from '@/shared/state/place'
import { useSettings } from '@/shared/state/settings'
import FaultList from '@/shared/ui/FaultList.vue'

// Is the loop on right? The way it should go is drawn; what lies otherwise is touched, and both ways are shown.
const props = defineProps<{ id: string }>()
const settings = useSettings()
type Check = components['schemas']['RouteCheckResponse']
interface Lies {
  wheel: string
  side: 'inside' | 'outside'
  on: boolean
}
const drive = ref<Drive>()
const problem = ref<Problem | null>(null)
const build = ref<{ calc: string; input: Record<string, unknown>; options: Record<string, string> }>()
const lies = ref<Lies[]>([])
const passes = ref<{ guide: string; side: 'inside' | 'outside' }[]>([])
const check = ref<Check>()
const should = computed<Elevation | null>(() => check.value?.result.should ?? null)
const there = computed<Elevation | null>(() => (check.value?.result.right ? null : (check.value?.result.there ?? null)))
const WIDE = 640
const HIGH = 380
const frame = computed(() =>
  should.value ? fit(should.value, WIDE, HIGH, { left: 34, right: 34, top: 34, bottom: 40 }, 0, 2) : null,
)
const hung = computed(() =>
  (should.value?.wheels ?? []).map((w) => ({
    id: w.id,
    x: frame.value?.x(w.x) ?? 0,
    y: frame.value?.y(w.y) ?? 0,
    r: Math.max((frame.value?.scale ?? 0) * w.outside_radius, 23),
    wrong: check.value?.result.faults.some((f) => f.part === w.id) ?? false,
  })),
)
const WORDS = { inside: 'its inside runs on it', outside: 'its back runs on it' }

async function work() {
  if (!build.value) return
  const { calc, input, options } = build.value
  const got = await calculate<Check>('route-check', {
    units: settings.units,
    options,
    input: {
      drive: { calc, input },
      lies: lies.value.filter((l) => l.on).map((l) => ({ wheel: l.wheel, side: l.side })),
      passes: passes.value,
    },
  })
  problem.value = got.ok ? null : got.problem
  if (got.ok) check.value = got.data
}
function turn(id: string) {
  lies.value = lies.value.map((l, k) =>
    k && l.wheel === id ? { ...l, side: l.side === 'inside' ? 'outside' : 'inside' } : l,
  )
}
function later(k: number) {
  const next = [...lies.value]
  const [moved] = next.splice(k, 1)
  if (moved) next.splice(k + 1, 0, moved)
  lies.value = next
}
async function load() {
  const got = await attempt(
    api.GET('/api/drives/{ident}', { params: { path: { ident: props.id }, query: { units: settings.units } } }),
  )
  if (!got.ok) {
    problem.value = got.problem
    return
  }
  drive.value = got.data
  setPlace('Is it on right?', wayOfDrive(props.id, got.data.machine.name, got.data.name))
  const builds = got.data.builds
  const first = onTheMachine(builds) ?? builds[0]
  if (!first) return
  const worked = await calculate<DriveAnswer>(first.calc, {
    units: settings.units,
    options: first.options,
    input: first.input,
  })
  if (!worked.ok || !worked.data.elevation) {
    problem.value = worked.ok ? null : worked.problem
    return
  }
  build.value = first
  // It begins as it should be: only what lies otherwise is touched.
  const sides = new Map((first.input.around ? listed(first.input) : []).map((w) => [w.name, w.side]))
  lies.value = worked.data.elevation.wheels.map((w) => ({ wheel: w.id, side: sides.get(w.id) ?? 'inside', on: true }))
  passes.value = guides(first.input)
  await work()
}
type Named = { name: string; side: 'inside' | 'outside' }
const arrayAt = (input: Record<string, unknown>, name: string): Record<string, unknown>[] => {
  const around = input.around as Record<string, unknown> | undefined
  return (Array.isArray(around?.[name]) ? around[name] : []) as Record<string, unknown>[]
}
const named = (list: Record<string, unknown>[], usual: 'inside' | 'outside'): Named[] =>
  list.map((w) => ({ name: String(w.name), side: w.side === 'inside' || w.side === 'outside' ? w.side : usual }))
function listed(input: Record<string, unknown>): Named[] {
  const around = input.around as Record<string, unknown>
  const driven: Named = { name: 'driven', side: around.driven_side === 'outside' ? 'outside' : 'inside' }
  return [...named(arrayAt(input, 'wheels'), 'inside'), driven]
}
const guides = (input: Record<string, unknown>) =>
  named(arrayAt(input, 'guides'), 'outside').map((g) => ({ guide: g.name, side: g.side }))
watch([lies, passes], () => void work(), { deep: true })
watch(
  () => settings.units,
  () => void load(),
)
onMounted(() => void load())
</script>

<template>
  <main class="page">
    <FaultList v-if="problem" :faults="[{ path: '', reason: problem.detail || problem.title, allowed: '' }]" />
    <template v-if="drive">
      <div class="row spread">
        <h1>Is the loop on right?</h1>
        <router-link :to="`/drives/${id}`" class="back">To the drive</router-link>
      </div>
      <p v-if="check" class="verdict" :class="{ hot: !check.result.right }" role="status">{{ check.result.says }}</p>
      <div class="two">
        <section class="sheet picture">
          <svg
            v-if="should && frame"
            :viewBox="`0 0 ${WIDE} ${HIGH}`"
            role="group"
            aria-label="The way the loop should go; as it lies now dashed over it"
          >
            <ElevationDrawing :elevation="should" :frame="frame" />
            <g v-if="there" class="there" fill="none">
              <path v-for="a in there.arcs" :key="a.wheel" :d="arcPath(a, frame)" />
              <line
                v-for="s in there.strands"
                :key="s.id"
                :x1="frame.x(s.x1)"
                :y1="frame.y(s.y1)"
                :x2="frame.x(s.x2)"
                :y2="frame.y(s.y2)"
              />
            </g>
            <g v-for="(h, k) in hung" :key="h.id">
              <rect v-if="h.wrong" class="mark" :x="h.x - 9" :y="h.y - h.r - 26" width="18" height="18" />
              <circle
                v-if="k"
                class="hit"
                :cx="h.x"
                :cy="h.y"
                :r="h.r"
                tabindex="0"
                role="button"
                :aria-label="`${h.id}: press where the loop lies on the other side of it`"
                @click="turn(h.id)"
                @keydown.enter.prevent="turn(h.id)"
                @keydown.space.prevent="turn(h.id)"
              />
              <text class="name" :x="h.x" :y="h.y + h.r + 5" text-anchor="middle">{{ h.id }}</text>
            </g>
          </svg>
          <p class="dim">
            Drawn through: as it should go.<template v-if="there"> Dashed: as it lies.</template> Touch every wheel that
            the loop passes on the other side.
          </p>
        </section>
        <section class="lies">
          <div v-for="(l, k) in lies" :key="l.wheel" class="sheet clause">
            <strong>{{ k + 1 }} {{ l.wheel }}</strong>
            <template v-if="k">
              <select v-model="l.side" :aria-label="`how the loop lies on ${l.wheel}`" :disabled="!l.on">
                <option v-for="(words, side) in WORDS" :key="side" :value="side">{{ words }}</option>
              </select>
              <label class="check"><input v-model="l.on" type="checkbox" /> the loop goes over it</label>
              <el-button v-if="k < lies.length - 1" :aria-label="`${l.wheel} comes later`" @click="later(k)"
                >Comes later</el-button
              >
            </template>
          </div>
          <div v-for="p in passes" :key="p.guide" class="sheet clause">
            <strong>{{ p.guide }}</strong>
            <select v-model="p.side" :aria-label="`how the loop passes ${p.guide}`">
              <option value="outside">stands round the loop</option>
              <option value="inside">stands within the loop</option>
            </select>
          </div>
          <ul v-if="check && check.result.faults.length" class="faults">
            <li v-for="f in check.result.faults" :key="f.part + f.fault">■ {{ f.says }}</li>
          </ul>
        </section>
      </div>
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
.verdict {
  font: 600 1.5rem/1.25 var(--face-label);
  margin: 0;
}
.hot,
.faults {
  color: var(--hot);
  font-weight: 600;
}
.picture {
  padding: 10px;
}
svg {
  width: 100%;
  display: block;
}
.there {
  stroke: var(--hot);
  stroke-width: 4;
  stroke-dasharray: 12 8;
}
.mark {
  fill: var(--hot);
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
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
}
.lies {
  display: grid;
  gap: 8px;
}
.faults {
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 4px;
  font-size: 1.125rem;
}
.back {
  min-height: 44px;
  display: grid;
  place-items: center;
  padding: 0 8px;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (max-width: 600px) {
  .name {
    font-size: 1.625rem;
  }
}
</style>
