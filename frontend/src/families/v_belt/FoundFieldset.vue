<script setup lang="ts">
import { computed } from 'vue'

import type { Problem } from '@/api/types'
import ChoiceField from '@/shared/ui/ChoiceField.vue'
import QuantityField from '@/shared/ui/QuantityField.vue'
import WordField from '@/shared/ui/WordField.vue'
import { faultAt } from '@/shared/format/faults'
import { useSettings } from '@/shared/state/settings'

import type { VBeltFound } from './found'
import { grooveChoices } from '@/forms/grooves'

// V-belts as they are read off the machine: marks, counts, a tape across the rims.
defineProps<{ problem: Problem | null }>()
const f = defineModel<VBeltFound>({ required: true })
const settings = useSettings()
const length = computed(() => (settings.units === 'us' ? 'in' : 'mm'))
const kinds = ['outside', 'datum', 'pitch', 'effective'].map((key) => ({ key, name: key, group: '' }))
</script>

<template>
  <WordField
    v-model="f.belt"
    label="Belt, as it is marked"
    :fault="faultAt(problem, 'input.belt.designation', 'input.belt.construction')"
  />
  <QuantityField v-model="f.count" label="How many are on it" :fault="faultAt(problem, 'input.belt.count')" />
  <WordField v-model="f.odd" label="One of them is odd: which, and how" :fault="faultAt(problem, 'input.belt.odd')" />
  <QuantityField
    v-model="f.driver"
    label="Driver diameter"
    :unit="length"
    example="5 3/8"
    fractions
    :fault="faultAt(problem, 'input.driver.sheave.diameter', 'input.driver.sheave.kind')"
  />
  <QuantityField
    v-model="f.driven"
    label="Driven diameter"
    :unit="length"
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
    label="Centre distance, by tape"
    :unit="length"
    example="34 1/4"
    fractions
    :fault="faultAt(problem, 'input.centre_by_tape')"
  />
</template>
