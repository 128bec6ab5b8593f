<script setup lang="ts">
import { computed } from 'vue'

import type { DriveAnswer } from '@/api/types'
import FigureTable from '@/shared/ui/FigureTable.vue'

const props = defineProps<{ answer: DriveAnswer; stage?: string }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ how: [step: string, title: string] }>()
const result = computed(() => props.answer.result)
// What the stage is about stands first.
const ITS: Record<string, string> = { found: 'The loop', duty: 'The duty', choose: 'The duty', tension: 'Tension' }
const groups = computed(() => {
  const all = props.answer.groups ?? []
  const own = ITS[props.stage ?? '']
  return [...all.filter((g) => g.title === own), ...all.filter((g) => g.title !== own)]
})
</script>

<template>
  <el-drawer v-model="open" title="All figures of this drive" size="min(560px, 100vw)">
    <FigureTable
      :result="result"
      :titles="answer.titles"
      :groups="groups"
      @how="(s: string, t: string) => emit('how', s, t)"
    />
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
