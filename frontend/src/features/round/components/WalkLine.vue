<script setup lang="ts">
import { computed } from 'vue'

import type { RoundView } from '@/api/types'

import { spell } from '../logic/days'

// The walk: a box for every area, filled where something is late or due today.
const props = defineProps<{ round: RoundView; area: string }>()
const emit = defineEmits<{ area: [name: string] }>()
const stops = computed(() => props.round.areas.map((a) => ({ ...a, now: a.late + a.today })))
</script>

<template>
  <div class="walk">
    <ol>
      <li v-for="s in stops" :key="s.no">
        <button
          type="button"
          class="stop"
          :aria-pressed="area === s.name"
          :aria-label="`Only ${s.name}: ${s.now} now, ${s.week} this week`"
          @click="emit('area', area === s.name ? '' : s.name)"
        >
          <span class="box figure" :class="{ filled: s.now, here: area === s.name }">{{ s.no }}</span>
          <span>{{ s.name }}{{ s.now ? `: ${s.now}` : '' }}</span>
        </button>
      </li>
    </ol>
    <p class="time">
      <b class="figure">{{ spell(round.minutes) }}</b>
      <span class="dim">late and today</span>
    </p>
  </div>
</template>

<style scoped>
.walk {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 12px;
  align-items: center;
  padding: 8px 16px;
  border-bottom: 1px solid var(--ink);
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  position: relative;
}
li {
  flex: 1;
  min-width: 60px;
  position: relative;
}
li::before {
  content: '';
  position: absolute;
  top: 22px;
  left: 0;
  right: 0;
  border-top: 1.6px solid var(--ink);
}
.stop {
  width: 100%;
  min-height: 60px;
  border: 0;
  background: none;
  display: grid;
  justify-items: center;
  gap: 2px;
  color: var(--ink);
  font: 500 0.875rem/1.1 var(--face-label);
  padding: 0 2px;
  cursor: pointer;
  position: relative;
}
.box {
  width: 32px;
  height: 32px;
  display: grid;
  place-items: center;
  border: 1.6px solid var(--ink);
  background: var(--sheet);
  margin-top: 6px;
}
.box.filled {
  background: var(--ink);
  color: var(--sheet);
}
.box.here {
  outline: 3px solid var(--touch);
}
.time {
  text-align: right;
}
.time b {
  display: block;
  font-size: 1.5rem;
}
@media (max-width: 700px) {
  .walk {
    grid-template-columns: 1fr;
  }
  .time {
    text-align: left;
  }
  .time b {
    display: inline;
    margin-right: 8px;
  }
}
</style>
