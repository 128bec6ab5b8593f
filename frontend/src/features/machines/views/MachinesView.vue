<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'

import { api, attempt } from '@/api/client'
import type { Problem } from '@/api/types'
import FaultList from '@/shared/ui/FaultList.vue'
import { useSlices } from '@/shared/ui/slices'
import StateMark from '@/shared/ui/StateMark.vue'
import { otherFaults } from '@/shared/format/faults'
import { clock, shortDate } from '@/shared/format/words'
import { keepRead, lastRead } from '@/shared/state/lastRead'
import { setPlace } from '@/shared/state/place'
import type { components } from '@/api/schema'

import MachineForm from '../components/MachineForm.vue'
import WallCell from '../components/WallCell.vue'
import { areasOf, cellsOf, SCALE, STATES, type State } from '../logic/wall'

type Wall = components['schemas']['WallView']
// The works as a wall: areas in walking order, every drive to one scale with its mark. What is typed stays in the address,
// so that Back brings the same list.
const route = useRoute()
const router = useRouter()
const asks = (name: string) => (typeof route.query[name] === 'string' ? (route.query[name] as string) : '')
const words = ref(asks('q'))
const only = ref<State | ''>((asks('state') as State) || '')
const lines = ref(localStorage.getItem('tuyere.wall') === 'lines')
const pick = computed(() => asks('for'))
const wall = ref<Wall>()
const asOf = ref('')
const problem = ref<Problem | null>(null)
const adding = ref(false)
const foot = ref<HTMLElement>()
const wide = ref(window.innerWidth)
const most = computed(() => (wide.value < 700 ? wide.value - 60 : 460))
const SOON_MS = 400
let asked = 0
let soon: number | undefined
let loading = false

const query = (start: number) => ({ q: words.value, start, minutes: -new Date().getTimezoneOffset() })
async function load() {
  const mine = ++asked
  const got = await attempt(api.GET('/api/wall', { params: { query: query(0) } }))
  if (mine !== asked) return
  if (got.ok) {
    wall.value = got.data
    asOf.value = ''
    problem.value = null
    if (!words.value) keepRead('wall', got.data)
    // The next ones come by themselves once the first stand, so that most works are whole before anybody scrolls.
    window.clearTimeout(soon)
    soon = window.setTimeout(() => void more(), SOON_MS)
    return
  }
  const last = got.offline ? lastRead<Wall>('wall') : null
  if (last) {
    wall.value = last.data
    asOf.value = last.at
    problem.value = null
  } else problem.value = got.problem
}
const whole = computed(() => !wall.value || wall.value.machines.length >= wall.value.total)
async function more() {
  if (loading || whole.value || asOf.value) return
  loading = true
  const mine = asked
  const got = await attempt(api.GET('/api/wall', { params: { query: query(wall.value?.machines.length ?? 0) } }))
  loading = false
  if (mine !== asked || !wall.value) return
  if (got.ok) wall.value = { ...got.data, machines: [...wall.value.machines, ...got.data.machines] }
  else problem.value = got.problem
}
const cells = computed(() => cellsOf(wall.value?.machines ?? []))
const counts = computed(() =>
  Object.fromEntries(STATES.map((s) => [s.key, cells.value.filter((c) => c.state === s.key).length])),
)
const kept = computed(() => cells.value.filter((c) => !only.value || c.state === only.value))
const standing = useSlices(() => kept.value, 24)
const areas = computed(() => areasOf(standing.value, kept.value))
let typing: number | undefined
watch(words, (q) => {
  window.clearTimeout(typing)
  typing = window.setTimeout(() => {
    void router.replace({ query: { ...route.query, q: q || undefined } })
    void load()
  }, 150)
})
// Back and a crumb change the address: the list follows.
watch(
  () => route.query.q,
  () => {
    if (route.path !== '/machines' || asks('q') === words.value) return
    words.value = asks('q')
  },
)
watch(only, (s) => void router.replace({ query: { ...route.query, state: s || undefined } }))
watch(lines, (l) => localStorage.setItem('tuyere.wall', l ? 'lines' : 'drawings'))
let seen: IntersectionObserver | undefined
const resized = () => (wide.value = window.innerWidth)
onMounted(() => {
  setPlace('Machines')
  window.addEventListener('resize', resized)
  void load().then(() => {
    if (typeof IntersectionObserver === 'undefined' || !foot.value) return
    seen = new IntersectionObserver((e) => e.some((x) => x.isIntersecting) && void more(), { rootMargin: '800px' })
    seen.observe(foot.value)
  })
})
onBeforeUnmount(() => {
  seen?.disconnect()
  window.clearTimeout(typing)
  window.clearTimeout(soon)
  window.removeEventListener('resize', resized)
})
</script>

