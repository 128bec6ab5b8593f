<script setup lang="ts">
import { onMounted, ref, watch } from 'vue'

import { api, attempt } from '@/api/client'
import type { Drive, DriveInput, Option, Problem, SelectAnswer } from '@/api/types'
import FixedFieldset from '@/features/choose/components/FixedFieldset.vue'
import OptionList from '@/features/choose/components/OptionList.vue'
import { fieldsOf, selectInput, serviceFactor } from '@/features/choose/logic/duty'
import { anythingFixed, fixedInput, fixedPaths, nothingFixed } from '@/features/choose/logic/fixed'
import { inputOf } from '@/features/choose/logic/pick'
import FaultList from '@/shared/ui/FaultList.vue'
import { otherFaults } from '@/shared/format/faults'
import { useSettings } from '@/shared/state/settings'

const props = defineProps<{ drive: Drive; layout?: DriveInput['layout'] }>()
const emit = defineEmits<{ pick: [input: DriveInput]; duty: [] }>()
const settings = useSettings()
const answer = ref<SelectAnswer>()
const problem = ref<Problem | null>(null)
const busy = ref(false)
const pickedKey = ref('')
const fixed = ref(nothingFixed())
const showFixed = ref(false)
const list = ref<InstanceType<typeof OptionList>>()

async function search() {
  const duty = props.drive.duty
  if (!duty) return
  busy.value = true
  const input = selectInput(fieldsOf(duty), fixedInput(fixed.value), undefined)
  if (props.layout) input.layout = props.layout
  const got = await attempt(api.POST('/api/calc/v-belt-select', { body: { units: settings.units, input } }))
  busy.value = false
  problem.value = got.ok ? null : got.problem
  answer.value = got.ok ? got.data : undefined
}
function pick(o: Option) {
  if (!answer.value || !props.drive.duty) return
  pickedKey.value = list.value?.key(o) ?? ''
  emit('pick', inputOf(o, answer.value, { service_factor: serviceFactor(fieldsOf(props.drive.duty)) }, props.layout))
}
onMounted(search)
watch(
  () => props.drive.duty,
  () => void search(),
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
      <p v-if="busy" role="status" class="dim">Searching every standard drive…</p>
      <el-button text class="start" @click="showFixed = !showFixed">{{ anythingFixed(fixed) ? 'Parts that stay' : 'A part stays: sheave, section or belt' }}</el-button>
      <form v-if="showFixed" class="stage" @submit.prevent="search">
        <FixedFieldset v-model="fixed" :problem="problem" />
        <div class="row"><el-button type="primary" native-type="submit">Search again</el-button></div>
      </form>
      <FaultList :faults="otherFaults(problem, showFixed ? fixedPaths : [])" />
      <div v-if="problem" class="row"><el-button @click="emit('duty')">To the duty</el-button></div>
      <OptionList v-if="answer" ref="list" :answer="answer" :picked="pickedKey" @pick="pick" />
    </template>
  </div>
</template>

<style scoped>
.stage {
  display: grid;
  gap: 12px;
}
.start {
  justify-self: start;
}
</style>
