<script setup lang="ts">
import { computed, useId } from 'vue'

import type { Choice, Fault } from '@/api/types'
import { faultText } from '@/shared/format/faults'

const props = defineProps<{ label: string; choices: Choice[]; fault?: Fault; search?: boolean; clearable?: boolean }>()
const picked = defineModel<string | undefined>()
const id = useId()
const groups = computed(() => {
  const found = new Map<string, Choice[]>()
  for (const c of props.choices) found.set(c.group, [...(found.get(c.group) ?? []), c])
  return [...found]
})
</script>

<template>
  <div class="choice">
    <label class="label" :for="id">{{ label }}</label>
    <el-select
      :id="id"
      v-model="picked"
      :filterable="search"
      :clearable="clearable"
      :aria-label="label"
      placeholder="choose"
    >
      <template v-if="groups.length > 1">
        <el-option-group v-for="[name, list] in groups" :key="name" :label="name">
          <el-option v-for="c in list" :key="c.key" :label="c.name" :value="c.key" />
        </el-option-group>
      </template>
      <template v-else>
        <el-option v-for="c in choices" :key="c.key" :label="c.name" :value="c.key" />
      </template>
    </el-select>
    <p v-if="fault" class="field-fault">{{ faultText(fault) }}</p>
  </div>
</template>

<style scoped>
.choice {
  display: grid;
  gap: 3px;
}
</style>
