<script setup lang="ts">
import { computed, ref } from 'vue'

import type { Machine, Problem } from '@/api/types'
import ChoiceField from '@/shared/ui/ChoiceField.vue'
import FaultList from '@/shared/ui/FaultList.vue'
import WordField from '@/shared/ui/WordField.vue'
import { faultAt, faultText, otherFaults } from '@/shared/format/faults'
import SettleBoth from '@/shared/ui/SettleBoth.vue'
import { keyWords } from '@/shared/format/words'
import { newId, useKept } from '@/shared/state/kept'
import { useLater } from '@/shared/state/later'
import { save } from '@/shared/state/outbox'
import { useSettings } from '@/shared/state/settings'

const props = defineProps<{ machine?: Machine }>()
const emit = defineEmits<{ saved: [id: string] }>()
const settings = useSettings()
const kinds = [
  ['industrial', 'Industrial'],
  ['hvac', 'HVAC'],
  ['conveyor', 'Conveyor'],
  ['farm', 'Farm'],
  ['shop', 'Shop'],
].map(([key = '', name = '']) => ({ key, name, group: '' }))
const energies = [
  'electric',
  'engine',
  'battery',
  'pto',
  'fuel',
  'hydraulic',
  'pneumatic',
  'spring',
  'gravity',
  'heat',
  'backdrive',
  'edges',
  'other',
].map((key) => ({
  key,
  name: keyWords(key),
  group: '',
}))
const m = props.machine
const { value: fields, forget } = useKept(m ? `machine.${m.id}` : 'machine.new', () => ({
  id: newId(),
  rev: m?.rev ?? 0,
  name: m?.name ?? '',
  tag: m?.tag ?? '',
  area: m?.area ?? '',
  kind: m?.kind ?? 'industrial',
  energy: (m?.energy_sources ?? []).map((e) => ({ type: e.type, isolation_point: e.isolation_point, steps: e.steps })),
}))
const problem = ref<Problem | null>(null)
const busy = ref(false)

const twin = computed(() => faultAt(problem.value, 'same_name'))
const body = computed((): Record<string, unknown> => {
  const f = fields.value
  const common = {
    name: f.name,
    tag: f.tag,
    area: f.area,
    kind: f.kind,
    energy_sources: f.energy,
    created_by_name: settings.name,
  }
  return m ? { ...common, walk_order: m.walk_order, rev: f.rev } : { ...common, id: f.id }
})

async function submit(what: Record<string, unknown> = body.value) {
  busy.value = true
  const label = `the machine ${fields.value.name}`
  const got = m
    ? await save<Machine>('PUT', `/api/machines/${m.id}`, what, label)
    : await save<Machine>('POST', '/api/machines', what, label)
  busy.value = false
  if (got.ok) {
    forget()
    emit('saved', got.data.id)
  } else {
    problem.value = got.problem
  }
}
useLater(problem, () => {
  const id = m?.id ?? fields.value.id
  forget()
  emit('saved', id)
})
</script>

<template>
  <form class="sheet form" @submit.prevent="submit()">
    <div class="fields">
      <WordField v-model="fields.name" label="Name" :fault="faultAt(problem, 'name')" />
      <WordField v-model="fields.tag" label="Tag" :fault="faultAt(problem, 'tag')" />
      <WordField v-model="fields.area" label="Area" :fault="faultAt(problem, 'area')" />
      <ChoiceField v-model="fields.kind" label="Kind" :choices="kinds" :fault="faultAt(problem, 'kind')" />
    </div>
    <h3>What must be isolated before a hand goes near</h3>
    <div v-for="(e, k) in fields.energy" :key="k" class="fields energy">
      <ChoiceField v-model="e.type" label="Energy" :choices="energies" />
      <WordField
        v-model="e.isolation_point"
        label="Where it is isolated"
        :fault="faultAt(problem, `energy_sources.${k}.isolation_point`)"
      />
      <WordField v-model="e.steps" label="How" />
      <el-button @click="fields.energy.splice(k, 1)">Remove</el-button>
    </div>
    <div class="row">
      <el-button @click="fields.energy.push({ type: 'electric', isolation_point: '', steps: '' })"
        >Add an energy source</el-button
      >
    </div>
    <SettleBoth
      v-if="problem?.type === 'tuyere:stale'"
      :problem="problem"
      what="this machine"
      :yours="body"
      @save="submit"
      @theirs="(forget(), emit('saved', m?.id ?? ''))"
    />
    <div v-else-if="twin" class="twin" role="alert">
      <p>
        <strong>{{ faultText(twin) }}</strong>
      </p>
      <el-button @click="submit({ ...body, same_name: true })">It is another machine</el-button>
    </div>
    <FaultList v-else :faults="otherFaults(problem, ['name', 'tag', 'area', 'kind'])" />
    <div class="row">
      <el-button type="primary" native-type="submit" :loading="busy">Save the machine</el-button>
    </div>
  </form>
</template>

<style scoped>
.form {
  padding: 16px;
  display: grid;
  gap: 14px;
}
.energy {
  align-items: end;
  border-top: 1px solid var(--line);
  padding-top: 10px;
}
.twin {
  border-left: 5px solid var(--warm);
  background: var(--panel);
  padding: 10px;
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
  align-items: center;
}
</style>
