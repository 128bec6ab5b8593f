<script setup lang="ts">
import { useId } from 'vue'

import type { Fault } from '@/api/types'
import { faultText } from '@/shared/format/faults'

defineProps<{ label: string; fault?: Fault; rows?: number }>()
const typed = defineModel<string>({ default: '' })
const id = useId()
</script>

<template>
  <div class="word">
    <label class="label" :for="id">{{ label }}</label>
    <el-input :id="id" v-model="typed" class="words" autocomplete="off" :aria-invalid="fault ? 'true' : undefined" />
    <p v-if="fault" class="field-fault">{{ faultText(fault) }}</p>
  </div>
</template>

<style scoped>
.word {
  display: grid;
  gap: 3px;
}
</style>
