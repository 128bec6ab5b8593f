<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'

import { api, attempt } from '@/api/client'
import type { CompareAnswer, CompareInput, Drive, Picked, Problem, Sheet } from '@/api/types'
import InFull from '@/options/InFull.vue'
import FamilyBoard from '@/options/FamilyBoard.vue'
import QuestionsFieldset from '@/forms/QuestionsFieldset.vue'
import { fieldsOf } from '@/forms/duty'
import { compareInput, type Question } from '@/forms/questions'
import FaultList from '@/shared/ui/FaultList.vue'
import { otherFaults } from '@/shared/format/faults'
import { useSettings } from '@/shared/state/settings'

const props = defineProps<{ drive: Drive; layout?: CompareInput['layout']; today?: Sheet | null }>()
const emit = defineEmits<{ pick: [picked: Picked]; duty: [] }>()
const settings = useSettings()
const board = ref<CompareAnswer>()
const problem = ref<Problem | null>(null)
const busy = ref(false)
const pickedKey = ref('')
const asked = ref<Question[]>([])
const asDrawn = ref('')
const fields = computed(() => (props.drive.duty ? fieldsOf(props.drive.duty) : null))

async function compare() {
  const duty = props.drive.duty
  if (!duty) return
  busy.value = true
  const input: CompareInput = {
    ...compareInput(fieldsOf(duty), asked.value, props.layout),
    series: settings.units === 'us' ? 'inch' : 'all',
  }
  // The duty may not say how far the shafts are apart; the drive that is drawn does.
  const drawn = props.today?.beside.centre_distance
  asDrawn.value = !fieldsOf(duty).centre.trim() && drawn ? drawn.shown : ''
  if (asDrawn.value && drawn) input.centre = { ...input.centre, about: drawn.value }
  const got = await attempt(api.POST('/api/calc/drive-compare', { body: { units: settings.units, input } }))
  busy.value = false
  problem.value = got.ok ? null : got.problem
  board.value = got.ok ? got.data : undefined
}
function pick(p: Picked) {
  pickedKey.value = p.key
  emit('pick', p)
}
onMounted(compare)
watch(asked, () => void compare())
watch(
  () => props.drive.duty,
  () => void compare(),
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
      <details class="ask" :open="!board || asked.length > 0">
        <summary>What is asked of it{{ asked.length ? '' : ': nothing special' }}</summary>
        <QuestionsFieldset v-model="asked" />
      </details>
      <p v-if="busy" role="status" class="dim">Searching every standard drive…</p>
      <p v-if="asDrawn && board" class="dim">
        The duty says no centre distance: {{ asDrawn }} is taken, as it is drawn.
      </p>
      <FaultList :faults="otherFaults(problem, [])" />
      <div v-if="problem" class="row"><el-button @click="emit('duty')">To the duty</el-button></div>
      <FamilyBoard
        v-if="board"
        :answer="board"
        :picked="pickedKey"
        :today="today"
        @replace="emit('duty')"
        @pick="pick"
      />
      <InFull v-if="fields" :duty="fields" :layout="layout" :picked="pickedKey" @pick="pick" />
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
