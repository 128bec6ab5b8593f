<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'

import { api, attempt } from '@/api/client'
import type { Build, CompareAnswer, Drive, Machine, Picked, Problem } from '@/api/types'
import FaultList from '@/shared/ui/FaultList.vue'
import FormerAnswer from '@/shared/ui/FormerAnswer.vue'
import WordField from '@/shared/ui/WordField.vue'
import { useAfterSight } from '@/shared/ui/afterSight'
import { later } from '@/shared/ui/later'
import { otherFaults } from '@/shared/format/faults'
import { newId, useKept } from '@/shared/state/kept'
import { save } from '@/shared/state/outbox'
import { useQuestion } from '@/shared/state/question'
import { setPlace } from '@/shared/state/place'
import { useSettings } from '@/shared/state/settings'

import DutyFieldset from '@/forms/DutyFieldset.vue'
import DutySentence from '@/forms/DutySentence.vue'
import FamilyBoard from '@/options/FamilyBoard.vue'
import QuestionsFieldset from '@/forms/QuestionsFieldset.vue'
import { carryDuty, dutyBody, emptyDuty, type DutyFields } from '@/forms/duty'
import { compareInput, questions, type Question } from '@/forms/questions'

// One family looked through to the end comes after the best of each.
const InFull = later(() => import('@/options/InFull.vue'))
const SearchField = later(() => import('@/shared/ui/SearchField.vue'))

// A duty without a drive yet, from the command line or typed here; what is chosen is then put on a machine.
const route = useRoute()
const router = useRouter()
const settings = useSettings()
const { value: duty, forget } = useKept('choose.duty', emptyDuty, carryDuty)
const looked = useAfterSight()
const full = ref<InstanceType<typeof InFull>>()
const asked = ref<Question[]>([])
const said = () => JSON.stringify([compareInput(duty.value, asked.value), settings.units])
const { answer: board, former, problem, busy, ask, clear } = useQuestion<CompareAnswer>(said)
const saveForm = ref<HTMLElement>()
const picked = ref<Picked>()
const pickedKey = ref('')
const machines = ref<Machine[]>([])
const { value: target, forget: forgetTarget } = useKept('choose.target', () => ({
  machine: '',
  newMachine: '',
  drive: 'Main drive',
  ids: [newId(), newId()],
}))
const saving = ref<Problem | null>(null)

