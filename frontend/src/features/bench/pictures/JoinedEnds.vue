<script setup lang="ts">
import { computed } from 'vue'

import JointDrawing from '../components/JointDrawing.vue'
import { figureOf, type Result } from './figure'

// The two ends of a flat belt and what holds them; laced by hooks until somebody says how.
const props = defineProps<{ result: Result }>()
const mm = (name: string, usual: number) => figureOf(props.result, name)?.value ?? usual
const joint = computed(() => (typeof props.result?.joint === 'string' ? props.result.joint : 'hooks'))
const lap = computed(() => figureOf(props.result, 'lap_long')?.value ?? null)
</script>

<template>
  <JointDrawing :joint="joint" :thickness="mm('thickness', 6)" :width="mm('width', 120)" :lap="lap" />
</template>
