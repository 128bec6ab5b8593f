<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'

import type { Build, Drive, Problem, Units } from '@/api/types'
import { formsOf } from '@/families'
import type { Found } from '@/families/forms'
import { bodyOf } from '@/forms/schema'
import ChoiceField from '@/shared/ui/ChoiceField.vue'
import FaultList from '@/shared/ui/FaultList.vue'
import QuantityField from '@/shared/ui/QuantityField.vue'
import WordField from '@/shared/ui/WordField.vue'
import { faultAt, faultText, otherFaults } from '@/shared/format/faults'
import { shortDate } from '@/shared/format/words'
import { withLeaf } from '@/shared/format/nested'
import { withUnit } from '@/shared/format/units'
import { useFamilies } from '@/shared/state/families'
import { useKept } from '@/shared/state/kept'
import { useLater } from '@/shared/state/later'
import { inSystem } from '@/shared/format/designation'
import { save } from '@/shared/state/outbox'
import { useSettings } from '@/shared/state/settings'

import EndsForm from './EndsForm.vue'
import FoundFamily from './FoundFamily.vue'

// What stands on the machine today, and everything that stood there before.
const props = defineProps<{
  drive: Drive
  showing: string
  /** Heard of after the stage was left too: see the stage of the duty. */
  onSaved: () => void
}>()
const emit = defineEmits<{ open: [build: Build] }>()
const settings = useSettings()
const us = computed(() => settings.units === 'us')
const adding = ref(!props.drive.builds.length)
const last = (family: string) => {
  const there = props.drive.builds.find((b) => b.family === family && b.state === 'frozen')
  return there ? { input: there.input, entries: there.wheel_entries } : null
}
const lengthOf = (units: Units) => (units === 'us' ? 'in' : 'mm')
const carry = (v: ReturnType<typeof fresh>, from: Units) => ({
  ...v,
  power: withUnit(v.power, from === 'us' ? 'hp' : 'kW'),
  own: Object.fromEntries(
    Object.entries(v.own).map(([k, x]) => [
      k,
      typeof x === 'string' && k in (formsOf(v.family).found?.carried ?? {}) ? withUnit(x, lengthOf(from)) : x,
    ]),
  ),
})
function fresh() {
  const family = props.drive.builds[0]?.family ?? ''
  return {
    family,
    typed: {} as Record<string, string | boolean | undefined>,
    // What is known of the drive stands in the fields already: it is looked at and put right, not typed anew.
    own: formsOf(family).found?.empty(last(family)) ?? ({} as Found),
    power: props.drive.duty?.entries.power ?? '',
    speed: props.drive.duty?.entries.driver_speed ?? '',
    temporary: false,
    reason: '',
    promised: '',
    ended: '',
  }
}
const { value: f, forget } = useKept(`found.${props.drive.id}`, fresh, carry)
// What an earlier version kept of this form lay beside the other fields.
for (const [k, x] of Object.entries(f.value)) if (k in f.value.own) f.value.own[k] = x as string | boolean
const { families } = useFamilies()
/** Another kind of drive: what was typed of the one before goes with it. */
function kindOf(family: string) {
  f.value = { ...f.value, family, typed: {}, own: formsOf(family).found?.empty(last(family)) ?? {} }
}
// A drive that nothing is known of starts with the first family there is.
watch(families, (all) => !f.value.family && all[0] && kindOf(all[0].key), { immediate: true })
const family = computed(() => families.value.find((x) => x.key === f.value.family))
const own = computed(() => formsOf(f.value.family).found)
const form = ref<InstanceType<typeof FoundFamily>>()
const top = ref<HTMLElement>()
// What a press opens is gone to.
watch(adding, async (on) => {
  if (!on) return
  await nextTick()
  top.value?.focus()
  top.value?.scrollIntoView({ block: 'start' })
})
const problem = ref<Problem | null>(null)
const busy = ref(false)
useLater(problem, () => {
  forget()
  adding.value = false
  props.onSaved()
})
const says: Record<string, string> = { found: 'as found', designed: 'designed', fitted: 'fitted' }

async function submit() {
  const of = family.value
  if (!of) return
  const said = own.value?.input(f.value.own) ?? bodyOf(form.value?.fields ?? [], f.value.typed) ?? {}
  const stated = { ...said, power: f.value.power, service_factor: props.drive.duty?.service_factor ?? undefined }
  const input = withLeaf(stated, of.speed_field, f.value.speed)
  busy.value = true
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
    props.onSaved()
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
            <b class="figure">{{ inSystem(b.what, settings.units) }}</b>
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
    <EndsForm v-if="!adding && drive.builds.length" :drive="drive" @saved="onSaved()" />
    <el-button v-if="!adding" class="start" @click="adding = true">Write down what is on it now</el-button>
    <form v-else @submit.prevent="submit">
      <h2 ref="top" tabindex="-1">What is on the machine</h2>
      <div class="fields">
        <ChoiceField
          :model-value="f.family"
          label="Kind of drive"
          :choices="families.map((x) => ({ key: x.key, name: x.title, group: '' }))"
          @update:model-value="kindOf($event ?? '')"
        />
        <component :is="own.component" v-if="own" v-model="f.own" :problem="problem" />
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
        v-if="family && !own"
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
            ...(own?.paths ?? []),
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
        <router-link v-if="own?.unknown" class="ask" :to="own.unknown.to">{{ own.unknown.words }}</router-link>
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
  font: 1.125rem var(--face-figure);
  padding: 0 8px;
}
@media (max-width: 700px) {
  td:nth-child(4),
  th:nth-child(4) {
    display: none;
  }
}
</style>
