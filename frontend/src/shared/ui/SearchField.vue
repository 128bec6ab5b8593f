<script setup lang="ts">
import { computed, useId } from 'vue'

import type { Choice, Fault } from '@/api/types'
import { faultText } from '@/shared/format/faults'
import { grouped } from '@/shared/format/grouped'

// A choice among so many that one types for it: thousands of machines; only the lines in sight are made.
const props = defineProps<{ label: string; choices: Choice[]; fault?: Fault; clearable?: boolean }>()
const picked = defineModel<string | undefined>()
const id = useId()
const groups = computed(() =>
  grouped(props.choices, (c) => c.group).map(([label, own]) => ({
    value: label,
    label,
    options: own.map((c) => ({ value: c.key, label: c.name })),
  })),
)
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
