<script setup lang="ts">
import type { Fault } from '@/api/types'
import { faultText } from '@/shared/format/faults'

defineProps<{ faults: Fault[] }>()
</script>

<template>
  <ul v-if="faults.length" class="faults" role="alert">
    <li v-for="f in faults" :key="f.path + f.reason">
      <strong v-if="f.called">{{ f.called }}: </strong>{{ faultText(f) }}
    </li>
  </ul>
</template>

<style scoped>
.faults {
  margin: 0;
  padding: 8px 12px 8px 28px;
  border-left: 5px solid var(--hot);
  background: var(--panel);
  color: var(--ink);
}
</style>
