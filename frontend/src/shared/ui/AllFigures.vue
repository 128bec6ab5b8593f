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
  </el-drawer>
</template>
