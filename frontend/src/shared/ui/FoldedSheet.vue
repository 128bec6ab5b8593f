<script setup lang="ts">
import { ref, watch } from 'vue'

// A sheet that is seldom needed: its title is the button that opens it; it stands open where something was begun in it.
const props = defineProps<{ title: string; note?: string; open?: boolean }>()
const emit = defineEmits<{ opened: [] }>()
// Once open it stays open, until the person shuts it.
const stands = ref(props.open)
watch(
  () => props.open,
  (begun) => begun && (stands.value = true),
)
function turned(e: Event) {
  stands.value = (e.target as HTMLDetailsElement).open
  if (stands.value) emit('opened')
}
</script>

<template>
  <details class="sheet folded" :open="stands" @toggle="turned">
    <summary>
      <h2>{{ title }}</h2>
      <span v-if="note" class="dim">{{ note }}</span>
    </summary>
    <div class="inside"><slot /></div>
  </details>
</template>

<style scoped>
summary {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 14px;
  min-height: 56px;
  padding: 12px 16px;
  cursor: pointer;
}
summary::before {
  content: '+';
  font: 600 1.25rem var(--face-figure);
  color: var(--touch);
  width: 0.7em;
}
[open] > summary::before {
  content: '–';
}
summary h2 {
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 4px;
}
.inside {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  padding: 0 16px 14px;
}
</style>
