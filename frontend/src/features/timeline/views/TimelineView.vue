<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'

import { api, attempt } from '@/api/client'
import type { Problem, TimelineMark, TimelineView, TrendsView } from '@/api/types'
import { counted, shortDate } from '@/shared/format/words'
import { wayOfDrive } from '@/shared/state/knownDrives'
import { setPlace } from '@/shared/state/place'
import { useSettings } from '@/shared/state/settings'

import TimeLanes from '../components/TimeLanes.vue'
import { standing } from '../logic/axis'

const props = defineProps<{ id: string; of: 'drive' | 'machine' }>()
const settings = useSettings()
const view = ref<TimelineView>()
const trends = ref<TrendsView['trends']>([])
const problem = ref<Problem | null>(null)
const lane = ref('all')
const picked = ref<TimelineMark[]>([])
const chosen = ref('')
const comparing = ref(false)
const one = ref('')
const other = ref('')
const box = ref<HTMLElement>()
const wide = ref(1150)
let watcher: ResizeObserver | undefined

async function load() {
  const params = { path: { ident: props.id }, query: { units: settings.units } }
  const got = await attempt(
    props.of === 'drive'
      ? api.GET('/api/drives/{ident}/timeline', { params })
      : api.GET('/api/machines/{ident}/timeline', { params }),
  )
  if (!got.ok) {
    problem.value = got.problem
    return
  }
  view.value = got.data
  setPlace(
    'Timeline',
    props.of === 'drive' ? wayOfDrive(props.id) : [{ name: got.data.title, to: `/machines/${props.id}` }],
  )
  if (props.of !== 'drive') return
  const t = await attempt(api.GET('/api/drives/{ident}/trends', { params }))
  trends.value = t.ok ? t.data.trends : []
  chosen.value = (trends.value.find((x) => x.earliest) ?? trends.value[0])?.key ?? ''
}
onMounted(() => {
  void load()
  watcher = new ResizeObserver(([e]) => {
    if (e) wide.value = Math.max(Math.round(e.contentRect.width), 320)
  })
  if (box.value) watcher.observe(box.value)
})
onBeforeUnmount(() => watcher?.disconnect())
watch(() => [settings.units, props.id], load)
const trend = computed(() => trends.value.find((t) => t.key === chosen.value) ?? null)
const lanes = computed(() => (view.value?.lanes ?? []).filter((l) => lane.value === 'all' || l === lane.value))
const list = computed(() =>
  picked.value.length
    ? picked.value
    : (view.value?.marks ?? []).filter((m) => lane.value === 'all' || m.lane === lane.value).slice(0, 60),
)
const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)
const told = computed(() => {
  const v = view.value
  if (!v?.first) return ''
  const parts = (['jobs', 'findings', 'failures'] as const)
    .map((l) => ({ l, n: v.marks.filter((m) => m.lane === l).length }))
    .filter((p) => p.n)
    .map((p) => counted(p.n, p.l.slice(0, -1)))
  return parts.length ? `${parts.join(', ')} since ${shortDate(v.first)}` : ''
})
const sentence = computed(() => (trend.value ? `${trend.value.label}: ${lower(trend.value.says)}` : told.value))
const compared = computed(() => {
  if (!view.value || !one.value || !other.value) return []
  const at = (day: string) => standing(view.value?.marks ?? [], new Date(`${day}T23:59`).getTime())
  const [a, b] = [at(one.value), at(other.value)]
  return view.value.lanes
    .filter((l) => l !== 'photos')
    .map((l) => ({ lane: l, a: a.find((x) => x.lane === l)?.mark, b: b.find((x) => x.lane === l)?.mark }))
})
const words = (m?: TimelineMark) => (m ? `${m.words}${m.detail ? `, ${m.detail}` : ''} (${shortDate(m.at)})` : '–')
</script>