<template>
  <main class="page">
    <div class="row spread">
      <h1>Machines</h1>
      <el-button type="primary" @click="adding = !adding">{{ adding ? 'Close' : 'Add a machine' }}</el-button>
    </div>
    <MachineForm v-if="adding" @saved="(id: string) => $router.push(`/machines/${id}`)" />
    <p v-if="pick" class="sheet pick">
      <strong>{{ pick }}</strong> Pick the drive: a job begins there, and what the bench said goes into its record.
    </p>
    <div class="row tools">
      <el-input
        v-model="words"
        class="words find"
        aria-label="Find a machine"
        placeholder="Find by name, tag, area or drive"
        clearable
      />
      <div class="marks" role="group" aria-label="Show only">
        <button type="button" class="mark" :aria-pressed="!only" @click="only = ''">
          all {{ cells.length }}{{ whole ? '' : ` of ${wall?.total} machines` }}
        </button>
        <template v-for="s in STATES" :key="s.key">
          <button
            v-if="counts[s.key]"
            type="button"
            class="mark"
            :aria-pressed="only === s.key"
            @click="only = only === s.key ? '' : s.key"
          >
            <StateMark :state="s.key" /> {{ counts[s.key] }} {{ s.word }}
          </button>
        </template>
      </div>
      <span class="density">
        <svg v-if="!lines" width="84" height="34" viewBox="0 0 84 34" aria-hidden="true">
          <path :d="`M8 8h${610 * SCALE}M5 12l6-8M${5 + 610 * SCALE} 12l6-8`" class="thin" />
          <text x="37" y="29" text-anchor="middle">24 in, all</text>
        </svg>
        <span class="segments" role="group" aria-label="Density">
          <button type="button" :class="{ here: !lines }" :aria-pressed="!lines" @click="lines = false">
            drawings
          </button>
          <button type="button" :class="{ here: lines }" :aria-pressed="lines" @click="lines = true">lines</button>
        </span>
      </span>
    </div>
    <FaultList :faults="otherFaults(problem, [])" />
    <p v-if="asOf" class="sheet pick" role="status">
      No connection. Tuyere shows what this device last read, {{ shortDate(asOf) }}, {{ clock(asOf) }}.
    </p>
    <p v-if="!wall && !problem" class="dim" role="status">Reading the machines…</p>
    <div v-else-if="wall && !wall.machines.length" class="sheet empty">
      <template v-if="words">
        <h2>No machine answers to “{{ words }}”</h2>
        <el-button @click="words = ''">Show all</el-button>
      </template>
      <template v-else>
        <h2>No machine yet</h2>
        <p>
          Add the machine you stand at; its drives come next. Or try a duty first: press <kbd>/</kbd> and type 1750 &gt;
          640 15hp fan 28in.
        </p>
        <el-button type="primary" @click="adding = true">Add a machine</el-button>
      </template>
    </div>
    <div v-else class="wall" :class="{ listed: lines }">
      <section v-for="a in areas" :key="a.name" class="area" :aria-label="a.name">
        <h2>
          <span class="no">{{ a.no }}</span> <span dir="auto">{{ a.name }}</span>
          <span class="counts">
            <template v-for="s in STATES" :key="s.key">
              <span v-if="a.counts[s.key]"><StateMark :state="s.key" :said="s.word" /> {{ a.counts[s.key] }}</span>
            </template>
          </span>
        </h2>
        <ul>
          <WallCell v-for="c in a.cells" :key="c.key" :cell="c" :most="most" :lines="lines" :pick="pick" />
        </ul>
      </section>
    </div>
    <div ref="foot" class="foot">
      <el-button v-if="!whole" @click="more">Show more</el-button>
    </div>
  </main>
</template>

<style scoped>
.tools {
  gap: 8px 14px;
}
.find {
  flex: 1 1 240px;
  max-width: 360px;
}
.marks {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.mark {
  display: flex;
  align-items: center;
  gap: 7px;
}
.mark[aria-pressed='true'] svg {
  filter: invert(1);
}
.density {
  margin-left: auto;
  display: flex;
  align-items: center;
  gap: 10px;
}
.thin {
  stroke: var(--ink);
  fill: none;
}
text {
  font: 500 13px var(--face-label);
  fill: var(--dim);
}
.pick {
  padding: 8px 14px;
  border-left: 6px solid var(--ink);
}
.wall {
  border: 1px solid var(--ink);
  background: var(--sheet);
}
.area {
  display: grid;
  grid-template-columns: 118px minmax(0, 1fr);
  border-top: 1px solid var(--ink);
}
.area:first-child {
  border-top: 0;
}
h2 {
  background: var(--panel);
  padding: 8px 10px;
  border-right: 1px solid var(--line);
  font-size: 1.125rem;
  display: grid;
  align-content: start;
  gap: 2px;
  overflow-wrap: anywhere;
}
.no {
  font: 600 1.5rem var(--face-figure);
}
.counts {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  font: 600 1rem var(--face-figure);
}
.counts span {
  display: inline-flex;
  gap: 4px;
  align-items: center;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 2px 6px;
  min-width: 0;
}
.listed ul {
  display: block;
}
kbd {
  border: 1px solid var(--dim);
  padding: 0 6px;
  font-family: var(--face-figure);
}
.foot {
  min-height: 1px;
}
@media (max-width: 700px) {
  .wall {
    border: 0;
    background: none;
  }
  .area {
    grid-template-columns: minmax(0, 1fr);
    border-top: 0;
  }
  h2 {
    position: sticky;
    top: -12px;
    z-index: 3;
    display: flex;
    align-items: center;
    gap: 8px;
    border: 1px solid var(--ink);
    margin: 0 -12px;
    padding: 8px 12px;
  }
  .no {
    font-size: 1.25rem;
  }
  .counts {
    margin-left: auto;
  }
  ul {
    padding: 8px 0 14px;
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 8px;
    align-items: stretch;
  }
  /* A long drive takes the width of two. */
  ul :deep(.cell:has(svg[width^='2']):not(.lines)),
  ul :deep(.cell:has(svg[width^='3']):not(.lines)) {
    grid-column: span 2;
  }
  .density svg {
    display: none;
  }
  .marks {
    flex: 1 0 100%;
    flex-wrap: nowrap;
    overflow-x: auto;
    max-width: 100%;
  }
  .mark {
    padding: 0 9px;
    white-space: nowrap;
  }
}
</style>
