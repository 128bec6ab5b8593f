<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'

import { api, attempt } from '@/api/client'
import type { Build, Drive, FamilyLine, Problem } from '@/api/types'
import { bodyOf } from '@/features/bench/logic/schema'
import ChoiceField from '@/shared/ui/ChoiceField.vue'
import FaultList from '@/shared/ui/FaultList.vue'
import QuantityField from '@/shared/ui/QuantityField.vue'
import WordField from '@/shared/ui/WordField.vue'
import { faultAt, faultText, otherFaults } from '@/shared/format/faults'
import { shortDate } from '@/shared/format/words'
import { newId, useKept } from '@/shared/state/kept'
import { save } from '@/shared/state/outbox'
import { useSettings } from '@/shared/state/settings'
import { grooves } from '@/features/choose/logic/fixed'

import FoundFamily from './FoundFamily.vue'

// What stands on the machine today, and everything that stood there before.
const props = defineProps<{ drive: Drive; showing: string }>()
const emit = defineEmits<{ saved: []; open: [build: Build] }>()
const settings = useSettings()
const us = computed(() => settings.units === 'us')
const adding = ref(!props.drive.builds.length)
const { value: f, forget } = useKept(`found.${props.drive.id}`, () => ({
  op_id: newId(),
  family: props.drive.builds[0]?.family ?? 'v-belt',
  typed: {} as Record<string, string | boolean | undefined>,
  power: props.drive.duty?.power.shown ?? '',
  speed: props.drive.duty?.driver_speed.shown ?? '',
  driver: '',
  driven: '',
  kind: 'outside',
  groove: 'B',
  belt: '',
  count: '',
  flat: false,
  temporary: false,
  reason: '',
  promised: '',
}))
const families = ref<FamilyLine[]>([])
const family = computed(() => families.value.find((x) => x.key === f.value.family))
const form = ref<InstanceType<typeof FoundFamily>>()
onMounted(async () => {
  const got = await attempt(api.GET('/api/families'))
  if (got.ok) families.value = got.data.families
})
const kinds = ['outside', 'datum', 'pitch', 'effective'].map((key) => ({ key, name: key, group: '' }))
const grooveChoices = grooves.map((key) => ({ key, name: key, group: '' }))
const problem = ref<Problem | null>(null)
const busy = ref(false)
// What is not a number goes out as typed, so that the server can say what is wrong with it.
function countTyped(text: string): number | string | undefined {
  const n = Number(text)
  return text.trim() === '' ? undefined : Number.isFinite(n) ? n : text
}
const says: Record<string, string> = { found: 'as found', designed: 'designed', fitted: 'fitted' }

async function submit() {
  busy.value = true
  const wheel = (diameter: string) => ({ diameter, kind: f.value.kind, groove: f.value.groove })
  const service_factor = props.drive.duty?.service_factor ?? undefined
  const input =
    f.value.family === 'v-belt'
      ? {
          power: f.value.power,
          service_factor,
          driver: { speed: f.value.speed, sheave: wheel(f.value.driver) },
          driven: { sheave: f.value.flat ? { diameter: f.value.driven, kind: 'outside', groove: 'flat' } : wheel(f.value.driven) },
          belt: { designation: f.value.belt, count: countTyped(f.value.count) },
        }
      : { power: f.value.power, service_factor, [family.value?.speed_field ?? 'speed']: f.value.speed, ...bodyOf(form.value?.fields ?? [], f.value.typed) }
  const got = await save<Build>('POST', `/api/drives/${props.drive.id}/builds`, {
    op_id: f.value.op_id,
    rev: 0,
    purpose: 'found',
    freeze: true,
    units: settings.units,
    family: f.value.family,
    created_by_name: settings.name,
    temporary: f.value.temporary,
    temporary_reason: f.value.temporary ? f.value.reason : '',
    promised_date: f.value.temporary ? f.value.promised || undefined : undefined,
    input,
  })
  busy.value = false
  if (got.ok) {
    forget()
    adding.value = false
    emit('saved')
  } else problem.value = got.problem
}
</script>

