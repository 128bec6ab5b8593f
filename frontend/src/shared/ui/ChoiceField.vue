<script setup lang="ts">
import { computed, useId } from 'vue'

import type { Choice, Fault } from '@/api/types'
import { faultText } from '@/shared/format/faults'
import { grouped } from '@/shared/format/grouped'

// The device's own list: on a phone its large wheel, with a keyboard the first letters of a line.
const props = defineProps<{ label: string; choices: Choice[]; fault?: Fault; clearable?: boolean }>()
const picked = defineModel<string | undefined>()
const id = useId()
const groups = computed(() => grouped(props.choices, (c) => c.group))
const take = (e: Event) => (picked.value = (e.target as HTMLSelectElement).value || undefined)
</script>

<template>
  <div class="choice">
    <label class="label" :for="id">{{ label }}</label>
    <select
      :id="id"
      :value="picked ?? ''"
      :class="{ open: !picked }"
      :aria-invalid="fault ? 'true' : undefined"
      @change="take"
    >
      <option value="" :disabled="!clearable && !!picked">{{ clearable && picked ? 'none' : 'choose' }}</option>
      <template v-if="groups.length > 1">
        <optgroup v-for="[name, list] in groups" :key="name" :label="name">
          <option v-for="c in list" :key="c.key" :value="c.key">{{ c.name }}</option>
        </optgroup>
      </template>
      <template v-else>
        <option v-for="c in choices" :key="c.key" :value="c.key">{{ c.name }}</option>
      </template>
    </select>
    <p v-if="fault" class="field-fault">{{ faultText(fault) }}</p>
  </div>
</template>

<style scoped>
.choice {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 3px;
}
select {
  min-height: 46px;
  width: 100%;
  padding: 0 8px;
  border: 1px solid var(--dim);
  border-radius: 0;
  background: var(--sheet);
  color: var(--ink);
  font: 400 1.0625rem var(--face-text);
}
.open {
  color: var(--dim);
}
@media (pointer: coarse) {
  select {
    min-height: 56px;
  }
}
</style>
