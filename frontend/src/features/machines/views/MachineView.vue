<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'

import { api, attempt } from '@/api/client'
import type { Drive, Machine, Problem } from '@/api/types'
import FaultList from '@/shared/ui/FaultList.vue'
import IsolationList from '@/shared/ui/IsolationList.vue'
import StateMark from '@/shared/ui/StateMark.vue'
import WordField from '@/shared/ui/WordField.vue'
import { faultAt, otherFaults } from '@/shared/format/faults'
import { newId, useKept } from '@/shared/state/kept'
import { save } from '@/shared/state/outbox'
import { areaCrumb, setPlace } from '@/shared/state/place'
import { useSettings } from '@/shared/state/settings'

import type { WallDrive } from '../logic/wall'
import MachineForm from '../components/MachineForm.vue'
import DriveThumb from '../components/DriveThumb.vue'
import MeterForm from '../components/MeterForm.vue'
import OilCard from '../components/OilCard.vue'

const props = defineProps<{ id: string }>()
const router = useRouter()
const settings = useSettings()
const machine = ref<Machine>()
const problem = ref<Problem | null>(null)
const driveProblem = ref<Problem | null>(null)
const editing = ref(false)
// Its drives as they hang on the wall; the page stands without them.
const hung = ref<Record<string, WallDrive>>({})
const { value: fresh, forget } = useKept(`drive.new.${props.id}`, () => ({ id: newId(), name: '' }))

async function load() {
  editing.value = false
  const query = { machine: props.id, minutes: -new Date().getTimezoneOffset() }
  const [got, wall] = await Promise.all([
    attempt(api.GET('/api/machines/{ident}', { params: { path: { ident: props.id } } })),
    attempt(api.GET('/api/wall', { params: { query } })),
  ])
  if (!got.ok) {
    problem.value = got.problem
    return
  }
  machine.value = got.data
  setPlace(got.data.name, areaCrumb(got.data.area))
  const own = wall.ok ? (wall.data.machines[0]?.drives ?? []) : []
  hung.value = Object.fromEntries(own.map((d) => [d.id, d]))
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
          <bdi>{{ machine.name }}</bdi> <span class="dim">{{ machine.tag }}</span>
        </h1>
        <el-button @click="editing = !editing">{{ editing ? 'Close' : 'Change' }}</el-button>
      </div>
      <MachineForm v-if="editing" :machine="machine" @saved="load" />
      <IsolationList :sources="machine.energy_sources" />
      <section class="sheet drives">
        <h2>Drives</h2>
        <router-link v-for="d in machine.drives" :key="d.id" :to="`/drives/${d.id}`" class="drive">
          <DriveThumb :elevation="hung[d.id]?.elevation ?? null" :most="300" />
          <strong dir="auto">{{ d.name }}</strong>
          <span class="figure">{{ d.fitted || 'nothing known yet' }}</span>
          <span class="mark"
            ><StateMark :state="(hung[d.id]?.state as 'fine' | undefined) ?? (d.fitted ? 'fine' : 'none')" />
            {{ hung[d.id]?.why ?? d.state }}</span
          >
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
  grid-template-columns: minmax(120px, 310px) 1.4fr 1fr 1.2fr;
  gap: 14px;
  align-items: center;
  min-height: 56px;
  padding: 6px 0;
  text-decoration: none;
  border-bottom: 1px solid var(--line);
  color: var(--touch);
}
.drive > * {
  min-width: 0;
  overflow-wrap: anywhere;
}
.drive strong {
  text-decoration: underline;
  text-underline-offset: 4px;
}
.drive .figure,
.mark {
  color: var(--ink);
}
.mark {
  display: flex;
  align-items: center;
  gap: 7px;
}
@media (max-width: 700px) {
  .drive {
    grid-template-columns: minmax(0, 1fr);
    gap: 2px;
  }
}
.time {
  display: inline-grid;
  align-items: center;
  min-height: 44px;
}
.add {
  align-self: start;
  margin-top: 22px;
}
form {
  margin-top: 10px;
}
</style>
