<script setup lang="ts">
// An answer that no longer belongs to what stands in the form: named as what it is, never in the answer's place.
defineProps<{ refused?: boolean }>()
</script>

<template>
  <p class="former" role="status">
    <s><slot /></s>
    <span>{{
      refused
        ? 'was the answer to the former input; this one is refused.'
        : 'was the answer to the former input. Work it out again.'
    }}</span>
  </p>
</template>

<style scoped>
.former {
  border: 1px dashed var(--dim);
  padding: 8px 12px;
  color: var(--dim);
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
}
</style>
