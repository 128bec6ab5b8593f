<script setup lang="ts">
import { computed, ref } from 'vue'

import { calculate } from '@/api/calc'
import type { CompareAnswer, DriveAnswer, FamilyOffer, FamilyOption, Picked, Sheet } from '@/api/types'
import AllFigures from '@/features/drive/components/AllFigures.vue'
import { fit } from '@/features/drive/logic/layout'
import HowCome from '@/shared/ui/HowCome.vue'
import NoticeList from '@/shared/ui/NoticeList.vue'
import { counted } from '@/shared/format/words'
import { useSettings } from '@/shared/state/settings'

import { columns, sorted, type Column } from '../logic/sorting'
import FamilyCard from './FamilyCard.vue'
import MannerTable from './MannerTable.vue'

// One duty, every family: the best few of each drawn at one scale, then side by side.
const props = defineProps<{ answer: CompareAnswer; picked: string; today?: Sheet | null }>()
const emit = defineEmits<{ pick: [picked: Picked]; replace: [path: string] }>()
const settings = useSettings()
const worked = ref<DriveAnswer>()
const open = ref(false)
const how = ref<{ step: string | null; title: string }>({ step: null, title: '' })
const by = ref<Column>('shaft_load')
const families = computed(() => props.answer.result.families)
const rows = computed(() => sorted(families.value, by.value))
// The drives come first: what can hurt stands above them, the rest is counted and opened by who wants it.
const urgent = computed(() => props.answer.notices.filter((n) => n.level === 'danger'))
const quiet = computed(() => props.answer.notices.filter((n) => n.level !== 'danger'))
const said = computed(() => {
  const assumed = quiet.value.filter((n) => n.code.endsWith('assumed')).length
  const others = quiet.value.length - assumed
  return [assumed ? `${counted(assumed, 'thing')} assumed` : '', others ? counted(others, 'remark') : '']
    .filter(Boolean)
    .join(', ')
})
const INSET = { left: 8, right: 8, top: 7, bottom: 7 }
const scale = computed(() =>
  Math.min(
    ...families.value.flatMap((f) => f.options.map((o) => fit(o.elevation, 300, 118, INSET, 0).scale)),
    Infinity,
  ),
)
const keyOf = (f: FamilyOffer, o: FamilyOption) => `${f.key} ${o.name} ${o.telling}`
const says = { good: 'fits', limited: 'with care', no: 'not for this' } as const
function take(f: FamilyOffer, o: FamilyOption) {
  emit('pick', { family: f.key, calc: o.calc, name: o.name, key: keyOf(f, o), input: o.input })
}
/** A figure of the drive that is there, in the columns of those that are offered. */
function nowShown(now: Sheet, key: Column): string {
  if (key === 'shaft_load') return now.shaft_load.shown
  if (key === 'spare') return now.spare?.shown ?? 'not rated'
  return key === 'speed_error' ? (now.wanted?.error.shown ?? '') : now.beside[key].shown
}
async function work(o: FamilyOption) {
  const got = await calculate<DriveAnswer>(o.calc, { units: settings.units, basis: props.answer.basis, input: o.input })
  if (!got.ok) return
  worked.value = got.data
  open.value = true
}
</script>

