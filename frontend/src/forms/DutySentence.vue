<script setup lang="ts">
import { computed } from 'vue'

import type { Choice } from '@/api/types'
import { withUnit } from '@/shared/format/units'
import { useChoices } from '@/shared/state/choices'
import { useSettings } from '@/shared/state/settings'

import type { DutyFields } from './duty'

// A duty that was asked, as the sentence of its form; what nobody said and was assumed is dashed.
const props = defineProps<{ duty: DutyFields; more?: readonly string[] }>()
const { drivers, machines } = useChoices()
const settings = useSettings()
const us = computed(() => settings.units === 'us')
/** A name as it goes on inside a sentence. */
const inside = (list: readonly Choice[], key: string): string => {
  const name = list.find((c) => c.key === key)?.name ?? ''
  return name && name.charAt(0).toLowerCase() + name.slice(1)
}
const driver = computed(() => inside(drivers.value, props.duty.driver))
const machine = computed(() => inside(machines.value, props.duty.machine))
const article = computed(() => (/^[aeiou]/.test(machine.value) ? 'an' : 'a'))
</script>

<template>
  <p class="said">
    A <b>{{ withUnit(duty.power, us ? 'hp' : 'kW') }}</b> <b v-if="driver">{{ driver }}</b><span v-else class="assumed"
      >motor</span
    >
    at <b>{{ withUnit(duty.driver_speed, 'rpm') }}</b> turns {{ article }} <b v-if="machine">{{ machine }}</b><span
      v-else
      class="assumed"
      >machine</span
    >
    at <b>{{ withUnit(duty.driven_speed, 'rpm') }}</b><template v-if="duty.centre.trim()"
      >, about <b>{{ withUnit(duty.centre, us ? 'in' : 'mm') }}</b> apart</template
    >, <b v-if="duty.hours_a_day.trim()">{{ duty.hours_a_day }}</b><span v-else class="assumed">10</span> hours a
    day<template v-for="m in more" :key="m">, {{ m }}</template
    >.
  </p>
</template>

<style scoped>
.said {
  font-size: 1.1875rem;
}
b {
  font-weight: 600;
}
.assumed {
  border-bottom: 2px dashed var(--dim);
}
</style>
