<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'

import { api, attempt } from '@/api/client'
import type { Problem, RoundLine, RoundView } from '@/api/types'
import { clock, counted } from '@/shared/format/words'
import { setPlace } from '@/shared/state/place'
import { useSettings } from '@/shared/state/settings'
import AfterFrames from '@/shared/ui/AfterFrames.vue'
import { useSlices } from '@/shared/ui/slices'

import DueRow from '../components/DueRow.vue'
import PlanForm from '../components/PlanForm.vue'
import RepeatCard from '../components/RepeatCard.vue'
import TemporaryCard from '../components/TemporaryCard.vue'
import WalkLine from '../components/WalkLine.vue'
import { dayName, spell } from '../logic/days'

const route = useRoute()
const router = useRouter()
const settings = useSettings()
const round = ref<RoundView>()
const problem = ref<Problem | null>(null)
const planning = ref(false)
// What lies ahead is made when somebody looks there.
const further = ref(false)
const area = computed(() => String(route.query.area ?? ''))
const minutes = -new Date().getTimezoneOffset()

async function load() {
  const got = await attempt(api.GET('/api/round', { params: { query: { area: area.value, minutes } } }))
  if (got.ok) {
    round.value = got.data
    problem.value = null
  } else problem.value = got.problem
}
onMounted(() => {
  setPlace('What is due, in walking order')
  void load()
})
async function only(name: string) {
  await router.replace({ query: name ? { area: name } : {} })
  await load()
}
function planned() {
  planning.value = false
  void load()
}
const groups = computed(() => {
  const r = round.value
  if (!r) return []
  return [
    { key: 'late', title: 'Late', lines: r.late },
    { key: 'today', title: `Today, ${dayName(r.day)}`, lines: r.today },
    { key: 'week', title: 'This week', lines: r.week },
  ].filter((g) => g.lines.length)
})
// The first of them at once, the rest frame by frame: a round of sixty stops does not hold up a touch.
const due = computed(() => groups.value.flatMap((g) => g.lines))
const made = useSlices(() => due.value, 4)
const standing = computed(() => new Set(made.value))
const standingIn = (lines: RoundLine[]) => lines.filter((x) => standing.value.has(x))
const number = (name: string) => round.value?.areas.find((a) => a.name === name)?.no ?? ''
/** Lines of one area after another, each with its heading once. */
function stops(lines: RoundLine[]): { area: string; lines: RoundLine[] }[] {
  const out: { area: string; lines: RoundLine[] }[] = []
  for (const line of lines) {
    if (out.at(-1)?.area !== line.due.area) out.push({ area: line.due.area, lines: [] })
    out.at(-1)?.lines.push(line)
  }
  return out
}
const time = (lines: RoundLine[]) => lines.reduce((sum, x) => sum + x.due.minutes, 0)
const shown = computed(() => groups.value.reduce((n, g) => n + g.lines.length, 0))
const paper = computed(
  () => `/api/round.pdf?area=${encodeURIComponent(area.value)}&minutes=${minutes}&units=${settings.units}`,
)
const feed = computed(() => `/api/round.ics?area=${encodeURIComponent(area.value)}`)
</script>

