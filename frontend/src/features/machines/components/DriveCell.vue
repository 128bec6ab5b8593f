<script setup lang="ts">
import { computed } from 'vue'

import type { Elevation } from '@/api/types'
import { inSystem } from '@/shared/format/designation'
import { useSettings } from '@/shared/state/settings'
import StateMark from '@/shared/ui/StateMark.vue'

import DriveThumb from './DriveThumb.vue'

// A drive of a machine, drawn at the machine's own scale: how it stands, what is on it, its name. All of it goes to the drive.
const props = defineProps<{
  id: string
  name: string
  what: string
  state: 'act' | 'watch' | 'fine' | 'none'
  why: string
  elevation: Elevation | null
  scale: number
}>()
const settings = useSettings()
const what = computed(() => inSystem(props.what, settings.units) || 'nothing known yet')
</script>

<template>
  <router-link :to="`/drives/${id}`" class="cell" :class="state" :aria-label="[name, what, why].join(', ')">
    <span class="state"><StateMark :state="state" /> {{ why }}</span>
    <DriveThumb :elevation="elevation" :scale="scale" />
    <span class="figure what" dir="auto">{{ what }}</span>
    <strong dir="auto">{{ name }}</strong>
  </router-link>
</template>

<style scoped>
.cell {
  display: grid;
  grid-template-rows: auto 1fr auto auto;
  align-items: end;
  justify-items: start;
  gap: 3px;
  min-height: 112px;
  padding: 6px 8px 10px;
  border: 1px solid var(--line);
  border-top: 4px solid var(--line);
  background: var(--sheet);
  color: var(--touch);
  text-decoration: none;
}
.cell > * {
  min-width: 0;
  max-width: 100%;
  overflow-wrap: anywhere;
}
.act {
  border-top-color: var(--hot);
}
.state {
  display: flex;
  gap: 7px;
  align-items: center;
  align-self: start;
  font: 500 1rem var(--face-label);
  color: var(--ink);
}
.act .state {
  color: var(--hot);
  font-weight: 600;
}
.what {
  color: var(--ink);
  font-size: 1.1875rem;
}
strong {
  text-decoration: underline;
  text-underline-offset: 4px;
}
</style>
