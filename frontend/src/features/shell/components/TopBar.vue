<script setup lang="ts">
import { ref } from 'vue'

import { place } from '@/shared/state/place'
import { useSettings } from '@/shared/state/settings'

import CommandLine from './CommandLine.vue'
import SettingsPanel from './SettingsPanel.vue'
import WaitingList from './WaitingList.vue'

const settings = useSettings()
const open = ref(false)
const initials = () =>
  settings.name
    .split(/\s+/)
    .map((w) => w.charAt(0))
    .join('')
    .slice(0, 2)
    .toUpperCase() || '–'
</script>

<template>
  <header class="top">
    <router-link to="/machines" class="brand" aria-label="Tuyere, to the machines">
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
    <p class="place">
      <span v-if="place.area">{{ place.area }} · </span><strong>{{ place.name }}</strong>
    </p>
    <WaitingList />
    <CommandLine />
    <div class="switch" role="group" aria-label="Units">
      <button type="button" :aria-pressed="settings.units === 'us'" @click="settings.units = 'us'">in · lbf</button>
      <button type="button" :aria-pressed="settings.units === 'si'" @click="settings.units = 'si'">mm · N</button>
    </div>
    <button type="button" class="person" aria-label="Settings" @click="open = true">{{ initials() }}</button>
    <SettingsPanel v-model="open" />
  </header>
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
  font-size: 24px;
  min-height: 44px;
  min-width: 44px;
}
.place {
  font-size: 16px;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  flex: 1;
  min-width: 0;
}
.place strong {
  font-weight: 600;
}
.switch {
  display: flex;
  border: 2px solid var(--ink);
}
.switch button {
  min-height: 44px;
  padding: 0 10px;
  border: 0;
  background: var(--sheet);
  color: var(--ink);
  font: 600 15px var(--face-label);
  cursor: pointer;
  white-space: nowrap;
}
.switch button[aria-pressed='true'] {
  background: var(--ink);
  color: var(--sheet);
}
.person {
  width: 44px;
  height: 44px;
  border-radius: 50%;
  border: 2px solid var(--ink);
  background: var(--sheet);
  color: var(--ink);
  font: 600 17px var(--face-label);
  cursor: pointer;
}
@media (max-width: 700px) {
  .top {
    flex-wrap: wrap;
    gap: 2px 8px;
    padding: 4px 10px;
  }
  .brand span {
    display: none;
  }
  .brand {
    margin-right: auto;
  }
  .switch button {
    padding: 0 7px;
  }
  .place {
    order: 8;
    flex: 1 1 100%;
    line-height: 1.2;
  }
}
</style>
