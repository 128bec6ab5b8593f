<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'

import { api, attempt } from '@/api/client'
import type { CalcLine, FamilyLine, Problem } from '@/api/types'
import SchemaFields from '@/features/bench/components/SchemaFields.vue'
import { fieldsOf, type Schema } from '@/features/bench/logic/schema'

// What is there of any family but the V-belt, asked as its own calculation asks it.
const props = defineProps<{ family: FamilyLine; problem: Problem | null }>()
const typed = defineModel<Record<string, string | boolean | undefined>>({ required: true })
const calc = ref<CalcLine>()
const fields = computed(() =>
  fieldsOf((calc.value?.input_schema ?? {}) as Schema).filter((f) => props.family.found_fields.includes(f.name)),
)
onMounted(async () => {
  const got = await attempt(api.GET('/api/calc'))
  if (got.ok) calc.value = got.data.calculations.find((c) => c.name === props.family.calc)
})
defineExpose({ fields })
</script>

<template>
  <SchemaFields v-model="typed" :fields="fields" :problem="problem" />
</template>
