<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue'

import { useRoute } from 'vue-router'

import { api, attempt } from '@/api/client'
import type { IdentifyAnswer } from '@/api/types'
import { grooves } from '@/forms/grooves'
import { faultAt, faultText, otherFaults } from '@/shared/format/faults'
import { isBare } from '@/shared/format/units'
import { useKept } from '@/shared/state/kept'
import { carryFields, LENGTH } from '@/shared/state/carried'
import { useQuestion } from '@/shared/state/question'
import { setPlace } from '@/shared/state/place'
import { useSettings } from '@/shared/state/settings'
import ChoiceField from '@/shared/ui/ChoiceField.vue'
import FaultList from '@/shared/ui/FaultList.vue'
import FormerAnswer from '@/shared/ui/FormerAnswer.vue'
import NoticeList from '@/shared/ui/NoticeList.vue'
import QuantityField from '@/shared/ui/QuantityField.vue'
import WordField from '@/shared/ui/WordField.vue'

import HungBlank from '../components/HungBlank.vue'
import MeasuredBelt from '../pictures/MeasuredBelt.vue'
import PrintedBelt from '../pictures/PrintedBelt.vue'
import TwoWheels from '../pictures/TwoWheels.vue'

// What is this belt? Three ways to it, by what there is: print on it, the belt and a tape, or only the sheaves.
const settings = useSettings()
const ways = [
  { key: 'marking', word: 'It has print on it' },
  { key: 'tape', word: 'I have the belt and a tape' },
  { key: 'sheaves', word: 'Only the sheaves are left' },
] as const
const fresh = () => ({
  way: 'marking' as (typeof ways)[number]['key'],
  marking: '',
  top_width: '',
  depth: '',
  outside_length: '',
  cogged: '',
  groove: '',
  driver_diameter: '',
  driven_diameter: '',
  centre: '',
  centre_low: '',
  centre_high: '',
})
const LENGTHS = {
  top_width: LENGTH,
  depth: LENGTH,
  outside_length: LENGTH,
  driver_diameter: LENGTH,
  driven_diameter: LENGTH,
  centre: LENGTH,
  centre_low: LENGTH,
  centre_high: LENGTH,
}
const { value: f } = useKept('what-belt', fresh, (v, from) => carryFields(v, from, LENGTHS))
// What is measured hangs on the picture where the tape goes.
const PICTURED = {
  marking: [],
  tape: [
    { name: 'top_width', label: 'across the top', says: 'Width across the top', x: 22, y: 11 },
    { name: 'depth', label: 'deep', says: 'Depth', x: 46.5, y: 47 },
    { name: 'outside_length', label: 'once round the outside', says: 'Length round the outside', x: 74.5, y: 49 },
  ],
  sheaves: [
    { name: 'driver_diameter', label: 'driver, outside dia', says: 'Driver, outside diameter', x: 10, y: 46 },
    { name: 'driven_diameter', label: 'driven, outside dia', says: 'Driven, outside diameter', x: 92, y: 46 },
    { name: 'centre', label: 'centre distance', says: 'Centre distance, as it stands', x: 49, y: 90 },
  ],
} as const
const pictured = computed(() => PICTURED[f.value.way])
const unit = computed(() => (settings.units === 'us' ? 'in' : 'mm'))
const found = ref<HTMLElement>()
const {
  answer,
  former,
  problem,
  ask: askServer,
  clear,
} = useQuestion<IdentifyAnswer>(() => JSON.stringify([question(), settings.units]))
const underneath = [
  { key: 'smooth', name: 'smooth', group: '' },
  { key: 'cogged', name: 'cogged', group: '' },
]
const grooveChoices = grooves.filter((g) => !g.includes(' ')).map((key) => ({ key, name: key, group: '' }))
const asks = {
  marking: ['marking'],
  tape: ['top_width', 'depth', 'outside_length', 'cogged'],
  sheaves: ['groove', 'driver_diameter', 'driven_diameter', 'centre', 'centre_low', 'centre_high'],
} as const
const shownFields = computed(() => asks[f.value.way].map((n) => 'input.' + n))

function question() {
  const input: Record<string, string> = {}
  for (const name of asks[f.value.way]) if (f.value[name].trim()) input[name] = f.value[name]
  return input
}
async function ask() {
  const input = question()
  await askServer(() => attempt(api.POST('/api/calc/belt-identify', { body: { units: settings.units, input } })))
  await nextTick()
  found.value?.scrollIntoView({ block: 'start' })
  found.value?.focus({ preventScroll: true })
}
watch(
  () => settings.units,
  () => former.value && void ask(),
)
function take(way: (typeof ways)[number]['key']) {
  f.value.way = way
  clear()
}
const route = useRoute()
onMounted(() => {
  setPlace('What is this belt?')
  const marking = route.query['marking']
  if (typeof marking !== 'string' || !marking) return
  f.value.way = 'marking'
  f.value.marking = marking
  void ask()
})
const fault = (name: string) => faultAt(problem.value, 'input.' + name)
</script>

