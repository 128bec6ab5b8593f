<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import { calculate } from '@/api/calc'
import type { Build, Drive, Problem } from '@/api/types'
import { save } from '@/shared/state/outbox'
import { useSettings } from '@/shared/state/settings'
import FaultList from '@/shared/ui/FaultList.vue'
import { otherFaults } from '@/shared/format/faults'

import { plateOf, wheelsOf } from '@/speeds/tasks'
import type { SpeedsOfDrive, StagesWay } from '@/speeds/types'

// The answer goes to the machine: a build with the new wheel, a speed plate, or a drive for every stage.
const props = defineProps<{
  drive: SpeedsOfDrive
  calc: string
  typed: Record<string, string | boolean | undefined>
  input: Record<string, unknown>
  result: Record<string, unknown>
}>()
const emit = defineEmits<{ kept: [] }>()
const settings = useSettings()
const problem = ref<Problem | null>(null)
const said = ref('')
const links = ref<{ to: string; words: string }[]>([])
const busy = ref(false)
let made: { to: string; words: string }[] = []
let begun = ''
// A drive that was made and whose build was refused.
let waiting = ''
const plate = computed(() => plateOf(props.calc, props.result))
const wheels = computed(() => (props.drive.calc ? wheelsOf(props.calc, props.typed, props.result) : []))
const wheel = computed(() => wheels.value.length > 0)
const ways = computed(() => (props.calc === 'drive-stages' ? ((props.result.ways ?? []) as StagesWay[]) : []))
watch(
  () => props.result,
  () => {
    said.value = ''
    links.value = []
    problem.value = null
  },
)

async function keepBuild() {
  busy.value = true
  // One wheel after the other: each is put on the drive as the one before left it.
  let input: Record<string, unknown> = props.drive.input
  let told = ''
  for (const w of wheels.value) {
    const changed = await calculate<{ result: { input: Record<string, unknown>; says: string } }>('wheel-change', {
      units: settings.units,
      input: { calc: props.drive.calc, input, ...w },
    })
    if (!changed.ok) return refused(changed.problem)
    input = changed.data.result.input
    told = changed.data.result.says
  }
  const got = await save<Build>(
    'POST',
    `/api/drives/${props.drive.drive_id}/builds`,
    {
      rev: props.drive.draft_rev,
      purpose: 'designed',
      freeze: false,
      units: settings.units,
      options: props.drive.options,
      created_by_name: settings.name,
      family: props.drive.family,
      input,
    },
    `a build of ${props.drive.name}`,
  )
  if (!got.ok) return refused(got.problem)
  done(`Kept as build ${got.data.no}: ${told}`, [
    { to: `/drives/${props.drive.drive_id}?build=${got.data.id}`, words: 'To the build' },
  ])
}
async function keepPlate() {
  busy.value = true
  const got = await save(
    'PUT',
    `/api/drives/${props.drive.drive_id}/plate`,
    {
      rev: props.drive.plate.rev,
      title: props.drive.plate.title,
      rows: plate.value,
      calc: props.calc,
      given: props.input,
      units: settings.units,
      created_by_name: settings.name,
    },
    `the speeds of ${props.drive.name}`,
  )
  if (!got.ok) return refused(got.problem)
  done('Kept as the speed plate of this drive.', [
    { to: `/drives/${props.drive.drive_id}/speeds`, words: 'To the speed plate' },
  ])
}
async function keepStages(way: StagesWay) {
  busy.value = true
  if (begun !== way.says) {
    made = []
    waiting = ''
  }
  begun = way.says
  // What was made before a save was refused is there already: the next press goes on after it.
  for (const [k, stage] of way.stages.entries()) {
    if (k < made.length) continue
    const name = `${props.drive.name}, stage ${k + 1}`
    if (!waiting) {
      const drive = await save<Drive>(
        'POST',
        `/api/machines/${props.drive.machine_id}/drives`,
        { name, created_by_name: settings.name },
        `the drive ${name}`,
      )
      if (!drive.ok) return refused(drive.problem)
      waiting = drive.data.id
    }
    const build = await save<Build>(
      'POST',
      `/api/drives/${waiting}/builds`,
      {
        rev: 0,
        purpose: 'designed',
        freeze: false,
        units: settings.units,
        created_by_name: settings.name,
        family: stage.option.family,
        input: stage.option.input,
      },
      `a build of ${name}`,
    )
    if (!build.ok) return refused(build.problem)
    made.push({ to: `/drives/${waiting}`, words: name })
    waiting = ''
  }
  done('Each stage is a drive of its own on this machine now.', made)
  made = []
}
function refused(p: Problem) {
  busy.value = false
  problem.value = p
}
function done(words: string, to: { to: string; words: string }[]) {
  busy.value = false
  problem.value = null
  said.value = words
  links.value = to
  emit('kept')
}
</script>

<template>
  <div v-if="wheel || plate.length || ways.length" class="keep">
    <el-button v-if="wheel" type="primary" :loading="busy" @click="keepBuild"
      >Keep as a new build of {{ drive.name }}</el-button
    >
    <el-button v-if="plate.length" :type="wheel ? 'default' : 'primary'" :loading="busy" @click="keepPlate"
      >Keep as its speed plate</el-button
    >
    <el-button
      v-for="(w, k) in ways"
      :key="w.says"
      :type="k ? 'default' : 'primary'"
      :loading="busy"
      @click="keepStages(w)"
      >{{ k ? `Or: ${w.says}` : 'Keep each stage as a drive' }}</el-button
    >
    <p v-if="said" class="said" role="status">
      {{ said }} <router-link v-for="l in links" :key="l.to" class="to" :to="l.to">{{ l.words }}</router-link>
    </p>
    <FaultList v-if="problem" :faults="otherFaults(problem, [])" />
  </div>
</template>

<style scoped>
.keep {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 10px;
  align-items: center;
}
.keep :deep(.el-button) {
  min-height: 48px;
  margin: 0;
}
.said {
  flex-basis: 100%;
  font-weight: 600;
  margin: 0;
}
.to {
  display: inline-grid;
  min-height: 44px;
  align-items: center;
  margin-right: 14px;
}
</style>
