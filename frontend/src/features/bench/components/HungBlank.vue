<script setup lang="ts">
import TypedBlank from '@/forms/TypedBlank.vue'

// A blank of the sentence hung on the picture where it is measured; the same value, typed at either place.
defineProps<{ label: string; unit: string; x: number; y: number; bad?: boolean }>()
const typed = defineModel<string>({ required: true })
</script>

<template>
  <span class="hung" :style="{ left: `${x}%`, top: `${y}%` }">
    <span class="label" aria-hidden="true">{{ label }}</span>
    <TypedBlank v-model="typed" :says="`${label}, on the drawing`" :unit="unit" :bad="bad" :wide="5" />
  </span>
</template>

<style scoped>
.hung {
  position: absolute;
  transform: translate(-50%, -50%);
  display: grid;
  justify-items: center;
  background: var(--sheet);
  padding: 0 6px;
  white-space: nowrap;
}
.label {
  font-size: 0.8125rem;
  line-height: 1;
}
.hung :deep(.blank) {
  min-height: 44px;
  font-weight: 600;
}
</style>
