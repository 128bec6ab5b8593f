<script setup lang="ts">
import { computed } from 'vue'

import type { Problem } from '@/api/types'
import QuantityField from '@/shared/ui/QuantityField.vue'
import { faultAt, faultText } from '@/shared/format/faults'
import { grouped } from '@/shared/format/grouped'
import { isBare } from '@/shared/format/units'
import { useChoices } from '@/shared/state/choices'
import { useSettings } from '@/shared/state/settings'

import type { DutyFields } from './duty'
import TypedBlank from './TypedBlank.vue'

// What a drive must do, as one sentence with blanks; a dashed blank is assumed until somebody says it.
const props = defineProps<{ problem: Problem | null }>()
const fields = defineModel<DutyFields>({ required: true })
const settings = useSettings()
const { drivers, machines, settled } = useChoices()
const us = computed(() => settings.units === 'us')
const length = computed(() => (us.value ? 'in' : 'mm'))
const kinds = computed(() => grouped(machines.value, (m) => m.group))
const unit = (typed: string, own: string) => (!typed.trim() || isBare(typed) ? own : '')
const BLANKS = {
  power: ['power', 'input.power'],
  driver_speed: ['driver_speed', 'input.driver_speed'],
  driven_speed: ['driven_speed', 'input.driven_speed'],
  centre: ['centre', 'input.centre.about', 'input.centre'],
  driver: ['service_factor.driver', 'input.service_factor.driver'],
  machine: ['service_factor.machine', 'input.service_factor.machine'],
  hours_a_day: ['service_factor.hours_a_day', 'input.service_factor.hours_a_day'],
} as const
const SAYS = {
  power: 'Power',
  driver_speed: 'Driver speed',
  driven_speed: 'Driven speed wanted',
  centre: 'Centre distance, about',
  driver: 'What drives, and how it starts',
  machine: 'What is driven',
  hours_a_day: 'Hours a day',
} as const
type Blank = keyof typeof BLANKS
const fault = (b: Blank) => faultAt(props.problem, ...BLANKS[b])
const faults = computed(() =>
  (Object.keys(BLANKS) as Blank[]).flatMap((b) => {
    const f = fault(b)
    return f ? [{ b, text: `${SAYS[b]}: ${faultText(f)}` }] : []
  }),
)
// What is seldom said folds, unless it holds something, or is refused.
const RARE = ['tolerance', 'centre_give', 'assume'] as const
const moreOpen = computed(
  () =>
    fields.value.chokes ||
    RARE.some((r) => fields.value[r]) ||
    props.problem?.errors.some((e) => /tolerance|give|assume/.test(e.path)),
)
</script>

<template>
  <p v-if="!settled" class="dim waiting" role="status">Reading what drives and what is driven…</p>
  <div v-else class="duty-words">
    <div class="sentence">
      <span>A</span>
      <TypedBlank
        v-model="fields.power"
        :says="SAYS.power"
        :unit="unit(fields.power, us ? 'hp' : 'kW')"
        :bad="!!fault('power')"
        hint="…"
        :wide="5"
      />
      <select
        v-model="fields.driver"
        data-path="input.service_factor"
        class="pick"
        :class="{ open: !fields.driver }"
        :aria-label="SAYS.driver"
      >
        <option value="">motor, start not said</option>
        <option v-for="d in drivers" :key="d.key" :value="d.key">{{ d.name }}</option>
      </select>
      <span>at</span>
      <TypedBlank
        v-model="fields.driver_speed"
        :says="SAYS.driver_speed"
        :unit="unit(fields.driver_speed, 'rpm')"
        :bad="!!fault('driver_speed')"
        hint="…"
        :wide="6"
      />
      <span>turns a</span>
      <select
        v-model="fields.machine"
        data-path="input.service_factor.machine"
        class="pick"
        :class="{ open: !fields.machine }"
        :aria-label="SAYS.machine"
      >
        <option value="">machine, kind not said</option>
        <optgroup v-for="[group, list] in kinds" :key="group" :label="group">
          <option v-for="m in list" :key="m.key" :value="m.key">{{ m.name }}</option>
        </optgroup>
      </select>
      <span>at</span>
      <TypedBlank
        v-model="fields.driven_speed"
        :says="SAYS.driven_speed"
        :unit="unit(fields.driven_speed, 'rpm')"
        :bad="!!fault('driven_speed')"
        hint="…"
        :wide="6"
      />
      <span>, about</span>
      <TypedBlank
        v-model="fields.centre"
        :says="SAYS.centre"
        :unit="unit(fields.centre, length)"
        :bad="!!fault('centre')"
        :wide="6"
      />
      <span>apart,</span>
      <span data-path="input.service_factor.hours_a_day"
        ><TypedBlank
          v-model="fields.hours_a_day"
          :says="SAYS.hours_a_day"
          hint="10"
          :bad="!!fault('hours_a_day')"
          :wide="3"
      /></span>
      <span>hours a day.</span>
    </div>
    <p v-for="f in faults" :key="f.b" class="field-fault" role="alert">{{ f.text }}</p>
    <details :open="moreOpen">
      <summary>How exact, how it may move, a service factor you know</summary>
      <div class="fields">
        <QuantityField
          v-model="fields.tolerance"
          data-path="input.tolerance"
          label="Speed tolerance, either way"
          unit="%"
          assumed="3"
          :fault="faultAt(problem, 'tolerance', 'input.tolerance')"
        />
        <QuantityField
          v-model="fields.centre_give"
          data-path="input.centre.give"
          label="It can move, either way"
          :unit="length"
          assumed="3 % of it"
          fractions
          :fault="faultAt(problem, 'centre_give', 'input.centre.give')"
        />
        <QuantityField
          v-model="fields.assume"
          label="Or a service factor you know"
          example="1.3"
          :assumed="fields.driver && fields.machine ? '' : '1.2'"
          :fault="faultAt(problem, 'service_factor.assume', 'input.service_factor.assume')"
        />
        <el-checkbox v-model="fields.chokes" label="It can jam and stall the drive" class="check" />
      </div>
    </details>
  </div>
</template>

<style scoped>
.duty-words {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
  width: 100%;
}
.waiting {
  min-height: 146px;
}
@media (max-width: 700px) {
  .waiting {
    min-height: 346px;
  }
}
.sentence {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 8px;
  font-size: 1.25rem;
}
.pick {
  font: 500 1.125rem var(--face-text);
  color: var(--touch);
  background: var(--touch-soft);
  border: 0;
  border-bottom: 2px solid var(--touch);
  border-radius: 0;
  min-height: 46px;
  max-width: min(300px, 100%);
  padding: 0 4px;
  cursor: pointer;
}
.pick.open {
  background: none;
  border-bottom-style: dashed;
}
.sentence > * {
  max-width: 100%;
}
.sentence :deep(.blank:not(.open)) {
  background: var(--touch-soft);
}
summary {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 4px;
  cursor: pointer;
}
.fields {
  padding-top: 6px;
}
.check {
  align-self: end;
  min-height: 46px;
}
</style>