<template>
  <main class="page round">
    <div class="head">
      <h1>Round</h1>
      <p v-if="round" class="dim">
        {{ dayName(round.day) }}{{ settings.name ? `, for ${settings.name}` : '' }}{{ area ? `, ${area} only` : '' }}
      </p>
      <span class="keys">
        <button type="button" class="way" :aria-expanded="planning" @click="planning = !planning">
          {{ planning ? 'Close' : 'Add' }}
        </button>
        <a :href="paper" target="_blank" rel="noopener" class="way">Print</a>
        <a :href="feed" class="way">Calendar feed</a>
        <a href="/api/dues.csv" class="way">Table</a>
        <router-link to="/report" class="way">Report</router-link>
      </span>
    </div>
    <p v-if="problem" class="field-fault" role="alert">
      {{ problem.detail || problem.title }}
      <button type="button" class="way" @click="load">Try again</button>
    </p>
    <PlanForm v-if="planning" @planned="planned" />
    <div v-if="round" class="columns">
      <section class="sheet list" aria-label="What is due">
        <WalkLine :round="round" :area="area" @area="only" />
        <template v-for="g in groups" :key="g.key">
          <h2 :class="g.key">
            {{ g.title }}
            <small class="dim"
              >{{ g.lines.length }} thing{{ g.lines.length === 1 ? '' : 's'
              }}<template v-if="time(g.lines)">, {{ spell(time(g.lines)) }}</template></small
            >
          </h2>
          <template v-for="s in stops(standingIn(g.lines))" :key="g.key + s.area">
            <p class="area">
              <b v-if="number(s.area)" class="figure">{{ number(s.area) }}</b> {{ s.area || 'No area' }}
            </p>
            <DueRow v-for="x in s.lines" :key="x.due.id" :line="x" @changed="load" />
          </template>
        </template>
        <details v-if="round.ahead.length" @toggle="further ||= ($event.target as HTMLDetailsElement).open">
          <summary>
            Further ahead <small class="dim">{{ counted(round.ahead.length, 'thing') }}, the soonest first</small>
          </summary>
          <template v-if="further">
            <DueRow v-for="x in round.ahead" :key="x.due.id" :line="x" @changed="load" />
          </template>
        </details>
        <p v-if="!groups.length" class="none">
          <span aria-hidden="true">●</span> Nothing is due up to the end of the week{{ area ? ` in ${area}` : '' }}.
        </p>
        <p v-if="round.total > shown && !area" class="none dim">
          {{ round.total - shown }} more are due than stand here: walk by area.
        </p>
      </section>
      <AfterFrames :frames="1">
        <aside>
          <section v-if="round.begun.length" class="sheet side">
            <p class="label">Begun, not closed</p>
            <p v-for="j in round.begun" :key="j.id">
              <router-link :to="`/jobs/${j.id}`" class="name">{{ j.machine }} · {{ j.drive }}</router-link>
              <span>{{ j.title }}, {{ j.steps_done }} of {{ j.steps_all }} steps, {{ j.opened_by }}</span>
            </p>
          </section>
          <RepeatCard v-for="r in round.repeats" :key="r.drive_id" :line="r" />
          <TemporaryCard :lines="round.temporary" />
          <section v-if="round.done.length" class="sheet side">
            <p class="label">Done today</p>
            <p v-for="j in round.done" :key="j.id">
              <span aria-hidden="true">●</span>
              <router-link :to="`/jobs/${j.id}`" class="name">{{ j.machine }} · {{ j.drive }}</router-link>
              <span>{{ j.title }}{{ j.closed_at ? `, ${clock(j.closed_at)}` : '' }}</span>
            </p>
          </section>
        </aside>
      </AfterFrames>
    </div>
    <p v-else-if="!problem" class="dim" role="status">Reading the round…</p>
  </main>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: center;
}
.keys {
  margin-left: auto;
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 400px;
  gap: 12px;
  align-items: start;
}
aside {
  display: grid;
  gap: 12px;
}
h2 {
  background: var(--panel);
  padding: 6px 14px;
  border-bottom: 1px solid var(--line);
}
h2.late {
  color: var(--hot);
}
h2 small {
  font: 400 0.9375rem var(--face-text);
  margin-left: 10px;
}
summary {
  min-height: 48px;
  padding: 10px 14px;
  background: var(--panel);
  border-bottom: 1px solid var(--line);
  color: var(--touch);
  font: 600 1.25rem var(--face-label);
  cursor: pointer;
}
summary small {
  font: 400 0.9375rem var(--face-text);
}
.area {
  padding: 6px 14px 0;
  font: 600 0.9375rem var(--face-label);
}
.area b {
  border: 1.6px solid var(--ink);
  padding: 0 6px;
  margin-right: 6px;
}
.none {
  padding: 22px 16px;
}
.side {
  padding: 14px 16px;
  display: grid;
  gap: 4px;
}
.side .name {
  font: 600 1.0625rem var(--face-label);
  display: inline-grid;
  align-items: center;
  min-height: 44px;
  margin-right: 8px;
}
@media (max-width: 1050px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (max-width: 700px) {
  .keys {
    margin-left: 0;
    width: 100%;
  }
  .way {
    flex: 1;
    padding: 0 6px;
  }
}
</style>