const asking = ref(true)
const question = ref<HTMLElement>()
const besides = computed(() =>
  asked.value.map((q) => questions.find((x) => x.key === q)?.words.toLowerCase() ?? '').filter(Boolean),
)
/** Open the question again, at a field where one is named. */
async function open(path: string) {
  asking.value = true
  await nextTick()
  const at = path ? question.value?.querySelector<HTMLElement>(`[data-path="${path}"]`) : question.value
  at?.closest('details')?.setAttribute('open', '')
  at?.scrollIntoView({ block: 'center' })
  const to = at?.matches('select') ? at : at?.querySelector<HTMLElement>('input, button, select')
  to?.focus()
}
async function search() {
  // A part that stays is a part of one family: then only that one is searched.
  if (full.value?.anything) {
    clear()
    return full.value.search()
  }
  picked.value = undefined
  pickedKey.value = ''
  const input = {
    ...compareInput(duty.value, asked.value),
    series: settings.units === 'us' ? ('inch' as const) : ('all' as const),
  }
  await ask(() => attempt(api.POST('/api/calc/drive-compare', { body: { units: settings.units, input } })))
  // The address says the question as it stands now: a reload, or Back, brings this one and not the first.
  const { power, driver_speed, driven_speed, machine, centre, hours_a_day } = duty.value
  const given = Object.entries({ power, driver_speed, driven_speed, machine, centre, hours_a_day })
  own = true
  await router.replace({ query: Object.fromEntries(given.filter(([, v]) => v.trim())) })
  own = false
  // Once it is answered the answer comes first: the question folds into one line.
  if (board.value) asking.value = false
}
async function pick(p: Picked, key: string) {
  picked.value = p
  pickedKey.value = key
  // The saving stands above the options: the eye and the focus go there.
  await nextTick()
  saveForm.value?.scrollIntoView({ block: 'start' })
  saveForm.value?.focus()
}
async function keep() {
  if (!picked.value) return
  const name = settings.name
  const t = target.value
  const [m = '', d = ''] = t.ids
  let machine = t.machine
  if (!machine) {
    const made = await save<Machine>(
      'POST',
      '/api/machines',
      { id: m, name: t.newMachine, created_by_name: name },
      `the machine ${t.newMachine}`,
    )
    if (!made.ok) return void (saving.value = made.problem)
    machine = made.data.id
  }
  const drive = await save<Drive>(
    'POST',
    `/api/machines/${machine}/drives`,
    { id: d, name: t.drive, created_by_name: name },
    `the drive ${t.drive}`,
  )
  if (!drive.ok) return void (saving.value = drive.problem)
  const stored = await save<Drive>(
    'PUT',
    `/api/drives/${drive.data.id}/duty`,
    dutyBody(duty.value, settings.units, drive.data.duty?.rev ?? 0, name),
    `the duty of ${t.drive}`,
  )
  if (!stored.ok) return void (saving.value = stored.problem)
  const build = await save<Build>(
    'POST',
    `/api/drives/${drive.data.id}/builds`,
    {
      rev: drive.data.builds.find((b) => b.state === 'draft')?.rev ?? 0,
      purpose: 'designed',
      created_by_name: name,
      units: settings.units,
      family: picked.value.family,
      options: picked.value.options,
      input: picked.value.input,
    },
    `a build of ${t.drive}`,
  )
  if (!build.ok) return void (saving.value = build.problem)
  forget()
  forgetTarget()
  void router.push(`/drives/${drive.data.id}`)
}
// The address is written here as well: that is no question of somebody else's.
let own = false
function takeQuery() {
  if (own) return
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
// The same question in the other system: its bare numbers carry their unit by now.
watch(
  () => settings.units,
  () => former.value && void search(),
)
onMounted(async () => {
  setPlace('Choose a drive')
  takeQuery()
  const got = await attempt(api.GET('/api/machines', { params: { query: { q: '' } } }))
  if (got.ok) machines.value = got.data.machines
})
</script>

<template>
  <main class="page">
    <h1>Choose a drive</h1>
    <form v-show="asking || !board" ref="question" class="sheet duty" @submit.prevent="search">
      <DutyFieldset v-model="duty" :problem="problem" />
      <QuestionsFieldset v-model="asked" />
      <FaultList
        :faults="
          otherFaults(problem, [
            'input.power',
            'input.driver_speed',
            'input.driven_speed',
            'input.tolerance',
            'input.centre',
            'input.service_factor',
          ])
        "
      />
      <div class="row">
        <el-button type="primary" native-type="submit" :loading="busy">{{
          busy ? 'Searching every standard drive…' : 'Find drives'
        }}</el-button>
      </div>
    </form>
    <div v-if="board && !asking" class="sheet folded">
      <DutySentence :duty="duty" :more="besides" />
      <el-button @click="open('')">Change the question</el-button>
    </div>
    <FormerAnswer v-if="former || (problem && picked)" :refused="!!problem">The drives that were found</FormerAnswer>
    <form v-if="picked && !former" ref="saveForm" class="sheet duty" tabindex="-1" @submit.prevent="keep">
      <h2>Put {{ picked.name }} on a machine</h2>
      <div class="fields">
        <SearchField
          v-model="target.machine"
          label="Machine that is kept already"
          :choices="machines.map((x) => ({ key: x.id, name: `${x.name} ${x.tag}`, group: x.area }))"
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
    <FamilyBoard
      v-if="board"
      :answer="board"
      :picked="pickedKey"
      @pick="(p: Picked) => pick(p, p.key)"
      @replace="open"
    />
    <InFull
      v-if="looked"
      v-show="board || !busy"
      ref="full"
      :duty="duty"
      :picked="pickedKey"
      @pick="(p: Picked) => pick(p, p.key)"
    />
  </main>
</template>

<style scoped>
.duty {
  padding: 14px 16px;
  display: grid;
  gap: 12px;
  justify-items: start;
}
.folded {
  padding: 8px 16px;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
}
.duty > .fields {
  width: 100%;
}
</style>
