<script setup lang="ts">
// The key beside a figure that asks how it came about; nothing where no step gives it.
defineProps<{ of: string; step?: string | null }>()
const emit = defineEmits<{ how: [step: string] }>()
</script>

<template>
  <button v-if="step" type="button" class="ask-how" :aria-label="`How come: ${of}`" @click="emit('how', step)">
    how?
  </button>
</template>