<template>
  <main class="page">
    <h1>What is this belt?</h1>
    <div class="ways" role="radiogroup" aria-label="What there is">
      <button
        v-for="w in ways"
        :key="w.key"
        type="button"
        role="radio"
        :aria-checked="f.way === w.key"
        :class="{ on: f.way === w.key }"
        @click="take(w.key)"
      >
        {{ w.word }}
      </button>
    </div>
    <form class="sheet block" @submit.prevent="ask">
      <div v-if="pictured.length" class="picture">
        <MeasuredBelt v-if="f.way === 'tape'" :cogged="f.cogged === 'cogged'" />
        <TwoWheels v-else :result="undefined" :elevation="null" />
        <HungBlank
          v-for="h in pictured"
          :key="h.name"
          v-model="f[h.name]"
          :label="h.label"
          :says="h.says"
          :unit="isBare(f[h.name]) || !f[h.name] ? unit : ''"
          :x="h.x"
          :y="h.y"
          :bad="!!fault(h.name)"
        />
      </div>
      <PrintedBelt v-else :print="f.marking" class="printed" />
      <p v-for="h in pictured.filter((x) => fault(x.name))" :key="h.name" class="field-fault" role="alert">
        {{ h.says }}: {{ faultText(fault(h.name)!) }}
      </p>
      <div v-if="f.way === 'marking'" class="fields">
        <WordField v-model="f.marking" label="As it is printed; ? for a worn digit" :fault="fault('marking')" />
      </div>
      <div v-else-if="f.way === 'tape'" class="fields">
        <ChoiceField v-model="f.cogged" label="Underneath" :choices="underneath" clearable :fault="fault('cogged')" />
      </div>
      <div v-else class="fields">
        <ChoiceField
          v-model="f.groove"
          label="Groove of the sheaves"
          :choices="grooveChoices"
          clearable
          :fault="fault('groove')"
        />
        <QuantityField v-model="f.centre_low" label="Or the slide: closest" fractions :fault="fault('centre_low')" />
        <QuantityField v-model="f.centre_high" label="and furthest apart" fractions :fault="fault('centre_high')" />
      </div>
      <FaultList :faults="otherFaults(problem, shownFields)" />
      <div class="row"><el-button type="primary" native-type="submit">What is it?</el-button></div>
    </form>
    <FormerAnswer v-if="former">{{ former.result.answer }}</FormerAnswer>
    <section v-if="answer" ref="found" tabindex="-1" class="sheet block" role="status">
      <p class="label">
        {{ { sure: 'It is', likely: 'Most likely', guess: 'No more than a guess' }[answer.result.certain] }}
      </p>
      <p class="big figure">{{ answer.result.answer }}</p>
      <p v-if="answer.result.may_be && f.way !== 'tape' && answer.result.may_be !== answer.result.answer">
        <b>May as well be:</b> {{ answer.result.may_be }}
      </p>
      <p v-if="answer.result.to_tell_apart && !answer.result.to_tell_apart.startsWith('Nothing more')">
        <b>To tell them apart:</b> {{ answer.result.to_tell_apart }}
      </p>
      <NoticeList :notices="answer.notices" />
      <div v-if="answer.result.readings.length" class="scroll">
        <table class="lines">
          <thead>
            <tr>
              <th scope="col">It may say</th>
              <th scope="col">Which is</th>
              <th scope="col" class="n">Length</th>
              <th scope="col" class="n">Inside</th>
              <th scope="col" class="n">Outside</th>
              <th scope="col">Sure</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in answer.result.readings" :key="r.designation + r.words">
              <td class="figure">{{ r.designation }}</td>
              <td>{{ r.words }}</td>
              <td class="n">{{ r.length_words }}</td>
              <td class="n">{{ r.inside_length?.shown ?? '' }}</td>
              <td class="n">{{ r.outside_length?.shown ?? '' }}</td>
              <td>{{ r.sure }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <div v-if="answer.result.fits_the_measures.length" class="scroll">
        <table class="lines">
          <thead>
            <tr>
              <th scope="col">Section</th>
              <th scope="col">Kind</th>
              <th scope="col" class="n">Fits</th>
              <th scope="col">Nearest standard belt</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="s in answer.result.fits_the_measures" :key="s.section">
              <td class="figure">{{ s.section }}</td>
              <td>{{ s.family }}, {{ s.construction }}</td>
              <td class="n">{{ s.fit.shown }}</td>
              <td>
                {{ s.nearest
                }}<span v-if="s.length_off && Math.abs(s.length_off.value) > 0.5" class="dim"
                  >, off by {{ s.length_off.shown }}</span
                >
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <div v-if="answer.result.fits_the_sheaves.length" class="scroll">
        <table class="lines">
          <thead>
            <tr>
              <th scope="col">Belt</th>
              <th scope="col" class="n">Shafts stand at</th>
              <th scope="col" class="n">Closer left</th>
              <th scope="col" class="n">Apart left</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="s in answer.result.fits_the_sheaves" :key="s.designation">
              <td class="figure">{{ s.designation }}</td>
              <td class="n">{{ s.centre_distance.shown }}</td>
              <td class="n">{{ s.closer_left.shown }}</td>
              <td class="n">{{ s.apart_left.shown }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="dim">Stop the machine and lock it out before a hand goes near belt or sheave.</p>
    </section>
  </main>
</template>

<style scoped>
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.ways button {
  flex: 1 1 200px;
  min-height: 56px;
  border: 2px solid var(--ink);
  background: var(--panel);
  color: var(--ink);
  font: 500 1.125rem var(--face-label);
}
.ways .on {
  background: var(--ink);
  color: var(--panel);
}
.block {
  padding: 14px 16px;
  display: grid;
  gap: 12px;
  min-width: 0;
}
.picture {
  position: relative;
  width: 100%;
  max-width: 900px;
  justify-self: center;
}
.printed {
  max-width: 900px;
  justify-self: center;
}
.big {
  font-size: 2.5rem;
  line-height: 1.1;
}
.scroll {
  overflow-x: auto;
}
.n {
  text-align: right;
  white-space: nowrap;
}
</style>
