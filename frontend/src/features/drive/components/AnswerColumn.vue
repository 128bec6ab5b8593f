<script setup lang="ts">
import { computed } from 'vue'

import type { DriveAnswer } from '@/api/types'
import NoticeList from '@/shared/ui/NoticeList.vue'

const props = defineProps<{ answer: DriveAnswer; title: string }>()
const emit = defineEmits<{ how: [step: string, title: string]; more: [] }>()

const rows = computed(() => {
  const r = props.answer.result
  const at = `at ${r.deflection.shown}`
  const band = (b: typeof r.deflection_force_new) => `${b.low.number} – ${b.high.number}`
  return [
    { key: 'belts', label: props.title, main: `${r.belts.number} × ${r.designation}`, unit: `needs ${r.belts_exact.number}`, step: r.belts_exact.step },
    { key: 'new', label: 'Set each new belt', main: band(r.deflection_force_new), unit: `${r.deflection_force_new.low.unit_shown} ${at}`, step: r.deflection_force_new.low.step },
    { key: 'run', label: 'Set each run-in belt', main: band(r.deflection_force_run_in), unit: `${r.deflection_force_run_in.low.unit_shown} ${at}`, step: r.deflection_force_run_in.low.step },
    { key: 'ear', label: 'New belt, by ear', main: band(r.frequency_new), unit: `Hz on ${r.span.shown}`, step: r.frequency_new.low.step },
    { key: 'hub', label: 'Pull on each shaft', main: r.hub_running.number, unit: `${r.hub_running.unit_shown} running, ${r.hub_standing_new.shown} set new`, step: r.hub_running.step },
  ]
})
</script>

<template>
  <section class="sheet answers" aria-label="Answers">
    <div v-for="row in rows" :key="row.key" class="row-answer">
      <p class="label">{{ row.label }}</p>
      <p class="main figure">{{ row.main }}</p>
      <p class="unit">{{ row.unit }}</p>
      <button v-if="row.step" type="button" class="how ask-how" :aria-label="`How come: ${row.label}`" @click="emit('how', row.step, row.label)">?</button>
    </div>
    <NoticeList :notices="answer.notices" class="remarks" />
    <button type="button" class="plain more" @click="emit('more')">All figures of this drive</button>
  </section>
</template>

<style scoped>
.answers {
  padding: 10px 18px 6px;
  display: flex;
  flex-direction: column;
  min-height: 0;
  overflow: auto;
}
.row-answer {
  display: grid;
  grid-template: 'label label how' 'main unit how' / auto 1fr 46px;
  column-gap: 10px;
  align-items: baseline;
  border-bottom: 2px dotted var(--line);
  padding: 3px 0 4px;
}
.label {
  grid-area: label;
}
.main {
  grid-area: main;
  font-size: 26px;
  line-height: 1.1;
  white-space: nowrap;
}
.unit {
  grid-area: unit;
  color: var(--dim);
  font-size: 14px;
  text-align: right;
  line-height: 1.1;
}
.how {
  grid-area: how;
  align-self: center;
  justify-self: end;
}
.remarks {
  margin-top: 8px;
}
.more {
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 4px;
  min-height: 44px;
  margin-top: auto;
}
</style>
