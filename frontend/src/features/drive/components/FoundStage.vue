<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'

import type { Build, Drive, Problem, Units } from '@/api/types'
import { bodyOf } from '@/features/bench/logic/schema'
import ChoiceField from '@/shared/ui/ChoiceField.vue'
import FaultList from '@/shared/ui/FaultList.vue'
import QuantityField from '@/shared/ui/QuantityField.vue'
import WordField from '@/shared/ui/WordField.vue'
import { faultAt, faultText, otherFaults } from '@/shared/format/faults'
import { shortDate } from '@/shared/format/words'
import { withUnit } from '@/shared/format/units'
import { useFamilies } from '@/shared/state/families'
import { useKept } from '@/shared/state/kept'
import { useLater } from '@/shared/state/later'
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
// What is known of the drive stands in the fields already: it is looked at and put right, not typed anew.
interface Known {
  driver: { sheave: { kind?: string; groove: string } }
  driven: { sheave: { groove: string } }
}
const last = props.drive.builds.find((b) => b.family === 'v-belt' && b.state === 'frozen')
const known = last?.input as unknown as Known | undefined
const carry = (v: ReturnType<typeof fresh>, from: Units) => {
  const length = from === 'us' ? 'in' : 'mm'
  return {
    ...v,
    power: withUnit(v.power, from === 'us' ? 'hp' : 'kW'),
    driver: withUnit(v.driver, length),
    driven: withUnit(v.driven, length),
    centre: withUnit(v.centre, length),
  }
}
function fresh() {
  return {
    family: props.drive.builds[0]?.family ?? 'v-belt',
    typed: {} as Record<string, string | boolean | undefined>,
    power: props.drive.duty?.entries.power ?? '',
    speed: props.drive.duty?.entries.driver_speed ?? '',
    driver: last?.wheel_entries[0] ?? '',
    driven: last?.wheel_entries[1] ?? '',
    kind: known?.driver.sheave.kind ?? 'outside',
    groove: known?.driver.sheave.groove ?? '',
    belt: '',
    count: '',
    odd: '',
    centre: '',
    flat: known?.driven.sheave.groove === 'flat',
    temporary: false,
    reason: '',
    promised: '',
    ended: '',
  }
}
const { value: f, forget } = useKept(`found.${props.drive.id}`, fresh, carry)
const { families } = useFamilies()
const family = computed(() => families.value.find((x) => x.key === f.value.family))
const form = ref<InstanceType<typeof FoundFamily>>()
const top = ref<HTMLElement>()
// What a press opens is gone to.
watch(adding, async (on) => {
  if (!on) return
  await nextTick()
  top.value?.focus()
  top.value?.scrollIntoView({ block: 'start' })
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
useLater(problem, () => {
  forget()
  adding.value = false
  emit('saved')
})
const says: Record<string, string> = { found: 'as found', designed: 'designed', fitted: 'fitted' }

async function submit() {
  busy.value = true
  const wheel = (diameter: string) => ({ diameter, kind: f.value.kind, groove: f.value.groove || undefined })
  const service_factor = props.drive.duty?.service_factor ?? undefined
  const input =
    f.value.family === 'v-belt'
      ? {
          power: f.value.power,
          service_factor,
          driver: { speed: f.value.speed, sheave: wheel(f.value.driver) },
          driven: {
            sheave: f.value.flat
              ? { diameter: f.value.driven, kind: 'outside', groove: 'flat' }
              : wheel(f.value.driven),
          },
          centre_by_tape: f.value.centre.trim() || undefined,
          belt: { designation: f.value.belt, count: countTyped(f.value.count), odd: f.value.odd.trim() || undefined },
        }
      : {
          power: f.value.power,
          service_factor,
          [family.value?.speed_field ?? 'speed']: f.value.speed,
          ...bodyOf(form.value?.fields ?? [], f.value.typed),
        }
  const got = await save<Build>(
    'POST',
    `/api/drives/${props.drive.id}/builds`,
    {
      rev: 0,
      purpose: 'found',
      freeze: true,
      units: settings.units,
      family: f.value.family,
      created_by_name: settings.name,
      // Left open, a mark that stands goes on standing.
      temporary: f.value.temporary || undefined,
      temporary_ended: f.value.ended,
      temporary_reason: f.value.temporary ? f.value.reason : '',
      promised_date: f.value.temporary ? f.value.promised || undefined : undefined,
      input,
    },
    `what is on ${props.drive.name}`,
  )
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
        <tr>
          <th scope="col">Build</th>
          <th scope="col">What</th>
          <th scope="col">Since</th>
          <th scope="col">By</th>
          <th scope="col"><span class="visually-hidden">Show</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="b in drive.builds" :key="b.id" :class="{ here: b.id === showing }">
          <td>{{ b.no }}, {{ says[b.purpose] }}<template v-if="b.state === 'draft'">, draft</template></td>
          <td>
            <b class="figure">{{ b.what }}</b>
            <span v-if="b.temporary" class="temp">
              ◐ temporary: {{ b.temporary_reason }} Promised
              {{ b.promised_date ? shortDate(b.promised_date) : '' }}</span
            >
          </td>
          <td>{{ shortDate(b.valid_from) }}</td>
          <td>{{ b.created_by_name }}</td>
          <td>
            <el-button v-if="b.id !== showing" text @click="emit('open', b)">Show</el-button
            ><span v-else class="dim">shown</span>
          </td>
        </tr>
      </tbody>
    </table>
    <el-button v-if="!adding" class="start" @click="adding = true">Write down what is on it now</el-button>
    <form v-else @submit.prevent="submit">
      <h2 ref="top" tabindex="-1">What is on the machine</h2>
      <div class="fields">
        <ChoiceField
          v-model="f.family"
          label="Kind of drive"
          :choices="families.map((x) => ({ key: x.key, name: x.title, group: '' }))"
        />
        <template v-if="f.family === 'v-belt'">
          <WordField
            v-model="f.belt"
            label="Belt, as it is marked"
            :fault="faultAt(problem, 'input.belt.designation', 'input.belt.construction')"
          />
          <QuantityField v-model="f.count" label="How many are on it" :fault="faultAt(problem, 'input.belt.count')" />
          <WordField
            v-model="f.odd"
            label="One of them is odd: which, and how"
            :fault="faultAt(problem, 'input.belt.odd')"
          />
          <QuantityField
            v-model="f.driver"
            label="Driver diameter"
            :unit="us ? 'in' : 'mm'"
            example="5 3/8"
            fractions
            :fault="faultAt(problem, 'input.driver.sheave.diameter', 'input.driver.sheave.kind')"
          />
          <QuantityField
            v-model="f.driven"
            label="Driven diameter"
            :unit="us ? 'in' : 'mm'"
            example="14 1/2"
            fractions
            :fault="faultAt(problem, 'input.driven.sheave.diameter', 'input.driven.sheave.kind')"
          />
          <ChoiceField v-model="f.kind" label="Which diameter" :choices="kinds" />
          <ChoiceField
            v-model="f.groove"
            label="Groove, where it is not the belt's own"
            :choices="grooveChoices"
            clearable
            :fault="faultAt(problem, 'input.driver.sheave.groove', 'input.driven.sheave.groove')"
          />
          <el-checkbox v-model="f.flat" label="The driven is a flat pulley" />
          <QuantityField
            v-model="f.centre"
            label="Shaft to shaft, by tape"
            :unit="us ? 'in' : 'mm'"
            example="34 1/4"
            fractions
            :fault="faultAt(problem, 'input.centre_by_tape')"
          />
        </template>
        <QuantityField
          v-model="f.power"
          label="Motor power"
          :unit="us ? 'hp' : 'kW'"
          :fault="faultAt(problem, 'input.power')"
        />
        <QuantityField
          v-model="f.speed"
          label="Motor speed"
          unit="rpm"
          :fault="faultAt(problem, 'input.driver.speed', 'input.speed', 'input.driver_speed')"
        />
        <div>
          <el-checkbox v-model="f.temporary" label="It is only there for now" />
          <p v-if="faultAt(problem, 'temporary') && !f.temporary" class="field-fault">
            {{ faultText(faultAt(problem, 'temporary')!) }}
          </p>
        </div>
        <WordField
          v-if="faultAt(problem, 'temporary_ended') || f.ended"
          v-model="f.ended"
          label="How the temporary one ended"
          :fault="faultAt(problem, 'temporary_ended')"
        />
        <template v-if="f.temporary">
          <WordField
            v-model="f.reason"
            label="Why, and what will put it right"
            :fault="faultAt(problem, 'temporary_reason')"
          />
          <div class="date">
            <label class="label" for="promised">Promised for</label>
            <input id="promised" v-model="f.promised" type="date" />
            <p v-if="faultAt(problem, 'promised_date')" class="field-fault">
              {{ faultText(faultAt(problem, 'promised_date')!) }}
            </p>
          </div>
        </template>
      </div>
      <FoundFamily
        v-if="family && f.family !== 'v-belt'"
        ref="form"
        :key="f.family"
        v-model="f.typed"
        :family="family"
        :problem="problem"
      />
      <FaultList
        :faults="
          otherFaults(problem, [
            ...(form?.fields ?? []).map((x) => 'input.' + x.path),
            'input.driver.sheave',
            'input.driven.sheave',
            'input.belt',
            'input.power',
            'input.driver.speed',
            'temporary_reason',
            'temporary_ended',
            'promised_date',
            'temporary',
          ])
        "
      />
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
