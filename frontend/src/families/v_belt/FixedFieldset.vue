<script setup lang="ts">
import type { Problem } from '@/api/types'
import ChoiceField from '@/shared/ui/ChoiceField.vue'
import QuantityField from '@/shared/ui/QuantityField.vue'
import WordField from '@/shared/ui/WordField.vue'
import { faultAt } from '@/shared/format/faults'

import type { Typed } from '../forms'
import { grooves, sections } from '@/forms/grooves'

defineProps<{ problem: Problem | null }>()
const fields = defineModel<Typed>({ required: true })
const list = (names: readonly string[]) => names.map((key) => ({ key, name: key, group: '' }))
</script>

<template>
  <div class="fields">
    <QuantityField
      v-model="fields.driver"
      label="Driver that stays, outside diameter"
      fractions
      :fault="faultAt(problem, 'input.fixed.driver')"
    />
    <QuantityField
      v-model="fields.driven"
      label="Driven that stays, outside diameter"
      fractions
      :fault="faultAt(problem, 'input.fixed.driven')"
    />
    <ChoiceField v-model="fields.groove" label="Groove of those" :choices="list(grooves)" clearable />
    <ChoiceField
      v-model="fields.section"
      label="Belt section that stays"
      :choices="list(sections)"
      clearable
      :fault="faultAt(problem, 'input.fixed.section')"
    />
    <WordField
      v-model="fields.belt"
      label="Belt that stays, such as B90"
      :fault="faultAt(problem, 'input.fixed.belt')"
    />
  </div>
</template>
