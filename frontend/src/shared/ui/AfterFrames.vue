<script setup lang="ts">
import { useFrames } from './frames'

// What is in it is made so many frames after its place stands: it lies below what is looked at first.
const props = defineProps<{ frames: number }>()
const frame = useFrames(props.frames)
</script>

<template>
  <slot v-if="frame >= frames" />
</template>