<template>
  <section class="board">
    <p>{{ answer.result.considered.toLocaleString('en-US') }} combinations tried. Drawn at one scale.</p>
    <NoticeList v-if="urgent.length" :notices="urgent" />
    <div class="folds">
      <details v-if="quiet.length">
        <summary>{{ said }}</summary>
        <NoticeList :notices="quiet" replaceable @replace="(p: string) => emit('replace', p)" />
      </details>
      <details>
        <summary>How they are ordered</summary>
        <p>{{ answer.result.order }}</p>
      </details>
    </div>
    <section v-for="f in families" :key="f.key" class="sheet family" :class="f.verdict" :aria-label="f.title">
      <header>
        <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
          <path v-if="f.verdict === 'no'" d="M3 3l12 12M15 3L3 15" stroke="var(--ink)" stroke-width="2.4" />
          <template v-else>
            <circle
              cx="9"
              cy="9"
              r="6.6"
              :fill="f.verdict === 'good' ? 'var(--ink)' : 'none'"
              stroke="var(--ink)"
              stroke-width="2"
            />
            <path v-if="f.verdict === 'limited'" d="M9 2.4a6.6 6.6 0 0 1 0 13.2z" fill="var(--ink)" />
          </template>
        </svg>
        <h2>{{ f.title }}</h2>
        <span class="verdict">{{ says[f.verdict] }}</span>
        <span class="dim count"
          >{{ f.accepted.toLocaleString('en-US') }} of {{ f.considered.toLocaleString('en-US') }} do it</span
        >
      </header>
      <p v-if="f.reason" class="reason">{{ f.reason }}</p>
      <p v-for="c in f.care" :key="c">{{ c }}</p>
      <div v-if="f.options.length" class="options">
        <FamilyCard
          v-for="o in f.options"
          :key="keyOf(f, o)"
          :option="o"
          :scale="scale"
          :picked="picked === keyOf(f, o)"
          @pick="take(f, o)"
          @work="work(o)"
        />
      </div>
      <p v-if="f.missing" class="dim">
        {{ f.missing }} <router-link to="/bench/sync-select">Give its figures on the bench</router-link>
      </p>
    </section>
    <section v-if="rows.length" class="sheet beside">
      <h2>Side by side</h2>
      <div class="wide" tabindex="0" role="region" aria-label="Table, can be moved sideways">
        <table class="lines">
          <thead>
            <tr>
              <th scope="col">Drive</th>
              <th v-for="c in columns" :key="c.key" scope="col" :aria-sort="by === c.key ? 'ascending' : 'none'">
                <button type="button" class="plain sort" :class="{ here: by === c.key }" @click="by = c.key">
                  {{ c.word }}<span v-if="by === c.key"> ↑</span>
                </button>
              </th>
              <th scope="col"><span class="visually-hidden">Take</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-if="today" class="today">
              <th scope="row">{{ today.designation }}<br /><span class="dim">on the machine now</span></th>
              <td v-for="c in columns" :key="c.key" class="figure n">{{ nowShown(today, c.key) }}</td>
              <td></td>
            </tr>
            <tr v-for="r in rows" :key="keyOf(r.family, r.option)">
              <th scope="row">
                {{ r.option.name }}<br /><span class="dim">{{ r.family.title }}</span>
              </th>
              <td v-for="c in columns" :key="c.key" class="figure n">{{ r.option[c.key].shown }}</td>
              <td><el-button text @click="take(r.family, r.option)">Take</el-button></td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="dim">
        Weight: wheels by textbook rules for rims, arms and webs, the lighter and the heavier make, with the belt or
        chain. Loss: both ends of the usual efficiency. They are estimates.
      </p>
    </section>
    <MannerTable :families="families" />
    <AllFigures
      v-if="worked"
      v-model="open"
      :answer="worked"
      @how="(s: string, t: string) => (how = { step: s, title: t })"
    />
    <HowCome :steps="worked?.working ?? []" :step="how.step" :title="how.title" @close="how.step = null" />
  </section>
</template>

<style scoped>
.board {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
.folds {
  display: flex;
  flex-wrap: wrap;
  gap: 0 22px;
}
.folds details[open] {
  flex-basis: 100%;
}
.folds summary {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 4px;
  cursor: pointer;
}
.family,
.beside {
  padding: 10px 14px 12px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  min-width: 0;
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 10px;
}
.verdict {
  font: 600 17px var(--face-label);
}
.count {
  margin-left: auto;
}
.no h2 {
  color: var(--dim);
}
.reason {
  font-weight: 600;
}
.options {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(290px, 100%), 1fr));
  gap: 10px;
}
.wide {
  position: relative;
  overflow-x: auto;
}
tr.today {
  background: var(--touch-soft);
}
.sort {
  min-height: 44px;
  font: 600 15px var(--face-label);
  color: var(--touch);
  text-align: left;
}
.sort.here {
  color: var(--ink);
}
.n {
  white-space: nowrap;
}
tbody th {
  text-align: left;
  font-weight: 600;
}
</style>
