<script setup lang="ts">
import { computed } from 'vue'

import type { Problem } from '@/api/types'
import ChoiceField from '@/shared/ui/ChoiceField.vue'
import QuantityField from '@/shared/ui/QuantityField.vue'
import { faultAt } from '@/shared/format/faults'
import { useChoices } from '@/shared/state/choices'
import { useSettings } from '@/shared/state/settings'

import type { DutyFields } from './duty'

defineProps<{ problem: Problem | null }>()
const fields = defineModel<DutyFields>({ required: true })
const settings = useSettings()
const { drivers, machines } = useChoices()
const us = computed(() => settings.units === 'us')
const groupNames: Record<string, string> = {
  HVAC: 'HVAC',
  industrial: 'Industrial',
  conveyor: 'Conveyor',
  farm: 'Farm',
  shop: 'Shop',
}
const driven = computed(() => machines.value.map((m) => ({ ...m, group: groupNames[m.group] ?? m.group })))
const driving = computed(() => drivers.value.map((d) => ({ ...d, group: '' })))
</script>

<template>
  <div class="fields">
    <QuantityField
      v-model="fields.power"
      label="Power"
      :unit="us ? 'hp' : 'kW'"
      example="15hp, 7,5 kW"
      :fault="faultAt(problem, 'power', 'input.power')"
    />
    <QuantityField
      v-model="fields.driver_speed"
      label="Driver speed"
      unit="rpm"
      example="1750"
      :fault="faultAt(problem, 'driver_speed', 'input.driver_speed')"
    />
    <QuantityField
      v-model="fields.driven_speed"
      label="Driven speed wanted"
      unit="rpm"
      example="640"
      :fault="faultAt(problem, 'driven_speed', 'input.driven_speed')"
    />
    <QuantityField
      v-model="fields.tolerance"
      data-path="input.tolerance"
      label="Speed tolerance, either way"
      unit="%"
      assumed="3"
      :fault="faultAt(problem, 'tolerance', 'input.tolerance')"
    />
    <QuantityField
      v-model="fields.centre"
      label="Centre distance, about"
      :unit="us ? 'in' : 'mm'"
      example="28, 28 1/2, 2'4, 711mm"
      fractions
      :fault="faultAt(problem, 'centre', 'input.centre.about', 'input.centre')"
    />
    <QuantityField
      v-model="fields.centre_give"
      data-path="input.centre.give"
      label="It can move, either way"
      :unit="us ? 'in' : 'mm'"
      assumed="3 % of it"
      fractions
      :fault="faultAt(problem, 'centre_give', 'input.centre.give')"
    />
    <ChoiceField
      v-model="fields.driver"
      data-path="input.service_factor"
      label="What drives, and how it starts"
      :choices="driving"
      clearable
      :fault="faultAt(problem, 'service_factor.driver', 'input.service_factor.driver')"
    />
    <ChoiceField
      v-model="fields.machine"
      data-path="input.service_factor.machine"
      label="What is driven"
      :choices="driven"
      search
      clearable
      :fault="faultAt(problem, 'service_factor.machine', 'input.service_factor.machine')"
    />
    <QuantityField
      v-model="fields.hours_a_day"
      data-path="input.service_factor.hours_a_day"
      label="Hours a day"
      unit="h"
      assumed="10"
      :fault="faultAt(problem, 'service_factor.hours_a_day', 'input.service_factor.hours_a_day')"
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
</template>

<style scoped>
.check {
  align-self: end;
  min-height: 46px;
}
</style>
