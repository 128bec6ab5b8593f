<script setup lang="ts">
import { clock, shortDate } from '@/shared/format/words'

// What a device read earlier is shown meanwhile, with its time, and said to be that.
defineProps<{ name: string; at: string; checking: boolean }>()
const emit = defineEmits<{ again: [] }>()
</script>

<template>
  <p class="sheet as-of" role="status">
    <template v-if="checking">As of {{ shortDate(at) }}, {{ clock(at) }}: checking</template>
    <template v-else
      >No connection. Tuyere shows what this device last read: {{ name }}, {{ shortDate(at) }}, {{ clock(at) }}.
      <el-button @click="emit('again')">Try again</el-button></template
    >
  </p>
</template>

<style scoped>
.as-of {
  padding: 6px 14px;
  border-left: 6px solid var(--ink);
}
</style>
