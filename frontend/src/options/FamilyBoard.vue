<script setup lang="ts">
import { computed, ref } from 'vue'

import type { CompareAnswer, Elevation, FamilyOffer, Option, Picked, Sheet } from '@/api/types'
import { isAssumption } from '@/shared/format/notices'
import AfterFrames from '@/shared/ui/AfterFrames.vue'
import NoticeList from '@/shared/ui/NoticeList.vue'
import { counted, thousands } from '@/shared/format/words'
import { useFamilies } from '@/shared/state/families'

import BestRow from './BestRow.vue'
import { commonScale, optionKey } from './card'
import LaidOver from './LaidOver.vue'
import FitnessBar from './FitnessBar.vue'
import MannerTable from './MannerTable.vue'
import OptionCard from './OptionCard.vue'
import { columns, sorted, type Column } from './sorting'
import WorkedOption from './WorkedOption.vue'

// One duty, every family: the best few of each drawn at one scale, then side by side.
const props = defineProps<{
  answer: CompareAnswer
  picked: string
  today?: Sheet | null
  standing?: Elevation | null
}>()
const emit = defineEmits<{ pick: [picked: Picked]; replace: [path: string] }>()
const worked = ref<InstanceType<typeof WorkedOption>>()
const { families: lines } = useFamilies()
const selectOf = (key: string) => lines.value.find((x) => x.key === key)?.select ?? ''
const by = ref<Column>('shaft_load')
const families = computed(() => props.answer.result.families)
const rows = computed(() => sorted(families.value, by.value))
// The drives come first: what can hurt stands above them, the rest is counted and opened by who wants it.
const urgent = computed(() => props.answer.notices.filter((n) => n.level === 'danger'))
const quiet = computed(() => props.answer.notices.filter((n) => n.level !== 'danger'))
const said = computed(() => {
  const assumed = quiet.value.filter(isAssumption).length
  const others = quiet.value.length - assumed
  return [assumed ? `${counted(assumed, 'thing')} assumed` : '', others ? counted(others, 'remark') : '']
    .filter(Boolean)
    .join(', ')
})
const scale = computed(() => commonScale(families.value.flatMap((f) => f.options)))
// What is laid over the drive that stands there: what somebody asked for, else the first of all.
const asked = ref('')
const options = computed(() => families.value.flatMap((f) => f.options))
const over = computed(() => options.value.find((o) => optionKey(o) === asked.value) ?? options.value[0])
const every = ref(false)
const found = computed(() => families.value.reduce((n, f) => n + f.accepted, 0))
const says = { good: 'fits', limited: 'with care', no: 'not for this' } as const
function take(f: FamilyOffer, o: Option) {
  const options = props.answer.options
  emit('pick', { family: f.key, calc: o.calc, name: o.name, key: optionKey(o), input: o.input, options })
}
/** A figure of the drive that is there, in the columns of those that are offered. */
function nowShown(now: Sheet, key: Column): string {
  if (key === 'shaft_load') return now.shaft_load.shown
  if (key === 'spare') return now.spare?.shown ?? 'not rated'
  return key === 'speed_error' ? (now.wanted?.error.shown ?? '') : now.beside[key].shown
}
</script>

<template>
  <section class="board">
    <NoticeList v-if="urgent.length" :notices="urgent" />
    <BestRow
      :families="families"
      :picked="picked"
      :over="over ? optionKey(over) : ''"
      :laid="Boolean(today && standing)"
      @take="take"
      @over="(k: string) => (asked = k)"
    />
    <LaidOver v-if="today && standing && over" :today="today" :elevation="standing" :option="over" />
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
    <p class="row">
      <el-button :aria-expanded="every" @click="every = !every">{{
        every ? 'Only the best of each family' : `All ${options.length} that were kept, family by family`
      }}</el-button>
      <span class="dim"
        >{{ thousands(found) }} of {{ thousands(answer.result.considered) }} combinations do it. Drawn at one
        scale.</span
      >
    </p>
    <AfterFrames :frames="5">
      <section
        v-for="f in every ? families : families.filter((x) => !x.options.length)"
        :key="f.key"
        class="sheet family"
        :class="f.verdict"
        :aria-label="f.title"
      >
        <header>
          <FitnessBar :verdict="f.verdict" />
          <h2>{{ f.title }}</h2>
          <span class="verdict">{{ says[f.verdict] }}</span>
          <span class="dim count">{{ thousands(f.accepted) }} of {{ thousands(f.considered) }} do it</span>
        </header>
        <p v-if="f.reason" class="reason">{{ f.reason }}</p>
        <p v-for="c in f.care" :key="c">{{ c }}</p>
        <div v-if="f.options.length" class="options">
          <OptionCard
            v-for="o in f.options"
            :key="optionKey(o)"
            :option="o"
            :scale="scale"
            :picked="picked === optionKey(o)"
            @pick="take(f, o)"
            @work="worked?.show(o.calc, o.input, answer.options)"
          />
        </div>
        <p v-if="f.missing" class="dim">
          {{ f.missing }} <router-link :to="`/bench/${selectOf(f.key)}`">Give its figures on the bench</router-link>
        </p>
      </section>
    </AfterFrames>
    <AfterFrames :frames="6">
      <section v-if="rows.length" class="sheet beside">
        <h2>Side by side</h2>
        <div class="wide" tabindex="0" role="region" aria-label="Side by side, can be moved sideways">
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
              <tr v-for="r in rows" :key="optionKey(r.option)">
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
    </AfterFrames>
    <AfterFrames :frames="7"><MannerTable :families="families" /></AfterFrames>
    <WorkedOption ref="worked" />
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
  font: 600 1.0625rem var(--face-label);
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
  font: 600 0.9375rem var(--face-label);
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
