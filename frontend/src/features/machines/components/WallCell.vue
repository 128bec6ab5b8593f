<script setup lang="ts">
import { computed } from 'vue'

import { inSystem } from '@/shared/format/designation'
import { useSettings } from '@/shared/state/settings'
import StateMark from '@/shared/ui/StateMark.vue'

import DriveThumb from './DriveThumb.vue'
import type { Cell } from '../logic/wall'

// A drive on the wall: its mark and why over it, its belt and its name under it. The whole cell goes to the drive.
const props = defineProps<{ cell: Cell; most: number; lines?: boolean; pick?: string }>()
const settings = useSettings()
const d = computed(() => props.cell.drive)
const to = computed(() =>
  d.value
    ? props.pick
      ? `/drives/${d.value.id}/jobs`
      : `/drives/${d.value.id}`
    : `/machines/${props.cell.machine.id}`,
)
const what = computed(() => inSystem(d.value?.what ?? '', settings.units))
const says = computed(() =>
  [d.value?.name, `${props.cell.machine.tag} ${props.cell.machine.name}`.trim(), what.value, props.cell.why]
    .filter(Boolean)
    .join(', '),
)
</script>

<template>
  <li class="cell" :class="[cell.state, { lines }]">
    <span class="state"><StateMark :state="cell.state" /> {{ cell.why }}</span>
    <DriveThumb v-if="!lines" :elevation="d?.elevation ?? null" :most="most" />
    <span class="figure what" dir="auto">{{ what || 'nothing known yet' }}</span>
    <router-link :to="to" class="drive" :aria-label="says" dir="auto">{{
      d?.name ?? 'no drive yet: add one'
    }}</router-link>
    <router-link :to="`/machines/${cell.machine.id}`" class="machine" dir="auto"
      >{{ cell.machine.tag }} {{ cell.machine.name }}</router-link
    >
  </li>
</template>

<style scoped>
.cell {
  position: relative;
  display: grid;
  align-content: end;
  justify-items: start;
  gap: 1px;
  padding: 5px 8px;
  border-top: 4px solid transparent;
  min-width: 120px;
  max-width: 100%;
}
.cell.act {
  border-top-color: var(--hot);
}
.state {
  display: flex;
  gap: 6px;
  align-items: center;
  font: 500 0.9375rem var(--face-label);
  color: var(--dim);
  max-width: 160px;
}
.act .state {
  color: var(--hot);
  font-weight: 600;
}
.watch .state {
  color: var(--ink);
  font-weight: 600;
}
.what {
  font-size: 1rem;
  overflow-wrap: anywhere;
}
.drive {
  font-weight: 600;
  text-underline-offset: 4px;
  max-width: 180px;
  overflow-wrap: anywhere;
}
/* The whole cell is the target; the machine's own link lies over it. */
.drive::after {
  content: '';
  position: absolute;
  inset: 0;
}
.drive:focus-visible {
  outline: none;
}
.cell:has(.drive:focus-visible) {
  outline: 3px solid var(--touch);
}
.machine {
  position: relative;
  z-index: 1;
  color: var(--dim);
  font-size: 0.9375rem;
  max-width: 170px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  text-decoration: none;
  min-height: 24px;
}
.machine:hover {
  text-decoration: underline;
}
.lines {
  grid-template-columns: 1.3fr 1.2fr 1fr 1.2fr;
  gap: 10px;
  align-items: center;
  width: 100%;
  min-height: 50px;
  border-top: 1px solid var(--line);
}
.lines .drive {
  order: -3;
}
.lines .machine {
  order: -2;
}
.lines .what {
  order: -1;
}
@media (pointer: coarse) {
  .cell {
    gap: 8px;
  }
  .machine {
    min-height: 44px;
    display: grid;
    align-items: center;
  }
  .lines {
    min-height: 56px;
    margin-bottom: 8px;
  }
}
@media (max-width: 700px) {
  .cell {
    min-width: 0;
    border: 1px solid var(--line);
    border-top: 4px solid transparent;
    background: var(--sheet);
  }
  .cell.lines {
    grid-template-columns: 1fr auto;
    gap: 2px 10px;
  }
  .state,
  .drive,
  .machine {
    max-width: 100%;
  }
}
</style>
