<script setup lang="ts">
import { computed } from 'vue'

import type { DriveAnswer } from '@/api/types'
import FigureTable from '@/shared/ui/FigureTable.vue'

const props = defineProps<{ answer: DriveAnswer }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ how: [step: string, title: string] }>()
const result = computed(() => props.answer.result)
</script>

<template>
  <el-drawer v-model="open" title="All figures of this drive" size="min(560px, 100vw)">
    <FigureTable :result="result" @how="(s: string, t: string) => emit('how', s, t)" />
    <div class="shut"><button type="button" class="key main" @click="open = false">Close</button></div>
  </el-drawer>
</template>

<style scoped>
.shut {
  position: sticky;
  bottom: -20px;
  display: flex;
  background: var(--sheet);
  padding: 8px 0;
  margin-top: 14px;
}
</style>
