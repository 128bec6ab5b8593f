<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import { calculate } from '@/api/calc'
import type {
  CompareInput,
  FamilyLine,
  Option,
  Options,
  Picked,
  RatingLine,
  SelectAnswer,
  ShelfLine,
} from '@/api/types'
import { formsOf } from '@/families'
import type { Typed } from '@/families/forms'
import { selectInput, type DutyFields } from '@/forms/duty'
import { faultAt, otherFaults } from '@/shared/format/faults'
import { carryFields, FORCE, LENGTH, useCarried } from '@/shared/state/carried'
import { useQuestion } from '@/shared/state/question'
import { readRatings } from '@/shared/state/ratings'
import { useSettings } from '@/shared/state/settings'
import { readShelf } from '@/shared/state/shelf'
import ChoiceField from '@/shared/ui/ChoiceField.vue'
import FaultList from '@/shared/ui/FaultList.vue'
import FormerAnswer from '@/shared/ui/FormerAnswer.vue'

import { optionKey } from './card'
import { anyLimit, limitPaths, limitsInput, noLimits } from './limits'
import LimitsFieldset from './LimitsFieldset.vue'
import OptionList from './OptionList.vue'
import { stockInput } from './stock'
import { equalWeights, orderWords } from './weights'
import WeightsFieldset from './WeightsFieldset.vue'
import WhyNot from './WhyNot.vue'

// The whole search of one family: parts that stay, limits, what is picked, weights and shelf; every option, and why
// others fell out.
const props = defineProps<{
  family: FamilyLine
  duty: DutyFields
  picked: string
  layout?: CompareInput['layout']
}>()
const emit = defineEmits<{ pick: [picked: Picked] }>()
const settings = useSettings()
const forms = formsOf(props.family.key)
const fixed = ref<Typed>(forms.fixed?.empty() ?? {})
const beside = ref<Typed>(forms.picked?.empty() ?? {})
const limits = ref(noLimits())
const open = ref<'' | 'fixed' | 'limits' | 'picks'>('')
const weights = ref(equalWeights())
const shelf = ref<ShelfLine[]>([])
const ratings = ref<RatingLine[]>([])
const picks = ref<Options>(Object.fromEntries(props.family.picks.map((p) => [p.key, p.default])))
const asked = ref<Record<string, unknown>>()
useCarried(limits, {
  driver_outside: LENGTH,
  driven_outside: LENGTH,
  width: LENGTH,
  driver_shaft: LENGTH,
  driven_shaft: LENGTH,
  shaft_load: FORCE,
})
const { answer, former, problem, busy, ask } = useQuestion<SelectAnswer>(() =>
  JSON.stringify([question(), picks.value, settings.units]),
)

function question(): Record<string, unknown> {
  const said = { options: picks.value, units: settings.units, ratings: ratings.value }
  return {
    ...selectInput(props.duty, { weights: weights.value, stock: stockInput(shelf.value), layout: props.layout }),
    limits: limitsInput(limits.value),
    ...forms.fixed?.input(fixed.value, said),
    ...forms.picked?.input(beside.value, said),
  }
}
/** What lies on the shelf and which tables are the shop's own belong to the question: nothing is asked before they are read. */
const read = (async () => {
  ;[shelf.value, ratings.value] = await Promise.all([readShelf(settings.units), readRatings(settings.units)])
})()
async function search() {
  await read
  const input = question()
  asked.value = input
  await ask(() => calculate<SelectAnswer>(props.family.select, { units: settings.units, options: picks.value, input }))
}
function pick(o: Option) {
  if (!answer.value) return
  const { calc, name, input } = o
  emit('pick', { family: props.family.key, calc, name, key: optionKey(o), input, options: answer.value.options })
}
function toggle(what: 'fixed' | 'limits' | 'picks') {
  open.value = open.value === what ? '' : what
}
const places = computed(() => [
  ...(open.value === 'fixed' ? (forms.fixed?.paths ?? []) : []),
  ...(open.value === 'limits' ? limitPaths : []),
  ...(open.value === 'picks' ? props.family.picks.map((p) => `options.${p.key}`) : []),
])
const hidden = computed(() => otherFaults(problem.value, places.value))
const anything = computed(() => Object.values(fixed.value).some((v) => v.trim() !== ''))
// At the switch of units, before anything is asked again.
watch(
  () => settings.units,
  (_now, before) => (fixed.value = carryFields(fixed.value, before, forms.fixed?.carried ?? {})),
  { flush: 'sync' },
)
// What is chosen here is asked again at once; what is typed is asked when the person says so.
watch([weights, picks, beside, () => settings.units], () => former.value && void search(), { deep: true })
defineExpose({ search, anything })
</script>

<template>
  <section class="search">
    <div class="row">
      <el-button :loading="busy" @click="search">Every {{ family.one }}, and why others fell out</el-button>
      <el-button v-if="forms.fixed" text :aria-expanded="open === 'fixed'" @click="toggle('fixed')">{{
        anything ? forms.fixed.some : forms.fixed.ask
      }}</el-button>
      <el-button text :aria-expanded="open === 'limits'" @click="toggle('limits')">{{
        anyLimit(limits) ? 'Limits that are set' : 'Motor, shafts, room'
      }}</el-button>
      <el-button
        v-if="family.picks.length || forms.picked"
        text
        :aria-expanded="open === 'picks'"
        @click="toggle('picks')"
        >{{ forms.picked?.ask ?? family.picks[0]?.title }}</el-button
      >
    </div>
    <form v-if="open" class="sheet block" @submit.prevent="search">
      <component
        :is="forms.fixed.component"
        v-if="open === 'fixed' && forms.fixed"
        v-model="fixed"
        :problem="problem"
      />
      <LimitsFieldset v-if="open === 'limits'" v-model="limits" :problem="problem" />
      <div v-if="open === 'picks'" class="fields">
        <ChoiceField
          v-for="p in family.picks"
          :key="p.key"
          v-model="picks[p.key]"
          :label="p.title"
          :choices="p.values"
          :fault="faultAt(problem, `options.${p.key}`)"
        />
        <component
          :is="forms.picked.component"
          v-if="forms.picked"
          v-model="beside"
          :problem="problem"
          :options="picks"
          :ratings="ratings"
        />
      </div>
      <div class="row"><el-button type="primary" native-type="submit" :loading="busy">Search again</el-button></div>
    </form>
    <p v-if="busy" role="status" class="dim">Searching every standard {{ family.one }}…</p>
    <FaultList :faults="hidden" />
    <FormerAnswer v-if="former">The {{ family.one }}s that were found</FormerAnswer>
    <WeightsFieldset v-if="answer || former" v-model="weights" :stock="shelf.length > 0" />
    <OptionList
      v-if="answer"
      :answer="answer"
      :one="family.one"
      :words="orderWords(weights)"
      :picked="picked"
      @pick="pick"
    />
    <WhyNot v-if="answer && asked" :family="family" :search="asked" :options="answer.options" />
  </section>
</template>

<style scoped>
.search {
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
