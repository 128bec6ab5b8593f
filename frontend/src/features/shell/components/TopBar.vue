<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import { BENCH, place } from '@/shared/state/place'
import { later } from '@/shared/ui/later'
import { useSettings } from '@/shared/state/settings'

import CommandLine from './CommandLine.vue'
import WaitingList from './WaitingList.vue'

const SettingsPanel = later(() => import('./SettingsPanel.vue'))

const settings = useSettings()
const open = ref(false)
const wanted = ref(false)
watch(open, () => (wanted.value = true), { once: true })
const initials = () =>
  settings.name
    .split(/\s+/)
    .map((w) => [...w][0] ?? '')
    .slice(0, 2)
    .join('')
    .toUpperCase() || '–'
const UNITS = { us: 'in · lbf', si: 'mm · N' } as const
const other = computed(() => (settings.units === 'us' ? 'si' : 'us'))
// On a phone the way home is its last step: the page itself says its name.
const up = computed(() => place.way.at(-1))
</script>

<template>
  <div class="top" role="region" aria-label="Where you are, and what you look for">
    <router-link to="/machines" class="brand" :class="{ inside: up }" aria-label="Tuyere, to the machines">
      <svg
        viewBox="0 0 34 24"
        width="32"
        height="23"
        fill="none"
        stroke="currentColor"
        stroke-width="2.2"
        aria-hidden="true"
      >
        <path d="M2 3v18l15-6V9zM17 12h4M23 8l8-4M24 12h8M23 16l8 4" />
      </svg>
      <span>Tuyere</span>
    </router-link>
    <nav class="place" aria-label="The way here">
      <template v-for="c in place.way" :key="c.to">
        <router-link :to="c.to" class="step" :class="{ last: c === up }">{{ c.name }}</router-link>
        <span class="slash" aria-hidden="true">/</span>
      </template>
      <strong :class="{ alone: !up }" :dir="up?.to === BENCH.to ? undefined : 'auto'">{{ place.name }}</strong>
    </nav>
    <WaitingList />
    <CommandLine />
    <button
      type="button"
      class="units"
      :aria-label="`Units: ${UNITS[settings.units]}; switch to ${UNITS[other]}`"
      @click="settings.units = other"
    >
      {{ UNITS[settings.units] }}
    </button>
    <button
      type="button"
      class="person"
      :aria-label="`${initials()}: name and settings of this device`"
      @click="open = true"
    >
      {{ initials() }}
    </button>
    <SettingsPanel v-if="wanted" v-model="open" />
  </div>
</template>

<style scoped>
.top {
  grid-area: top;
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 0 16px;
  border-bottom: 2px solid var(--ink);
  background: var(--ground);
}
.brand {
  display: flex;
  align-items: center;
  gap: 8px;
  color: var(--ink);
  text-decoration: none;
  font-family: var(--face-label);
  font-weight: 600;
  font-size: 1.5rem;
  min-height: 44px;
  min-width: 44px;
}
.place {
  display: flex;
  align-items: center;
  gap: 8px;
  font-size: 1rem;
  white-space: nowrap;
  overflow: hidden;
  flex: 1;
  min-width: 0;
}
.step {
  display: inline-grid;
  align-items: center;
  min-height: 44px;
  text-underline-offset: 4px;
  overflow: hidden;
  text-overflow: ellipsis;
}
.slash {
  color: var(--dim);
}
.place strong {
  font-weight: 600;
  overflow: hidden;
  text-overflow: ellipsis;
}
/* The unit is a word that can be touched, the name two square letters. */
.units,
.person {
  min-height: 44px;
  border: 0;
  background: none;
  color: var(--touch);
  font: 600 1rem var(--face-label);
  cursor: pointer;
  white-space: nowrap;
}
.units {
  padding: 0 4px;
  min-width: 48px;
  text-decoration: underline;
  text-underline-offset: 4px;
}
.person {
  width: 44px;
  border: 2px solid var(--touch);
  background: var(--sheet);
  font-size: 1.0625rem;
}
@media (max-width: 700px) {
  .top {
    gap: 4px;
    padding: 0 8px;
    flex-wrap: wrap;
  }
  .brand span,
  .brand.inside,
  .slash,
  .step:not(.last),
  .place strong:not(.alone) {
    display: none;
  }
  .step.last::before {
    content: '‹';
    margin-right: 6px;
    font-weight: 600;
  }
  .step.last {
    display: block;
    line-height: 44px;
    min-height: 44px;
  }
}
</style>
