<script setup lang="ts">
// The page of a drive before its figures are there: its own shape, no false alarm.
defineProps<{ name?: string; what?: string }>()
const ROWS = 4
</script>

<template>
  <div class="shell" role="status" aria-label="Reading the drive">
    <div class="sheet drawing">
      <svg viewBox="0 0 560 260" aria-hidden="true" fill="none" stroke="var(--line)" stroke-width="2">
        <circle cx="150" cy="150" r="46" />
        <circle cx="400" cy="120" r="96" />
        <path d="M142 105 378 27M152 196 404 216" stroke-dasharray="8 7" />
      </svg>
    </div>
    <div class="sheet rows">
      <p class="label">{{ what || 'Reading' }}</p>
      <p v-for="k in ROWS" :key="k" class="dash figure" aria-hidden="true">– – –</p>
    </div>
  </div>
</template>

<style scoped>
.shell {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 392px;
  gap: 10px;
  /* As high as the drawing that comes. */
  min-height: clamp(340px, 100vh - 452px, 660px);
}
.drawing {
  display: grid;
  place-items: center;
}
.drawing svg {
  width: min(80%, 560px);
}
.rows {
  padding: 10px 18px;
}
.dash {
  border-bottom: 2px dotted var(--line);
  color: var(--dim);
  font-size: 1.5rem;
  padding: 8px 0;
}
@media (max-width: 900px) {
  .shell {
    grid-template-columns: minmax(0, 1fr);
  }
  .rows {
    order: -1;
    min-height: 132px;
    overflow: hidden;
    max-height: 132px;
  }
  .drawing {
    min-height: 480px;
  }
}
</style>
