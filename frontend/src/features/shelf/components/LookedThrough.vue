<script setup lang="ts">
import { counted } from '@/shared/format/words'

import WrongLines from './WrongLines.vue'

// A list that was looked through: what was understood of it, what was not, and the key that keeps it.
defineProps<{
  looked: { lines: readonly unknown[]; wrong: InstanceType<typeof WrongLines>['$props']['wrong'] }
  keep: string
}>()
const emit = defineEmits<{ keep: [] }>()
</script>

<template>
  <h3>{{ counted(looked.lines.length, 'line') }} understood, {{ looked.wrong.length }} not</h3>
  <WrongLines :wrong="looked.wrong" />
  <div class="row">
    <el-button type="primary" :disabled="!looked.lines.length" @click="emit('keep')">
      {{ looked.wrong.length ? `Keep the ${looked.lines.length}, leave out the ${looked.wrong.length}` : keep }}
    </el-button>
  </div>
</template>
