<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import type { Problem } from '@/api/types'

// A part of a form that may be left out: folded to its title. It opens by hand, and by itself where something in it was
// typed or refused; what is in it is made once it opens.
const props = defineProps<{
  title: string
  help: string
  path: string
  typed: Record<string, string | boolean | undefined>
  problem: Problem | null
}>()
const inIt = (path: string) => path === props.path || path.startsWith(props.path + '.')
const told = computed(
  () =>
    Object.entries(props.typed).some(([path, v]) => v !== undefined && v !== '' && inIt(path)) ||
    (props.problem?.errors ?? []).some((e) => inIt(e.path.replace(/^input\./, ''))),
)
const open = ref(told.value)
const made = ref(told.value)
watch(told, (now) => {
  if (now) open.value = made.value = true
})
function turned(e: Event) {
  open.value = (e.target as HTMLDetailsElement).open
  made.value ||= open.value
}
</script>

<template>
  <details class="fold" :open="open" @toggle="turned">
    <summary>
      <span>
        <b>{{ title }}</b><span v-if="help" class="dim"> · {{ help }}</span>
      </span>
    </summary>
    <slot v-if="made" />
  </details>
</template>

<style scoped>
.fold {
  grid-column: 1 / -1;
  border-top: 1px solid var(--line);
}
summary {
  min-height: 48px;
  display: flex;
  align-items: center;
  cursor: pointer;
  color: var(--touch);
  font: 400 1.0625rem var(--face-label);
}
summary::before {
  content: '+' / '';
  font: 600 1.375rem var(--face-figure);
  width: 28px;
}
.fold[open] > summary::before {
  content: '−' / '';
}
</style>
