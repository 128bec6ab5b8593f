<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'

import { api, attempt } from '@/api/client'
import type { Basis, CompareInput, Option, Picked, RatingLine, SelectAnswer, SelectInput, ShelfLine } from '@/api/types'
import { readShelf, stockInput } from '@/features/shelf/logic/shelf'
import { faultAt, otherFaults } from '@/shared/format/faults'
import { FORCE, LENGTH, useCarried } from '@/shared/state/carried'
import { useQuestion } from '@/shared/state/question'
import { useSettings } from '@/shared/state/settings'
import ChoiceField from '@/shared/ui/ChoiceField.vue'
import FaultList from '@/shared/ui/FaultList.vue'
import FormerAnswer from '@/shared/ui/FormerAnswer.vue'

import { bases, ownInput, readRatings } from '../logic/basis'
import { selectInput, serviceFactor, type DutyFields } from '../logic/duty'
import { anythingFixed, fixedInput, fixedPaths, nothingFixed } from '../logic/fixed'
import { anyLimit, limitPaths, limitsInput, noLimits } from '../logic/limits'
import { pickedOf } from '../logic/pick'
import { equalWeights, orderWords } from '../logic/weights'
import FixedFieldset from './FixedFieldset.vue'
import LimitsFieldset from './LimitsFieldset.vue'
import OptionList from './OptionList.vue'
import WeightsFieldset from './WeightsFieldset.vue'
import WhyNot from './WhyNot.vue'

// The whole V-belt search: parts that stay, limits, book, weights and shelf; every option, and why others fell out.
const props = defineProps<{ duty: DutyFields; picked: string; layout?: CompareInput['layout'] }>()
const emit = defineEmits<{ pick: [picked: Picked] }>()
const settings = useSettings()
const fixed = ref(nothingFixed())
const limits = ref(noLimits())
const open = ref<'' | 'fixed' | 'limits' | 'basis'>('')
const weights = ref(equalWeights())
const shelf = ref<ShelfLine[]>([])
const ratings = ref<RatingLine[]>([])
const basis = ref<Basis>('ip20-1988')
const series = ref<'' | 'all' | 'inch' | 'metric'>('')
const asked = ref<SelectInput>()
useCarried(fixed, { driver: LENGTH, driven: LENGTH })
useCarried(limits, {
  driver_outside: LENGTH,
  driven_outside: LENGTH,
  width: LENGTH,
  driver_shaft: LENGTH,
  driven_shaft: LENGTH,
  shaft_pull: FORCE,
})
const { answer, former, problem, busy, ask } = useQuestion<SelectAnswer>(() =>
  JSON.stringify([question(), basis.value, settings.units]),
)

const seriesChoices = [
  { key: 'inch', name: 'Inch sections', group: '' },
  { key: 'metric', name: 'Metric sections', group: '' },
  { key: 'all', name: 'Both', group: '' },
]

function question(): SelectInput {
  const input = selectInput(props.duty, fixedInput(fixed.value), weights.value, stockInput(shelf.value), {
    limits: limitsInput(limits.value),
    series: series.value || (settings.units === 'us' ? 'inch' : 'all'),
    own_ratings: basis.value === 'own-table' ? ownInput(ratings.value) : undefined,
  })
  if (props.layout) input.layout = props.layout
  return input
}
async function search() {
  const input = question()
  asked.value = input
  await ask(() =>
    attempt(api.POST('/api/calc/v-belt-select', { body: { units: settings.units, basis: basis.value, input } })),
  )
}
function pick(o: Option) {
  if (!answer.value || !asked.value) return
  emit(
    'pick',
    pickedOf(o, answer.value, { service_factor: serviceFactor(props.duty) }, props.layout, asked.value.own_ratings),
  )
}
function toggle(what: 'fixed' | 'limits' | 'basis') {
  open.value = open.value === what ? '' : what
}
const places = computed(() => [
  ...(open.value === 'fixed' ? fixedPaths : []),
  ...(open.value === 'limits' ? limitPaths : []),
  ...(open.value === 'basis' ? ['basis'] : []),
])
const hidden = computed(() => otherFaults(problem.value, places.value))
onMounted(async () => {
  shelf.value = await readShelf(settings.units)
  ratings.value = await readRatings(settings.units)
})
// What is chosen here is asked again at once; what is typed is asked when the person says so.
watch([weights, basis, series, () => settings.units], () => former.value && void search())
const anything = computed(() => anythingFixed(fixed.value))
defineExpose({ search, anything })
</script>

<template>
  <section class="belts">
    <div class="row">
      <el-button :loading="busy" @click="search">Every V-belt drive, and why others fell out</el-button>
      <el-button text :aria-expanded="open === 'fixed'" @click="toggle('fixed')">{{
        anything ? 'Parts that stay' : 'A part stays: sheave, section or belt'
      }}</el-button>
      <el-button text :aria-expanded="open === 'limits'" @click="toggle('limits')">{{
        anyLimit(limits) ? 'Limits that are set' : 'Motor, shafts, room'
      }}</el-button>
      <el-button text :aria-expanded="open === 'basis'" @click="toggle('basis')">Rated by which book</el-button>
    </div>
    <form v-if="open" class="sheet block" @submit.prevent="search">
      <FixedFieldset v-if="open === 'fixed'" v-model="fixed" :problem="problem" />
      <LimitsFieldset v-if="open === 'limits'" v-model="limits" :problem="problem" />
      <div v-if="open === 'basis'" class="fields">
        <ChoiceField v-model="basis" label="Rating book" :choices="bases" :fault="faultAt(problem, 'basis')" />
        <ChoiceField
          v-model="series"
          :label="`Sections${series ? '' : settings.units === 'us' ? ': inch' : ': both'}`"
          :choices="seriesChoices"
          clearable
        />
        <p v-if="basis === 'own-table' && !ratings.length" class="dim">
          You have no rating table yet: bring one in on the Shelf page.
        </p>
      </div>
      <div class="row"><el-button type="primary" native-type="submit" :loading="busy">Search again</el-button></div>
    </form>
    <p v-if="busy" role="status" class="dim">Searching every standard V-belt drive…</p>
    <FaultList :faults="hidden" />
    <FormerAnswer v-if="former">The V-belt drives that were found</FormerAnswer>
    <WeightsFieldset v-if="answer || former" v-model="weights" :stock="shelf.length > 0" />
    <OptionList
      v-if="answer"
      :answer="answer"
      :own="asked?.own_ratings"
      :words="orderWords(weights)"
      :picked="picked"
      @pick="pick"
    />
    <WhyNot v-if="answer && asked" :search="asked" :basis="basis" />
  </section>
</template>

<style scoped>
.belts {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
.block {
  padding: 12px 14px;
  display: grid;
  gap: 12px;
}
</style>
