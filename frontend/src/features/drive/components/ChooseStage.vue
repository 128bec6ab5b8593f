<script setup lang="ts">
import { onMounted, ref, watch } from 'vue'

import { api, attempt } from '@/api/client'
import type { CompareAnswer, CompareInput, Drive, Option, Picked, Problem, SelectAnswer, Sheet, ShelfLine } from '@/api/types'
import FamilyBoard from '@/features/choose/components/FamilyBoard.vue'
import FixedFieldset from '@/features/choose/components/FixedFieldset.vue'
import OptionList from '@/features/choose/components/OptionList.vue'
import QuestionsFieldset from '@/features/choose/components/QuestionsFieldset.vue'
import WeightsFieldset from '@/features/choose/components/WeightsFieldset.vue'
import { fieldsOf, selectInput, serviceFactor } from '@/features/choose/logic/duty'
import { anythingFixed, fixedInput, fixedPaths, nothingFixed } from '@/features/choose/logic/fixed'
import { pickedOf } from '@/features/choose/logic/pick'
import { compareInput, type Question } from '@/features/choose/logic/questions'
import { equalWeights, orderWords } from '@/features/choose/logic/weights'
import FaultList from '@/shared/ui/FaultList.vue'
import { otherFaults } from '@/shared/format/faults'
import { stockInput, readShelf } from '@/features/shelf/logic/shelf'
import { useSettings } from '@/shared/state/settings'

const props = defineProps<{ drive: Drive; layout?: CompareInput['layout']; today?: Sheet | null }>()
const emit = defineEmits<{ pick: [picked: Picked]; duty: [] }>()
const settings = useSettings()
const board = ref<CompareAnswer>()
const belts = ref<SelectAnswer>()
const problem = ref<Problem | null>(null)
const busy = ref(false)
const pickedKey = ref('')
const asked = ref<Question[]>([])
const fixed = ref(nothingFixed())
const showFixed = ref(false)
const weights = ref(equalWeights())
const shelf = ref<ShelfLine[]>([])
const list = ref<InstanceType<typeof OptionList>>()

async function compare() {
  const duty = props.drive.duty
  if (!duty) return
  busy.value = true
  const input = compareInput(fieldsOf(duty), asked.value, props.layout)
  const got = await attempt(api.POST('/api/calc/drive-compare', { body: { units: settings.units, input } }))
  busy.value = false
  problem.value = got.ok ? null : got.problem
  board.value = got.ok ? got.data : undefined
}
async function searchBelts() {
  const duty = props.drive.duty
  if (!duty) return
  busy.value = true
  const input = selectInput(fieldsOf(duty), fixedInput(fixed.value), weights.value, stockInput(shelf.value))
  if (props.layout) input.layout = props.layout
  const got = await attempt(api.POST('/api/calc/v-belt-select', { body: { units: settings.units, input } }))
  busy.value = false
  problem.value = got.ok ? null : got.problem
  belts.value = got.ok ? got.data : undefined
}
function pick(p: Picked) {
  pickedKey.value = p.key
  emit('pick', p)
}
function pickBelt(o: Option) {
  if (!belts.value || !props.drive.duty) return
  pickedKey.value = list.value?.key(o) ?? ''
  emit('pick', pickedOf(o, belts.value, { service_factor: serviceFactor(fieldsOf(props.drive.duty)) }, props.layout))
}
onMounted(async () => {
  shelf.value = await readShelf(settings.units)
  await compare()
})
watch(weights, () => belts.value && void searchBelts())
watch(asked, () => void compare())
watch(
  () => props.drive.duty,
  () => {
    void compare()
    // What is on the page follows the duty, the units it is shown in too.
    if (belts.value) void searchBelts()
  },
)
</script>

<template>
  <div class="stage">
    <template v-if="!drive.duty">
      <h2>First say what the drive must do</h2>
      <p>Power, both speeds and about how far the shafts are apart; then every standard drive is tried.</p>
      <div class="row"><el-button type="primary" @click="emit('duty')">To the duty</el-button></div>
    </template>
    <template v-else>
      <QuestionsFieldset v-model="asked" />
      <p v-if="busy" role="status" class="dim">Searching every standard drive…</p>
      <FaultList :faults="otherFaults(problem, showFixed ? fixedPaths : [])" />
      <div v-if="problem" class="row"><el-button @click="emit('duty')">To the duty</el-button></div>
      <FamilyBoard v-if="board" :answer="board" :picked="pickedKey" :today="today" @pick="pick" />
      <h2>V-belts in full</h2>
      <div class="row">
        <el-button @click="searchBelts">Every V-belt drive, and why others fell out</el-button>
        <el-button text @click="showFixed = !showFixed">{{ anythingFixed(fixed) ? 'Parts that stay' : 'A part stays: sheave, section or belt' }}</el-button>
      </div>
      <form v-if="showFixed" class="stage" @submit.prevent="searchBelts">
        <FixedFieldset v-model="fixed" :problem="problem" />
        <div class="row"><el-button type="primary" native-type="submit">Search again</el-button></div>
      </form>
      <WeightsFieldset v-if="belts" v-model="weights" :stock="shelf.length > 0" />
      <OptionList v-if="belts" ref="list" :answer="belts" :words="orderWords(weights)" :picked="pickedKey" @pick="pickBelt" />
    </template>
  </div>
</template>

<style scoped>
.stage {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
</style>
