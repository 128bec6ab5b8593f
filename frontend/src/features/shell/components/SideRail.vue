<script setup lang="ts">
import { useRoute } from 'vue-router'

const route = useRoute()
// Our own pictograms, drawn as plain as the words beside them.
const places = [
  { key: 'round', to: '/round', word: 'Round', path: 'M6 23a3 3 0 1 1 .1 0M24 5a3 3 0 1 1 -.1 0M9 21C20 19 3 12 21 7' },
  { key: 'machines', to: '/machines', word: 'Machines', path: 'M3 20h24M7 20v-8h6v8M13 15h8M21 20V9h4v11M8 12V8h4v4' },
  {
    key: 'jobs',
    to: '/jobs',
    word: 'Jobs',
    path: 'M5 4h14v20H5zM9 9h6M9 14h6M9 19h6M22 10l5 5M27 10l-8 9-2 4 4-2 8-9z',
  },
  { key: 'bench', to: '/bench', word: 'Bench', path: 'M3 9h24v12H3zM8 9v5M13 9v7M18 9v5M23 9v7' },
  {
    key: 'shelf',
    to: '/shelf',
    word: 'Shelf',
    path: 'M4 4v20M26 4v20M4 12h22M4 22h22M8 12V7h6v5M17 22v-6h6v6M9 22v-4h4v4',
  },
  {
    key: 'handbook',
    to: '/handbook',
    word: 'Handbook',
    path: 'M15 8v16M15 8C11 5 6 5 3 6v15c4-1 8-1 12 3 4-4 8-4 12-3V6c-3-1-8-1-12 2',
  },
]
</script>

<template>
  <nav class="rail" aria-label="Main">
    <router-link
      v-for="p in places"
      :key="p.key"
      :to="p.to"
      :class="{ here: route.meta.rail === p.key }"
      :aria-current="route.meta.rail === p.key ? 'page' : undefined"
    >
      <svg
        viewBox="0 0 30 28"
        width="30"
        height="28"
        fill="none"
        stroke="currentColor"
        stroke-width="2"
        aria-hidden="true"
      >
        <path :d="p.path" />
      </svg>
      {{ p.word }}
    </router-link>
  </nav>
</template>

<style scoped>
.rail {
  grid-area: rail;
  border-right: 2px solid var(--ink);
  display: flex;
  flex-direction: column;
}
a {
  display: grid;
  justify-items: center;
  gap: 2px;
  padding: 11px 2px 9px;
  color: var(--dim);
  text-decoration: none;
  font-family: var(--face-label);
  font-weight: 500;
  font-size: 0.9375rem;
  border-left: 5px solid transparent;
  border-right: 5px solid transparent;
}
a.here {
  color: var(--ink);
  background: var(--panel);
  border-left-color: var(--ink);
}
@media (max-width: 700px) {
  .rail {
    flex-direction: row;
    border-right: 0;
    border-top: 2px solid var(--ink);
    background: var(--ground);
  }
  a {
    flex: 1;
    padding: 5px 2px 3px;
    border: 0;
    border-top: 4px solid transparent;
    min-width: 0;
    font-size: min(0.9375rem, 3.9vw);
  }
  a.here {
    border-top-color: var(--ink);
  }
}
</style>
