<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'

import { api, attempt } from '@/api/client'
import type { components } from '@/api/schema'
import type { Problem } from '@/api/types'
import { faultText } from '@/shared/format/faults'
import { counted, shortDate, thousands } from '@/shared/format/words'
import { setPlace } from '@/shared/state/place'
import { useSettings } from '@/shared/state/settings'

import BarTable from '../components/BarTable.vue'
import { money, periods } from '../logic/period'

// A period of the shop: what was used, what failed, what is late, what is lost.
const route = useRoute()
const router = useRouter()
const settings = useSettings()
const report = ref<components['schemas']['ReportView']>()
const problem = ref<Problem | null>(null)
const choices = periods(new Date())
const since = computed(() => String(route.query.since ?? choices[2]?.since))
const until = computed(() => String(route.query.until ?? choices[2]?.until))
const asked = computed(() => ({
  since: since.value,
  until: until.value,
  minutes: -new Date().getTimezoneOffset(),
  units: settings.units,
}))
const query = computed(() =>
  new URLSearchParams(Object.entries(asked.value).map(([k, v]) => [k, String(v)])).toString(),
)
let turn = 0

async function load() {
  const mine = ++turn
  const got = await attempt(api.GET('/api/report', { params: { query: asked.value } }))
  if (mine !== turn) return
  problem.value = got.ok ? null : got.problem
  report.value = got.ok ? got.data : undefined
}
onMounted(() => {
  setPlace('Report of the shop')
  void load()
})
watch(asked, load, { deep: true })
const go = (a: string, b: string) => router.replace({ query: { since: a, until: b } })
const here = (p: { since: string; until: string }) => p.since === since.value && p.until === until.value
const keys = computed(() => {
  const r = report.value
  if (!r) return []
  const loops = r.loops.reduce((n, x) => n + x.loops, 0)
  return [
    {
      label: 'Belts and chains fitted',
      figure: String(loops),
      note: `at ${counted(
        r.loops.reduce((n, x) => n + x.jobs, 0),
        'job',
      )}`,
    },
    {
      label: 'Failures',
      figure: String(r.failures),
      note: r.failures ? `${r.causes.reduce((n, x) => n + x.confirmed, 0)} with a confirmed cause` : '',
    },
    { label: 'Late at the end', figure: String(r.late_count), note: '' },
    { label: 'Only for a while', figure: String(r.fixes.length), note: '' },
    { label: 'Lost in the drives', figure: r.lost?.shown ?? '–', note: counted(r.drives, 'drive') },
    {
      label: 'Spent on parts',
      figure: money(r.spent),
      note: r.unpriced ? `${counted(r.unpriced, 'part')} without a price` : '',
    },
  ]
})
// Bars: the latest is the longest; a fix for a while goes from its day to the promised one.
const worstLate = computed(() => Math.max(1, ...(report.value?.late.map((x) => x.days) ?? [])))
const part = (x: number, of: number) => `${Math.min(1, Math.max(0, x / of)) * 100}%`
function along(x: components['schemas']['OpenFix']): string {
  const stood = Math.max(0, (Date.parse(until.value) - Date.parse(x.since)) / 86_400_000)
  return part(stood, stood + Math.max(0, x.days_left ?? 0) || 1)
}
</script>

