<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'

import { api, attempt } from '@/api/client'
import type { Drive, Machine, Problem } from '@/api/types'
import FaultList from '@/shared/ui/FaultList.vue'
import IsolationList from '@/shared/ui/IsolationList.vue'
import WordField from '@/shared/ui/WordField.vue'
import { faultAt, otherFaults } from '@/shared/format/faults'
import { newId, useKept } from '@/shared/state/kept'
import { save } from '@/shared/state/outbox'
import { areaCrumb, setPlace } from '@/shared/state/place'
import { useSettings } from '@/shared/state/settings'

import MachineForm from '../components/MachineForm.vue'
import MeterForm from '../components/MeterForm.vue'
import OilCard from '../components/OilCard.vue'

const props = defineProps<{ id: string }>()
const router = useRouter()
const settings = useSettings()
const machine = ref<Machine>()
const problem = ref<Problem | null>(null)
const driveProblem = ref<Problem | null>(null)
const editing = ref(false)
const { value: fresh, forget } = useKept(`drive.new.${props.id}`, () => ({ id: newId(), name: '' }))

async function load() {
  editing.value = false
  const got = await attempt(api.GET('/api/machines/{ident}', { params: { path: { ident: props.id } } }))
  if (!got.ok) {
    problem.value = got.problem
    return
  }
  machine.value = got.data
  setPlace(got.data.name, areaCrumb(got.data.area))
}
async function addDrive() {
  const body = { ...fresh.value, created_by_name: settings.name }
  const got = await save<Drive>('POST', `/api/machines/${props.id}/drives`, body, `the drive ${fresh.value.name}`)
  if (got.ok) {
    forget()
    void router.push(`/drives/${got.data.id}`)
  } else driveProblem.value = got.problem
}
onMounted(load)
</script>

<template>
  <main class="page">
    <FaultList :faults="otherFaults(problem, [])" />
    <template v-if="machine">
      <div class="row spread">
        <h1>
          {{ machine.name }} <span class="dim">{{ machine.tag }}</span>
        </h1>
        <el-button @click="editing = !editing">{{ editing ? 'Close' : 'Change' }}</el-button>
      </div>
      <MachineForm v-if="editing" :machine="machine" @saved="load" />
      <IsolationList :sources="machine.energy_sources" />
      <section class="sheet drives">
        <h2>Drives</h2>
        <router-link v-for="d in machine.drives" :key="d.id" :to="`/drives/${d.id}`" class="drive">
          <strong>{{ d.name }}</strong>
          <span class="figure">{{ d.fitted }}</span>
          <span :class="d.temporary ? 'temp' : 'dim'">{{ d.temporary ? '◐ temporary' : d.state }}</span>
        </router-link>
        <p v-if="!machine.drives.length" class="dim">
          No drive yet. Give the first one a name: what it drives, or where it sits.
        </p>
        <form class="row" @submit.prevent="addDrive">
          <WordField v-model="fresh.name" label="Name of a new drive" :fault="faultAt(driveProblem, 'name')" />
          <el-button type="primary" native-type="submit" class="add">Add the drive</el-button>
        </form>
        <FaultList :faults="otherFaults(driveProblem, ['name'])" />
      </section>
      <MeterForm :key="machine.id" :machine="machine.id" />
      <OilCard :key="machine.id" :machine="machine.id" />
      <p>
        <router-link :to="`/machines/${machine.id}/timeline`" class="time">Timeline of this machine</router-link>
        <router-link :to="{ path: '/files', query: { machine: machine.id } }" class="time"
          >Its record as a file</router-link
        >
      </p>
    </template>
    <p v-else-if="!problem" class="dim">Reading the machine…</p>
  </main>
</template>

<style scoped>
.drives {
  padding: 14px 16px;
  display: grid;
  gap: 6px;
}
.drive {
  display: grid;
  grid-template-columns: 2fr 1fr 1fr;
  gap: 10px;
  align-items: center;
  min-height: 52px;
  border-bottom: 1px solid var(--line);
  color: var(--touch);
}
.drive .figure {
  color: var(--ink);
}
.time {
  display: inline-grid;
  align-items: center;
  min-height: 44px;
}
.temp {
  color: var(--warm);
  font-weight: 600;
}
.add {
  align-self: start;
  margin-top: 22px;
}
form {
  margin-top: 10px;
}
</style>
