<script setup lang="ts">
import { computed } from 'vue'

import type { Build, DriveAnswer, Duty, MainAnswer, Notice } from '@/api/types'
import FoldedRemarks from '@/shared/ui/FoldedRemarks.vue'

import { ratioOf } from '../logic/bar'

// What the stage answers beside its one number, and what is to be said of the drive, the worst first.
const props = defineProps<{
  answer: DriveAnswer
  stage: string
  rows: (MainAnswer & { name: string })[]
  beside?: string
  settledFor?: Build['settled_for']
  duty?: Duty | null
}>()
const emit = defineEmits<{
  how: [step: string, title: string]
  more: []
  beside: []
  assumption: [notice: Notice]
}>()
const held = computed(() => props.answer.sheet?.wanted)
// The speed is what the duty is held against.
const speed = computed(() => {
  const sheet = props.answer.sheet
  if (!sheet || props.stage !== 'duty') return null
  const band = sheet.driven_band
  const w = sheet.wanted
  return {
    main:
      band && band.low.number !== band.high.number
        ? `${band.low.number} – ${band.high.number}`
        : sheet.driven_speed.number,
    unit: sheet.driven_speed.unit_shown,
    how: [band ? 'by slip and belt line' : '', w ? `wanted ${w.speed.number} ± ${w.tolerance.shown}: ${w.says}` : '']
      .filter(Boolean)
      .join('; '),
    step: sheet.driven_speed.step,
  }
})
const bar = computed(() => (props.stage === 'choose' ? ratioOf(props.answer.sheet?.spare) : null))
</script>

<template>
  <section class="sheet answers" aria-label="Answers">
    <p v-if="settledFor" class="then">
      Settled for {{ settledFor.power.shown }}, {{ settledFor.driver_speed.shown }}. All figures here are for the duty
      now<template v-if="duty">: {{ duty.power.shown }}, {{ duty.driver_speed.shown }}</template
      >.
    </p>
    <svg
      v-if="bar"
      viewBox="0 0 340 26"
      class="carry"
      role="img"
      :aria-label="bar.short ? 'carries less than it needs' : 'carries what it needs'"
    >
      <rect x="1" y="8" width="338" height="12" fill="none" stroke="var(--ink)" />
      <rect x="1" y="8" :width="338 * bar.carries" height="12" :fill="bar.short ? 'var(--hot)' : 'var(--ink)'" />
      <path :d="`M${1 + 338 * bar.needs} 2v24`" stroke="var(--ink)" stroke-width="2.5" />
      <path :d="`M${1 + 338 * bar.needs} 2v24`" stroke="var(--sheet)" stroke-width="1" />
    </svg>
    <div v-for="row in rows" :key="row.key" class="row-answer" :class="{ tall: row.main.length > 16 }">
      <p class="label">{{ row.name }}</p>
      <p class="main figure" :class="{ long: row.main.length > 16 }">
        {{ row.main }} <span class="plain-unit">{{ row.unit }}</span>
      </p>
      <p class="unit">{{ row.how }}</p>
      <button
        v-if="row.step"
        type="button"
        class="how"
        :aria-label="`How come: ${row.name}`"
        @click="emit('how', row.step, row.name)"
      >
        how?
      </button>
    </div>
    <div v-if="speed" class="row-answer" :class="{ off: held && !held.within }">
      <p class="label">Driven speed</p>
      <p class="main figure">
        {{ speed.main }} <span class="plain-unit">{{ speed.unit }}</span>
      </p>
      <p class="unit">{{ speed.how }}</p>
      <button
        v-if="speed.step"
        type="button"
        class="how"
        aria-label="How come: Driven speed"
        @click="emit('how', speed.step, 'Driven speed')"
      >
        how?
      </button>
    </div>
    <FoldedRemarks :notices="answer.notices" class="remarks" @assumption="(n: Notice) => emit('assumption', n)" />
    <p class="more">
      <button type="button" class="plain" @click="emit('more')">All figures of this drive</button>
      <button v-if="beside" type="button" class="plain" @click="emit('beside')">{{ beside }}</button>
    </p>
  </section>
</template>

<style scoped>
.answers {
  padding: 6px 18px 4px;
  display: flex;
  flex-direction: column;
  min-height: 0;
  overflow: auto;
}
.row-answer {
  display: grid;
  grid-template: 'label label how' 'main unit how' / auto 1fr 48px;
  column-gap: 10px;
  align-items: baseline;
  border-bottom: 2px dotted var(--line);
  padding: 1px 0 2px;
}
.label {
  grid-area: label;
  line-height: 1.15;
}
.main {
  grid-area: main;
  font-size: 1.5625rem;
  line-height: 1.05;
  white-space: nowrap;
}
.tall {
  grid-template: 'label how' 'main how' 'unit how' / 1fr 48px;
}
.tall .unit {
  text-align: left;
}
.main.long {
  font-size: 1.25rem;
  white-space: normal;
}
.unit {
  grid-area: unit;
  color: var(--dim);
  font-size: 0.875rem;
  text-align: right;
  line-height: 1.1;
}
.plain-unit {
  font: 600 1rem var(--face-label);
  letter-spacing: 0;
}
.how {
  grid-area: how;
  align-self: center;
  justify-self: end;
  min-width: 46px;
  min-height: 44px;
  border: 0;
  background: none;
  color: var(--touch);
  font: 500 1rem var(--face-text);
  text-decoration: underline;
  text-underline-offset: 4px;
  cursor: pointer;
}
.carry {
  width: 100%;
  height: 26px;
}
.then {
  border-left: 5px solid var(--warm);
  background: var(--panel);
  padding: 4px 10px;
  font-size: 0.9375rem;
}
.off .unit {
  color: var(--ink);
  font-weight: 600;
}
.remarks {
  margin-top: 8px;
}
.more {
  margin: auto 0 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 24px;
}
.more button {
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 4px;
  min-height: 44px;
}
/* Where there is little width, or the letters are large, the condition stands under its number. */
@media (max-width: 700px) {
  .row-answer {
    grid-template: 'label how' 'main how' 'unit how' / minmax(0, 1fr) auto;
  }
  .main {
    white-space: normal;
  }
  .unit {
    text-align: left;
  }
}
</style>
