<script setup lang="ts">
import TypedBlank from '@/forms/TypedBlank.vue'

// A blank hung on the picture where it is measured. Where a sentence asks it too it is the same value, typed at either place.
defineProps<{
  label: string
  /** What it is for who hears it, where it is asked nowhere else. */
  says?: string
  unit: string
  x: number
  y: number
  bad?: boolean
}>()
const typed = defineModel<string>({ required: true })
</script>

<template>
  <span class="hung" :class="{ own: says }" :style="{ left: `${x}%`, top: `${y}%` }">
    <span class="label" aria-hidden="true">{{ label }}</span>
    <TypedBlank v-model="typed" :says="says ?? `${label}, on the drawing`" :unit="unit" :bad="bad" :wide="5" />
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
/* On a phone the picture is too small to hold what is asked nowhere else: it stands below it. */
@media (max-width: 700px) {
  .own {
    position: static;
    transform: none;
    grid-template-columns: minmax(0, 1fr) 130px;
    align-items: baseline;
    justify-items: start;
    padding: 4px 0;
  }
  .own .label {
    font-size: 1rem;
  }
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
