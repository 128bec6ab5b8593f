<script setup lang="ts">
import { onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'

import { api, attempt } from '@/api/client'
import type { Build, CompareAnswer, Drive, Machine, Picked, Problem } from '@/api/types'
import ChoiceField from '@/shared/ui/ChoiceField.vue'
import FaultList from '@/shared/ui/FaultList.vue'
import WordField from '@/shared/ui/WordField.vue'
import { otherFaults } from '@/shared/format/faults'
import { newId, useKept } from '@/shared/state/kept'
import { save } from '@/shared/state/outbox'
import { setPlace } from '@/shared/state/place'
import { useSettings } from '@/shared/state/settings'

import DutyFieldset from '../components/DutyFieldset.vue'
import BeltSearch from '../components/BeltSearch.vue'
import FamilyBoard from '../components/FamilyBoard.vue'
import QuestionsFieldset from '../components/QuestionsFieldset.vue'
import { dutyBody, emptyDuty, type DutyFields } from '../logic/duty'
import { compareInput, type Question } from '../logic/questions'

// A duty without a drive yet, from the command line or typed here; what is chosen is then put on a machine.
const route = useRoute()
const router = useRouter()
const settings = useSettings()
const { value: duty, forget } = useKept('choose.duty', emptyDuty)
const belts = ref<InstanceType<typeof BeltSearch>>()
const board = ref<CompareAnswer>()
const asked = ref<Question[]>([])
const problem = ref<Problem | null>(null)
const busy = ref(false)
const picked = ref<Picked>()
const pickedKey = ref('')
const machines = ref<Machine[]>([])
const { value: target, forget: forgetTarget } = useKept('choose.target', () => ({
  machine: '',
  newMachine: '',
  drive: 'Main drive',
  ids: [newId(), newId(), newId(), newId(), newId(), newId()],
}))
const saving = ref<Problem | null>(null)

async function search() {
  // A part that stays is a V-belt part: then only V-belts are searched.
  if (belts.value?.anything) {
    board.value = undefined
    return belts.value.search()
  }
  busy.value = true
  picked.value = undefined
  pickedKey.value = ''
  const got = await attempt(api.POST('/api/calc/drive-compare', { body: { units: settings.units, input: { ...compareInput(duty.value, asked.value), series: settings.units === 'us' ? 'inch' : 'all' } } }))
  busy.value = false
  problem.value = got.ok ? null : got.problem
  board.value = got.ok ? got.data : undefined
}
function pick(p: Picked, key: string) {
  picked.value = p
  pickedKey.value = key
}
async function keep() {
  if (!picked.value) return
  const name = settings.name
  const t = target.value
  const [m = '', mo = '', d = '', dopId = '', dutyOp = '', buildOp = ''] = t.ids
  let machine = t.machine
  if (!machine) {
    const made = await save<Machine>('POST', '/api/machines', { id: m, op_id: mo, name: t.newMachine, created_by_name: name })
    if (!made.ok) return void (saving.value = made.problem)
    machine = made.data.id
  }
  const drive = await save<Drive>('POST', `/api/machines/${machine}/drives`, { id: d, op_id: dopId, name: t.drive, created_by_name: name })
  if (!drive.ok) return void (saving.value = drive.problem)
  const stored = await save<Drive>('PUT', `/api/drives/${drive.data.id}/duty`, dutyBody(duty.value, settings.units, 0, dutyOp, name))
  if (!stored.ok) return void (saving.value = stored.problem)
  const build = await save<Build>('POST', `/api/drives/${drive.data.id}/builds`, {
    op_id: buildOp,
    purpose: 'designed',
    created_by_name: name,
    units: settings.units,
    family: picked.value.family,
    basis: picked.value.basis,
    input: picked.value.input,
  })
  if (!build.ok) return void (saving.value = build.problem)
  forget()
  forgetTarget()
  void router.push(`/drives/${drive.data.id}`)
}
function takeQuery() {
  const q = route.query
  const text = (x: unknown) => (typeof x === 'string' ? x : '')
  if (!q.driver_speed) return
  const given: Partial<DutyFields> = {
    power: text(q.power),
    driver_speed: text(q.driver_speed),
    driven_speed: text(q.driven_speed),
    machine: text(q.machine),
    centre: text(q.centre),
    hours_a_day: text(q.hours_a_day),
  }
  duty.value = { ...emptyDuty(), ...given }
  if (given.power && given.centre) void search()
}
watch(() => route.query, takeQuery)
watch(
  () => settings.units,
  () => board.value && void search(),
)
onMounted(async () => {
  setPlace('', 'Choose a drive')
  takeQuery()
  const got = await attempt(api.GET('/api/machines', { params: { query: { q: '' } } }))
  if (got.ok) machines.value = got.data.machines
})
</script>

<template>
  <main class="page">
    <h1>Choose a drive</h1>
    <form class="sheet duty" @submit.prevent="search">
      <DutyFieldset v-model="duty" :problem="problem" />
      <QuestionsFieldset v-model="asked" />
      <FaultList :faults="otherFaults(problem, ['input.power', 'input.driver_speed', 'input.driven_speed', 'input.tolerance', 'input.centre', 'input.service_factor'])" />
      <div class="row">
        <el-button type="primary" native-type="submit" :loading="busy">{{ busy ? 'Searching every standard drive…' : 'Find drives' }}</el-button>
      </div>
    </form>
    <form v-if="picked" class="sheet duty" @submit.prevent="keep">
      <h2>Put {{ picked.name }} on a machine</h2>
      <div class="fields">
        <ChoiceField
          v-model="target.machine"
          label="Machine that is kept already"
          :choices="machines.map((x) => ({ key: x.id, name: `${x.name} ${x.tag}`, group: x.area }))"
          search
          clearable
        />
        <WordField v-if="!target.machine" v-model="target.newMachine" label="Or the name of a new machine" />
        <WordField v-model="target.drive" label="Name of the drive" />
      </div>
      <FaultList :faults="otherFaults(saving, [])" />
      <div class="row">
        <el-button type="primary" native-type="submit">Keep it as a draft build</el-button>
      </div>
    </form>
    <FamilyBoard v-if="board" :answer="board" :picked="pickedKey" @pick="(p: Picked) => pick(p, p.key)" />
    <h2>V-belts in full</h2>
    <BeltSearch ref="belts" :duty="duty" :picked="pickedKey" @pick="(p: Picked) => pick(p, p.key)" />
  </main>
</template>

<style scoped>
.duty {
  padding: 14px 16px;
  display: grid;
  gap: 12px;
  justify-items: start;
}
.duty > .fields {
  width: 100%;
}
</style>
