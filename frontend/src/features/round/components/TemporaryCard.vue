<script setup lang="ts">
import { computed } from 'vue'

import type { TemporaryLine } from '@/api/types'
import { inSystem } from '@/shared/format/designation'
import { useSettings } from '@/shared/state/settings'

// Temporary fixes: the bar fills from the day it was put on to the day it is promised for.
const props = defineProps<{ lines: TemporaryLine[] }>()
const settings = useSettings()
const rows = computed(() =>
  props.lines.map((t) => {
    const since = new Date(t.since).getTime()
    const whole = Math.max(new Date(t.promised).getTime() - since, 86_400_000)
    const share = Math.min(Math.max((Date.now() - since) / whole, 0.02), 1)
    return {
      ...t,
      share,
      over: t.days_left < 0,
      left: t.days_left < 0 ? `${-t.days_left} days over` : `${t.days_left} day${t.days_left === 1 ? '' : 's'} left`,
    }
  }),
)
</script>

<template>
  <section v-if="rows.length" class="sheet temporary">
    <p class="label">Temporary, promised by a date</p>
    <div v-for="t in rows" :key="t.drive_id" class="one">
      <p>
        <span aria-hidden="true" :class="{ hot: t.over }">{{ t.over ? '■' : '◐' }}</span>
        <router-link :to="`/drives/${t.drive_id}`" class="name">{{ t.machine }} · {{ t.drive }}</router-link>
        <span class="figure belt">{{ inSystem(t.what, settings.units) }}</span>
      </p>
      <p>
        {{ t.reason }}<template v-if="t.by"> · {{ t.by }}</template>
      </p>
      <p class="bar-line">
        <svg viewBox="0 0 200 12" preserveAspectRatio="none" aria-hidden="true">
          <rect x="0.5" y="0.5" width="199" height="11" class="frame" />
          <rect x="0" y="0" :width="200 * t.share" height="12" :class="t.over ? 'over' : 'full'" />
        </svg>
        <b class="figure" :class="{ hot: t.over }">{{ t.left }}</b>
      </p>
    </div>
  </section>
</template>

<style scoped>
.temporary {
  padding: 14px 16px;
  display: grid;
  gap: 4px;
}
.one {
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
.one:last-child {
  border: 0;
}
.one span:first-child {
  margin-right: 8px;
}
.name {
  font: 600 1.125rem var(--face-label);
  display: inline-grid;
  align-items: center;
  min-height: 44px;
}
.belt {
  margin-left: 10px;
  font-size: 0.9375rem;
}
.bar-line {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 10px;
  align-items: center;
}
svg {
  width: 100%;
  height: 12px;
}
.frame {
  fill: none;
  stroke: var(--ink);
}
.full {
  fill: var(--ink);
}
.over {
  fill: var(--hot);
}
.hot {
  color: var(--hot);
}
</style>
