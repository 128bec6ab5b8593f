<script setup lang="ts">
import { ref, watch } from 'vue'

import type { Step } from '@/api/types'

import { later } from './later'

// The working behind one figure; its drawer, and the setting of its formulas, come once somebody asks.
const props = defineProps<{ steps: Step[]; step: string | null; title: string }>()
const emit = defineEmits<{ close: [] }>()
const HowComeDrawer = later(() => import('./HowComeDrawer.vue'))
// It stays once it was open, so that it can close as it opened.
const ever = ref(false)
watch(
  () => props.step,
  (step) => (ever.value ||= step !== null),
  { immediate: true },
)
</script>

<template>
  <HowComeDrawer v-if="ever" :steps="steps" :step="step" :title="title" @close="emit('close')" />
</template>