<template>
  <main class="page timeline">
    <p v-if="problem" class="field-fault" role="alert">{{ problem.detail || problem.title }}</p>
    <template v-if="view">
      <h1>{{ sentence || view.title }}</h1>
      <p class="dim">
        <router-link :to="of === 'drive' ? `/drives/${id}` : `/machines/${id}`" class="up">{{
          view.title
        }}</router-link>
        <template v-if="trend">
          · {{ trend.points.length }} readings; limit {{ trend.limit.shown }}, {{ trend.because }}. Median slope of all
          pairs (Theil, Sen), nine in ten lines of the readings inside.
        </template>
      </p>
    </template>
    <p v-if="!view && !problem" class="none dim" role="status">Reading the record…</p>
    <div ref="box">
      <div v-if="view" class="sheet drawn">
        <TimeLanes
          v-if="view.marks.length"
          :view="view"
          :trend="lane === 'all' || lane === 'readings' ? trend : null"
          :lanes="lanes"
          :wide="wide"
          @picked="(m) => (picked = m)"
        />
        <p v-else class="none">Nothing has been written down here yet. A build, a job or a reading begins it.</p>
      </div>
    </div>
    <template v-if="view">
      <div class="row">
        <div class="segments" role="group" aria-label="Which lanes">
          <button
            v-for="l in ['all', ...view.lanes]"
            :key="l"
            type="button"
            :aria-pressed="lane === l"
            :class="{ here: lane === l }"
            @click="((lane = l), (picked = []))"
          >
            {{ l }}
          </button>
        </div>
        <div v-if="trends.length > 1" class="segments" role="group" aria-label="Which reading">
          <button
            v-for="t in trends"
            :key="t.key"
            type="button"
            :aria-pressed="chosen === t.key"
            :class="{ here: chosen === t.key }"
            @click="chosen = t.key"
          >
            {{ t.label }}
          </button>
        </div>
        <button type="button" class="link" :aria-expanded="comparing" @click="comparing = !comparing">
          Compare two dates
        </button>
        <a v-if="of === 'drive'" :href="`/api/readings.csv?drive=${id}`" class="link table">Readings as a table</a>
      </div>
      <section v-if="comparing" class="sheet compare">
        <div class="row">
          <label>One day <input v-model="one" type="date" class="blank" /></label>
          <label>and the other <input v-model="other" type="date" class="blank" /></label>
        </div>
        <table v-if="compared.length" class="lines">
          <thead>
            <tr>
              <th></th>
              <th>{{ shortDate(one) }}</th>
              <th>{{ shortDate(other) }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="c in compared" :key="c.lane">
              <th scope="row">{{ c.lane }}</th>
              <td>{{ words(c.a) }}</td>
              <td :class="{ changed: words(c.a) !== words(c.b) }">{{ words(c.b) }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <section class="sheet list">
        <h2>
          {{ picked.length ? 'Picked on the drawing' : 'Everything, the newest first' }}
          <button v-if="picked.length" type="button" class="link" @click="picked = []">show all</button>
        </h2>
        <component
          :is="m.link.startsWith('/api/') ? 'a' : 'router-link'"
          v-for="(m, k) in list"
          :key="k"
          v-bind="m.link.startsWith('/api/') ? { href: m.link, target: '_blank', rel: 'noopener' } : { to: m.link }"
          class="line"
        >
          <span class="figure">{{ shortDate(m.at) }}</span>
          <span
            ><strong>{{ m.words }}</strong>
            <span v-if="of === 'machine' && m.drive" class="dim"> · {{ m.drive }}</span></span
          >
          <span class="dim">{{ m.detail }}</span>
          <span class="dim">{{ m.by }}</span>
        </component>
        <p v-if="view.more" class="dim">{{ view.more }} older ones are left out here.</p>
      </section>
    </template>
  </main>
</template>

<style scoped>
h1 {
  font-size: 1.5rem;
}
.up {
  display: inline-grid;
  align-items: center;
  min-height: 44px;
}
.drawn {
  padding: 8px 4px;
}
.none {
  padding: 24px 16px;
}
.link {
  min-height: 46px;
  border: 0;
  background: none;
  color: var(--touch);
  text-decoration: underline;
  font: 500 1.0625rem var(--face-label);
  cursor: pointer;
}
.table {
  display: inline-grid;
  align-items: center;
}
.compare,
.list {
  padding: 12px 16px;
  display: grid;
  gap: 8px;
}
.compare label {
  display: grid;
  font-size: 0.9375rem;
}
.changed {
  font-weight: 600;
}
.list {
  gap: 0;
}
.line {
  display: grid;
  grid-template-columns: 130px 2fr 2fr 1fr;
  gap: 4px 14px;
  align-items: center;
  min-height: 48px;
  border-bottom: 1px solid var(--line);
  color: var(--ink);
  text-decoration: none;
}
.line strong {
  color: var(--touch);
  font-weight: 600;
}
@media (max-width: 700px) {
  .line {
    grid-template-columns: 1fr;
    padding: 8px 0;
  }
}
</style>
