<script setup lang="ts">
import type { Problem } from '@/api/types'
import QuantityField from '@/shared/ui/QuantityField.vue'
import WordField from '@/shared/ui/WordField.vue'
import { faultAt } from '@/shared/format/faults'

import type { LimitFields } from './limits'

// What the motor, the shafts and the room stand; left open, it is no limit.
defineProps<{ problem: Problem | null }>()
const fields = defineModel<LimitFields>({ required: true })
</script>

<template>
  <div class="motor">
    <el-checkbox v-model="fields.motor">Keep to the least sheave of a standard motor</el-checkbox>
  </div>
  <div class="fields">
    <WordField
      v-model="fields.frame"
      label="Motor frame, such as 254T"
      :fault="faultAt(problem, 'input.limits.motor')"
    />
    <QuantityField
      v-model="fields.driver_shaft"
      label="Driver shaft, diameter"
      fractions
      :fault="faultAt(problem, 'input.limits.driver_shaft')"
    />
    <QuantityField
      v-model="fields.driven_shaft"
      label="Driven shaft, diameter"
      fractions
      :fault="faultAt(problem, 'input.limits.driven_shaft')"
    />
    <QuantityField
      v-model="fields.shaft_load"
      label="Most pull a shaft stands"
      example="250 lbf"
      :fault="faultAt(problem, 'input.limits.shaft_load')"
    />
    <QuantityField
      v-model="fields.driver_outside"
      label="Largest driver that fits"
      fractions
      :fault="faultAt(problem, 'input.limits.driver_outside')"
    />
    <QuantityField
      v-model="fields.driven_outside"
      label="Largest driven that fits"
      fractions
      :fault="faultAt(problem, 'input.limits.driven_outside')"
    />
    <QuantityField
      v-model="fields.width"
      label="Widest face that fits"
      fractions
      :fault="faultAt(problem, 'input.limits.width')"
    />
    <QuantityField
      v-model="fields.belts"
      label="Most belts"
      example="8"
      :fault="faultAt(problem, 'input.limits.belts')"
    />
  </div>
</template>

<style scoped>
.motor {
  display: grid;
  gap: 4px;
}
.motor :deep(.el-checkbox) {
  min-height: 44px;
  white-space: normal;
}
</style>