<template>
  <div class="found">
    <table v-if="drive.builds.length" class="lines">
      <thead>
        <tr><th scope="col">Build</th><th scope="col">What</th><th scope="col">Since</th><th scope="col">By</th><th scope="col"><span class="visually-hidden">Show</span></th></tr>
      </thead>
      <tbody>
        <tr v-for="b in drive.builds" :key="b.id" :class="{ here: b.id === showing }">
          <td>{{ b.no }}, {{ says[b.purpose] }}<template v-if="b.state === 'draft'">, draft</template></td>
          <td>
            <b class="figure">{{ b.what }}</b>
            <span v-if="b.temporary" class="temp"> ◐ temporary: {{ b.temporary_reason }} Promised {{ b.promised_date ? shortDate(b.promised_date) : '' }}</span>
          </td>
          <td>{{ shortDate(b.valid_from) }}</td>
          <td>{{ b.created_by_name }}</td>
          <td><el-button v-if="b.id !== showing" text @click="emit('open', b)">Show</el-button><span v-else class="dim">shown</span></td>
        </tr>
      </tbody>
    </table>
    <el-button v-if="!adding" class="start" @click="adding = true">Write down what is on it now</el-button>
    <form v-else @submit.prevent="submit">
      <h2>What is on the machine</h2>
      <div class="fields">
        <ChoiceField v-model="f.family" label="Kind of drive" :choices="families.map((x) => ({ key: x.key, name: x.title, group: '' }))" />
        <template v-if="f.family === 'v-belt'">
          <QuantityField v-model="f.driver" label="Driver diameter" :unit="us ? 'in' : 'mm'" example="5 3/8" fractions :fault="faultAt(problem, 'input.driver.sheave')" />
          <QuantityField v-model="f.driven" label="Driven diameter" :unit="us ? 'in' : 'mm'" example="14 1/2" fractions :fault="faultAt(problem, 'input.driven.sheave')" />
          <ChoiceField v-model="f.kind" label="Which diameter" :choices="kinds" />
          <ChoiceField v-model="f.groove" label="Groove" :choices="grooveChoices" />
          <el-checkbox v-model="f.flat" label="The driven is a flat pulley" />
          <WordField v-model="f.belt" label="Belt, as it is marked" :fault="faultAt(problem, 'input.belt.designation')" />
          <QuantityField v-model="f.count" label="How many" assumed="as needed" :fault="faultAt(problem, 'input.belt.count')" />
        </template>
        <QuantityField v-model="f.power" label="Motor power" :unit="us ? 'hp' : 'kW'" :fault="faultAt(problem, 'input.power')" />
        <QuantityField v-model="f.speed" label="Motor speed" unit="rpm" :fault="faultAt(problem, 'input.driver.speed', 'input.speed', 'input.driver_speed')" />
        <div>
          <el-checkbox v-model="f.temporary" label="It is only there for now" />
          <p v-if="faultAt(problem, 'temporary') && !f.temporary" class="field-fault">{{ faultText(faultAt(problem, 'temporary')!) }}</p>
        </div>
        <template v-if="f.temporary">
          <WordField v-model="f.reason" label="Why, and what will put it right" :fault="faultAt(problem, 'temporary_reason')" />
          <div class="date">
            <label class="label" for="promised">Promised for</label>
            <input id="promised" v-model="f.promised" type="date" />
          </div>
        </template>
      </div>
      <FoundFamily v-if="family && f.family !== 'v-belt'" ref="form" :key="f.family" v-model="f.typed" :family="family" :problem="problem" />
      <FaultList :faults="otherFaults(problem, [...(form?.fields ?? []).map((x) => 'input.' + x.path), 'input.driver.sheave', 'input.driven.sheave', 'input.belt', 'input.power', 'input.driver.speed', 'temporary_reason', 'temporary'])" />
      <div class="row">
        <el-button type="primary" native-type="submit" :loading="busy">Keep it as found</el-button>
        <router-link v-if="f.family === 'v-belt'" class="ask" to="/what-belt">What is this belt?</router-link>
        <el-button v-if="drive.builds.length" @click="adding = false">Close</el-button>
      </div>
    </form>
  </div>
</template>

<style scoped>
.found,
form {
  display: grid;
  gap: 12px;
}
.start {
  justify-self: start;
}
.ask {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
}
tr.here td {
  background: var(--touch-soft);
}
.temp {
  color: var(--warm);
  font-weight: 600;
}
.date {
  display: grid;
  gap: 3px;
}
.date input {
  height: 46px;
  border: 1px solid var(--dim);
  background: var(--sheet);
  color: var(--ink);
  font: 18px var(--face-figure);
  padding: 0 8px;
}
@media (max-width: 700px) {
  td:nth-child(4),
  th:nth-child(4) {
    display: none;
  }
}
</style>
