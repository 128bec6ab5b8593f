<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'

import type { CalcLine, FamilyLine, Problem } from '@/api/types'
import SchemaFields from '@/forms/SchemaFields.vue'
import { fieldsOf, type Schema } from '@/forms/schema'
import { readCalculation } from '@/shared/state/calculations'

// What is there of a family without a form of its own, asked as its calculation asks it.
const props = defineProps<{ family: FamilyLine; problem: Problem | null }>()
const typed = defineModel<Record<string, string | boolean | undefined>>({ required: true })
const calc = ref<CalcLine>()
const fields = computed(() =>
  fieldsOf((calc.value?.input_schema ?? {}) as Schema).filter((f) => props.family.found_fields.includes(f.name)),
)
onMounted(async () => {
  calc.value = await readCalculation(props.family.calc)
})
defineExpose({ fields })
</script>

<template>
  <SchemaFields v-model="typed" :fields="fields" :problem="problem" />
</template>
