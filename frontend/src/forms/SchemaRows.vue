<script setup lang="ts">
import { computed, ref } from 'vue'

import type { Problem } from '@/api/types'
import { faultText } from '@/shared/format/faults'

import SchemaFields from './SchemaFields.vue'
import { helpBeside, rowsTyped, type Field } from './schema'

const props = defineProps<{ field: Extract<Field, { form: 'rows' }>; problem: Problem | null; untitled?: boolean }>()
const typed = defineModel<Record<string, string | boolean | undefined>>({ required: true })
const asked = ref(1)
// A line that is asked for stands open; what was typed is never hidden.
const count = computed(() => Math.max(asked.value, rowsTyped(props.field.path, typed.value)))
// Faults inside a line stand beside its fields; this is one of the list as a whole.
const own = computed(() => props.problem?.errors.find((e) => e.path === 'input.' + props.field.path))
const one = computed(() => props.field.title.replace(/s$/, ''))
/** Take a line out: those after it move up. */
function remove(no: number) {
  const at = props.field.path + '.'
  const next: typeof typed.value = {}
  for (const [key, value] of Object.entries(typed.value)) {
    if (!key.startsWith(at)) {
      next[key] = value
      continue
    }
    const [index = '', ...rest] = key.slice(at.length).split('.')
    const was = Number(index)
    if (was === no) continue
    next[at + [String(was > no ? was - 1 : was), ...rest].join('.')] = value
  }
  asked.value = Math.max(1, count.value - 1)
  typed.value = next
}
</script>

<template>
  <fieldset>
    <legend :class="{ 'visually-hidden': untitled }">
      {{ field.title }}<span v-if="helpBeside(field)" class="dim"> · {{ helpBeside(field) }}</span>
    </legend>
    <div v-for="no in count" :key="no" class="line">
      <p v-if="!field.plain" class="no">{{ one }} {{ no }}</p>
      <SchemaFields v-model="typed" :fields="field.row(no - 1)" :problem="problem" />
      <el-button v-if="count > 1" :aria-label="`Take out ${one} ${no}`" @click="remove(no - 1)">Take out</el-button>
    </div>
    <p v-if="own" class="fault" role="alert">{{ faultText(own) }}</p>
    <el-button @click="asked = count + 1">One more {{ one.toLowerCase() }}</el-button>
  </fieldset>
</template>

<style scoped>
fieldset {
  grid-column: 1 / -1;
  border: 0;
  border-top: 1px solid var(--line);
  margin: 0;
  padding: 8px 0 0;
  min-width: 0;
  display: grid;
  gap: 10px;
  justify-items: start;
}
legend {
  font: 600 1.0625rem var(--face-label);
  padding: 0 8px 0 0;
}
legend .dim {
  font: 400 0.9375rem var(--face-text);
}
.line {
  border-left: 2px solid var(--line);
  padding-left: 12px;
  display: grid;
  gap: 8px;
  width: 100%;
  justify-items: start;
}
.line > :deep(.fields) {
  width: 100%;
}
.no {
  font: 600 0.9375rem var(--face-label);
  margin: 0;
}
.fault {
  color: var(--hot);
}
</style>
