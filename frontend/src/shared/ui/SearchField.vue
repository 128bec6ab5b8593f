<script setup lang="ts">
import { computed, useId } from 'vue'

import type { Choice, Fault } from '@/api/types'
import { faultText } from '@/shared/format/faults'

// A choice among so many that one types for it: thousands of machines; only the lines in sight are made.
const props = defineProps<{ label: string; choices: Choice[]; fault?: Fault; clearable?: boolean }>()
const picked = defineModel<string | undefined>()
const id = useId()
const groups = computed(() => {
  const found = new Map<string, { value: string; label: string }[]>()
  for (const c of props.choices) {
    const line = { value: c.key, label: c.name }
    const own = found.get(c.group)
    if (own) own.push(line)
    else found.set(c.group, [line])
  }
  return [...found].map(([label, options]) => ({ value: label, label, options }))
})
</script>

<template>
  <div class="choice">
    <label class="label" :for="id">{{ label }}</label>
    <el-select-v2
      :id="id"
      v-model="picked"
      :options="groups"
      filterable
      :clearable="clearable"
      :aria-label="label"
      :item-height="46"
      placeholder="choose, or type a part of its name"
    />
    <p v-if="fault" class="field-fault">{{ faultText(fault) }}</p>
  </div>
</template>

<style scoped>
.choice {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 3px;
}
</style>