<template>
  <main class="page report">
    <div class="head">
      <h1>Report of the shop</h1>
      <div class="segments" role="group" aria-label="Period">
        <button
          v-for="p in choices"
          :key="p.key"
          type="button"
          :class="{ here: here(p) }"
          :aria-pressed="here(p)"
          @click="go(p.since, p.until)"
        >
          {{ p.word }}
        </button>
      </div>
      <p class="days">
        <label
          >from
          <input
            class="blank"
            type="date"
            :value="since"
            @change="go(($event.target as HTMLInputElement).value, until)"
        /></label>
        <label
          >to
          <input
            class="blank"
            type="date"
            :value="until"
            @change="go(since, ($event.target as HTMLInputElement).value)"
        /></label>
        <a class="way" :href="`/api/report.pdf?${query}`" target="_blank" rel="noopener">Print</a>
        <a class="way" :href="`/api/report.csv?${query}`">Table</a>
      </p>
    </div>
    <p v-if="problem" class="field-fault" role="alert">
      {{ problem.errors[0] ? faultText(problem.errors[0]) : problem.detail || problem.title }}
      <button type="button" class="way" @click="load">Try again</button>
    </p>
    <template v-if="report">
      <dl class="sheet keys">
        <div v-for="k in keys" :key="k.label">
          <dt class="label">{{ k.label }}</dt>
          <dd>
            <b class="figure">{{ k.figure }}</b> <span v-if="k.note" class="dim">{{ k.note }}</span>
          </dd>
        </div>
      </dl>
      <div class="blocks">
        <BarTable
          title="Failures by cause"
          none="None was kept."
          :lines="
            report.causes.map((x) => ({
              key: x.words,
              words: x.words,
              note: x.drives.join(', '),
              count: x.confirmed,
              light: x.told,
              says: [x.confirmed ? `${x.confirmed} confirmed` : '', x.told ? `${x.told} only told` : '']
                .filter(Boolean)
                .join(', '),
            }))
          "
          :foot="
            report.causes.some((x) => x.told)
              ? 'Only told: the likeliest by what was seen; nobody has confirmed it.'
              : ''
          "
        />
        <BarTable
          title="Belts and chains fitted"
          none="None was fitted."
          :lines="
            report.loops.map((x) => ({
              key: x.designation,
              words: x.designation,
              note: x.drives.join(', '),
              count: x.loops,
              says: `${x.loops} at ${counted(x.jobs, 'job')}`,
            }))
          "
        />
        <section class="sheet block">
          <h2>Late at the end</h2>
          <p v-if="!report.late.length" class="dim">Nothing was late.</p>
          <ul>
            <li v-for="x in report.late.slice(0, 12)" :key="x.title + x.machine + x.when">
              <span>
                <router-link v-if="x.drive_id" :to="`/drives/${x.drive_id}`"
                  >{{ x.machine }} · {{ x.drive }}</router-link
                >
                <b v-else>{{ x.machine }}</b>
                {{ x.title }}
              </span>
              <span class="figure">{{ x.days ? counted(x.days, 'day') : 'today' }}</span>
              <span class="days-late" aria-hidden="true" :style="{ width: part(x.days, worstLate) }" />
            </li>
          </ul>
          <p v-if="report.late_count > 12" class="dim">{{ report.late_count - 12 }} more: the table has them.</p>
        </section>
        <section class="sheet block">
          <h2>Only for a while</h2>
          <p v-if="!report.fixes.length" class="dim">No temporary fix stood at the end.</p>
          <ul>
            <li v-for="x in report.fixes" :key="x.drive_id + x.since">
              <span>
                <router-link :to="`/drives/${x.drive_id}`">{{ x.machine }} · {{ x.drive }}</router-link> {{ x.reason }}
                <span class="dim">since {{ shortDate(x.since) }}</span>
              </span>
              <span v-if="x.days_left !== null" class="figure" :class="{ hot: x.days_left < 0 }">{{
                x.days_left < 0 ? `${counted(-x.days_left, 'day')} over` : `${counted(x.days_left, 'day')} left`
              }}</span>
              <!-- Its way from the day it was fitted to the day that was promised, and how far along it was at the end. -->
              <span v-if="x.days_left !== null" class="way-to" aria-hidden="true"
                ><span :class="{ over: x.days_left < 0 }" :style="{ width: along(x) }"
              /></span>
            </li>
          </ul>
        </section>
        <BarTable
          title="Lost in the drives"
          none="No drive stood on a machine."
          :lines="
            report.losses.map((x) => ({
              key: x.drive_id,
              words: `${x.machine} · ${x.drive}`,
              note: `${x.what}, ${thousands(x.hours)} h${x.assumed ? ' assumed' : ''}`,
              count: x.lost.high.value,
              says: x.lost.shown,
            }))
          "
          :foot="
            (report.drives > report.losses.length ? `The ${report.losses.length} greatest of ${report.drives}. ` : '') +
            'At full load, by the band of usual efficiencies of each kind of drive. Hours: the meter, else the duty, else ten on 250 days a year.'
          "
        />
        <BarTable
          title="Parts off the shelf for jobs"
          none="None was taken."
          :lines="
            report.parts.map((x) => ({
              key: x.designation,
              words: x.designation,
              count: x.count,
              says: `${x.count}${x.spent === null ? ', no price' : `, ${money(x.spent)}`}`,
            }))
          "
        />
        <BarTable
          title="Jobs closed"
          none="None was closed."
          :lines="report.jobs.map((x) => ({ key: x.words, words: x.words, count: x.count, says: String(x.count) }))"
        />
      </div>
    </template>
    <p v-else-if="!problem" class="dim" role="status">Adding it up…</p>
  </main>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
.head .segments button {
  flex: 1 0 auto;
  white-space: nowrap;
}
.days {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.keys {
  margin: 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 10px 14px;
  padding: 12px 16px;
}
.keys dd {
  margin: 0;
}
.keys b {
  display: block;
  font-size: 1.4375rem;
  line-height: 1.2;
}
.blocks {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 460px), 1fr));
  gap: 10px;
  align-items: start;
}
.block {
  padding: 12px 16px;
  display: grid;
  gap: 8px;
}
.block ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.block li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 12px;
  padding: 2px 0 6px;
  border-bottom: 1px solid var(--line);
  align-items: center;
}
.block a {
  display: grid;
  min-height: 44px;
  align-items: center;
}
.days-late {
  grid-column: 1 / -1;
  height: 8px;
  min-width: 2px;
  background: var(--hot);
}
.way-to {
  grid-column: 1 / -1;
  height: 10px;
  border: 1.5px solid var(--ink);
}
.way-to span {
  display: block;
  height: 100%;
  background: var(--ink);
}
.over {
  background: var(--hot) !important;
}
.hot {
  color: var(--hot);
}
</style>
