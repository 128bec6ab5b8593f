<script setup lang="ts">
import type { Problem } from '@/api/types'
import ChoiceField from '@/shared/ui/ChoiceField.vue'
import QuantityField from '@/shared/ui/QuantityField.vue'
import WordField from '@/shared/ui/WordField.vue'
import { faultAt } from '@/shared/format/faults'

import type { Typed } from '../forms'
import { grooveChoices } from '@/forms/grooves'

// A V-belt drive that somebody has in mind.
defineProps<{ problem: Problem | null }>()
const fields = defineModel<Typed>({ required: true })
</script>

<template>
  <div class="fields">
    <QuantityField
      v-model="fields.driver"
      label="Driver in mind, outside"
      fractions
      :fault="faultAt(problem, 'input.this.driver')"
    />
    <QuantityField
      v-model="fields.driven"
      label="Driven in mind, outside"
      fractions
      :fault="faultAt(problem, 'input.this.driven')"
    />
    <ChoiceField v-model="fields.groove" label="Their groove" :choices="grooveChoices" />
    <WordField v-model="fields.belt" label="Belt in mind, such as B90" :fault="faultAt(problem, 'input.this.belt')" />
  </div>
</template>
