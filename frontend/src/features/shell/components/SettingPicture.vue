<script setup lang="ts">
// What a choice of the device looks like: a page by day and by night, a wheel, when a new loop is set again.
defineProps<{ shows: string }>()
</script>

<template>
  <svg
    viewBox="0 0 56 30"
    width="56"
    height="30"
    aria-hidden="true"
    fill="none"
    stroke="currentColor"
    stroke-width="1.6"
  >
    <template v-if="shows === 'light' || shows === 'dark' || shows === 'both'">
      <rect x="12" y="3" width="32" height="24" :fill="shows === 'dark' ? '#1b2327' : '#f8faf9'" />
      <path v-if="shows === 'both'" d="M44 3V27H12Z" fill="#1b2327" stroke="none" />
      <g :stroke="shows === 'dark' ? '#e8eef0' : '#1b2327'">
        <path d="M17 9H31M17 14H26" />
      </g>
    </template>
    <template v-else-if="shows === 'wheel'">
      <circle cx="28" cy="15" r="12" />
      <circle cx="28" cy="15" r="9.5" stroke-width="0.8" />
      <circle cx="28" cy="15" r="3" />
    </template>
    <template v-else>
      <path d="M4 22H52M6 18V26" />
      <g v-for="at in [20, 44]" :key="at">
        <circle
          :cx="at"
          cy="22"
          r="4.5"
          :fill="shows === 'all' || (shows === 'first') === (at === 20) ? 'currentColor' : 'var(--sheet)'"
        />
        <text :x="at" y="12" text-anchor="middle" fill="currentColor" stroke="none">{{ at === 20 ? '24' : '50' }}</text>
      </g>
    </template>
  </svg>
</template>

<style scoped>
text {
  font: 600 11px var(--face-figure);
}
</style>
