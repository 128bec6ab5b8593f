<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'

import { api, attempt } from '@/api/client'
import type { components } from '@/api/schema'
import type { Drive, Machine, Problem } from '@/api/types'
import FaultList from '@/shared/ui/FaultList.vue'
import IsolationList from '@/shared/ui/IsolationList.vue'
import WordField from '@/shared/ui/WordField.vue'
import { faultAt, otherFaults } from '@/shared/format/faults'
import { newId, useKept } from '@/shared/state/kept'
import { save } from '@/shared/state/outbox'
import { areaCrumb, setPlace } from '@/shared/state/place'
import { useSettings } from '@/shared/state/settings'

import { oneScale, type WallDrive } from '../logic/wall'
import MachineForm from '../components/MachineForm.vue'
import DriveCell from '../components/DriveCell.vue'
import MeterForm from '../components/MeterForm.vue'
import OilCard from '../components/OilCard.vue'
import ToCome from '../components/ToCome.vue'

const props = defineProps<{ id: string }>()
const router = useRouter()
const settings = useSettings()
const machine = ref<Machine>()
const problem = ref<Problem | null>(null)
const driveProblem = ref<Problem | null>(null)
const editing = ref(false)
// Its drives as they hang on the wall; the page stands without them.
const hung = ref<Record<string, WallDrive>>({})
// All of them at one scale, as large as the largest lets them be; a few have more room than many.
const cell = computed(() => {
  if (window.innerWidth < 700) return { wide: window.innerWidth / 2 - 40, high: 190 }
  return (machine.value?.drives.length ?? 0) <= 3 ? { wide: 370, high: 230 } : { wide: 280, high: 190 }
})
const scale = computed(() => {
  const drawn = Object.values(hung.value).flatMap((d) => (d.elevation ? [d.elevation] : []))
  return oneScale(drawn, cell.value.wide - 18, cell.value.high)
})
const adding = ref(false)
const come = ref<InstanceType<typeof ToCome>>()
const dues = ref<components['schemas']['DueLine'][]>([])
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
      <section class="sheet drives" aria-labelledby="drives-title">
        <div class="row spread">
          <h2 id="drives-title">Drives</h2>
          <button v-if="machine.drives.length && !adding" type="button" class="way" @click="adding = true">
            Another drive
          </button>
        </div>
        <form v-if="adding || !machine.drives.length" class="row new" @submit.prevent="addDrive">
          <p v-if="!machine.drives.length" class="dim">
            No drive yet. Give the first one a name: what it drives, or where it sits.
          </p>
          <WordField v-model="fresh.name" label="Name of a new drive" :fault="faultAt(driveProblem, 'name')" />
          <el-button type="primary" native-type="submit" class="add">Add the drive</el-button>
          <FaultList :faults="otherFaults(driveProblem, ['name'])" />
        </form>
        <div class="cells" :style="{ '--cell': `${cell.wide}px` }">
          <DriveCell
            v-for="d in machine.drives"
            :id="d.id"
            :key="d.id"
            :name="d.name"
            :what="d.fitted"
            :state="(hung[d.id]?.state as 'fine' | undefined) ?? (d.fitted ? 'fine' : 'none')"
            :why="hung[d.id]?.why ?? d.state"
            :elevation="hung[d.id]?.elevation ?? null"
            :scale="scale"
          />
        </div>
      </section>
      <div class="beside">
        <ToCome ref="come" :key="machine.id" :machine="machine.id" @read="(d) => (dues = d)" />
        <MeterForm :key="machine.id" :machine="machine.id" :dues="dues" @kept="come?.load()" />
      </div>
      <OilCard :key="machine.id" :machine="machine.id" @planned="come?.load()" />
      <p class="row">
        <router-link :to="`/machines/${machine.id}/timeline`" class="way">Timeline of this machine</router-link>
        <router-link :to="{ path: '/files', query: { machine: machine.id } }" class="way"
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
  gap: 10px;
}
.cells {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, var(--cell)), 1fr));
  gap: 8px;
}
.beside {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(300px, 2fr);
  gap: 12px;
}
@media (max-width: 900px) {
  .beside {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (max-width: 700px) {
  .cells {
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  }
}
.add {
  align-self: start;
  margin-top: 22px;
}
.new > p {
  flex: 1 0 100%;
}
</style>
