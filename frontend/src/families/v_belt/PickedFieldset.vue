<script setup lang="ts">
import type { Options, Problem, RatingLine } from '@/api/types'
import ChoiceField from '@/shared/ui/ChoiceField.vue'
import { useSettings } from '@/shared/state/settings'

import type { Typed } from '../forms'

// Which sections are looked through; left open, those of the person's own system.
defineProps<{ problem: Problem | null; options: Options; ratings: RatingLine[] }>()
const fields = defineModel<Typed>({ required: true })
const settings = useSettings()
const choices = [
  { key: 'inch', name: 'Inch sections', group: '' },
  { key: 'metric', name: 'Metric sections', group: '' },
  { key: 'all', name: 'Both', group: '' },
]
</script>

<template>
  <ChoiceField
    v-model="fields.series"
    :label="`Sections${fields.series ? '' : settings.units === 'us' ? ': inch' : ': both'}`"
    :choices="choices"
    clearable
  />
  <p v-if="options.book === 'own-table' && !ratings.length" class="dim">
    You have no rating table yet: bring one in on the Shelf page.
  </p>
</template>
