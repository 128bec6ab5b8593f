<script setup lang="ts">
// The way of the power through a drive, part by part: open what is not known, filled what was turned and went, crossed what is held.
defineProps<{ parts: { part: string; state: string }[] }>()
const STATES: Record<string, string> = { unknown: 'not known yet', well: 'goes', held: 'held or gone' }
</script>

<template>
  <ol class="way-of-power" aria-label="The way of the power">
    <li v-for="p in parts" :key="p.part">
      <svg viewBox="0 0 60 60" role="img" :aria-label="STATES[p.state]">
        <circle
          v-if="p.state !== 'held'"
          cx="30"
          cy="30"
          r="24"
          :fill="p.state === 'well' ? 'var(--ink)' : 'var(--sheet)'"
          stroke="var(--ink)"
          stroke-width="3"
          :stroke-dasharray="p.state === 'unknown' ? '6 5' : undefined"
        />
        <path v-if="p.state === 'well'" d="M20 30l7 8 14 -16" fill="none" stroke="var(--sheet)" stroke-width="4" />
        <template v-if="p.state === 'held'">
          <rect x="6" y="6" width="48" height="48" fill="var(--hot)" />
          <path d="M17 17l26 26M43 17l-26 26" stroke="var(--sheet)" stroke-width="5" />
        </template>
      </svg>
      <b>{{ p.part }}</b>
    </li>
  </ol>
</template>

<style scoped>
.way-of-power {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(78px, 1fr));
  gap: 8px 0;
}
li {
  display: grid;
  justify-items: center;
  position: relative;
  font: 600 1.0625rem var(--face-label);
}
/* The shaft between a part and the one before it. */
li + li::before {
  content: '';
  position: absolute;
  top: 28px;
  right: calc(50% + 30px);
  left: calc(-50% + 30px);
  height: 3px;
  background: var(--ink);
}
svg {
  width: 60px;
  height: 60px;
  background: var(--sheet);
  z-index: 1;
}
@media (max-width: 700px) {
  li + li::before {
    display: none;
  }
}
</style>
