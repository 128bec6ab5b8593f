<script setup lang="ts">
import { computed } from 'vue'

import type { Build, DriveAnswer, Duty } from '@/api/types'
import { wheelName } from '@/shared/format/words'
import { useSettings } from '@/shared/state/settings'
import NoticeList from '@/shared/ui/NoticeList.vue'

const props = defineProps<{
  answer: DriveAnswer
  title: string
  beside?: string
  settledFor?: Build['settled_for']
  duty?: Duty | null
}>()
const emit = defineEmits<{ how: [step: string, title: string]; more: []; beside: [] }>()

const settings = useSettings()
const urgent = computed(() => props.answer.notices.filter((n) => n.level === 'danger'))
const rest = computed(() => props.answer.notices.filter((n) => n.level !== 'danger'))
const held = computed(() => props.answer.sheet?.wanted)
const speed = computed(() => {
  const sheet = props.answer.sheet
  if (!sheet) return null
  const band = sheet.driven_band
  const w = sheet.wanted
  return {
    main: band ? `${band.low.number} – ${band.high.number}` : sheet.driven_speed.number,
    words: [
      `${sheet.driven_speed.unit_shown}${band ? ' by slip and belt line' : ''}`,
      w ? `wanted ${w.speed.number} ± ${w.tolerance.shown}: ${w.says}` : '',
    ]
      .filter(Boolean)
      .join('; '),
    step: sheet.driven_speed.step,
  }
})
// The first answer says what the drive is; the page knows whether it is found, designed or fitted.
const rows = computed(() =>
  (props.answer.sheet?.answers ?? []).map((a) => ({
    ...a,
    label: a.label ? wheelName(settings.wheelWord, a.label) : props.title,
  })),
)
</script>

<template>
  <section class="sheet answers" aria-label="Answers">
    <NoticeList v-if="urgent.length" :notices="urgent" class="urgent" />
    <p v-if="settledFor" class="then">
      Settled for {{ settledFor.power.shown }}, {{ settledFor.driver_speed.shown }}. All figures here are for the duty
      now<template v-if="duty">: {{ duty.power.shown }}, {{ duty.driver_speed.shown }}</template
      >.
    </p>
    <div v-for="row in rows" :key="row.key" class="row-answer" :class="{ tall: row.main.length > 16 }">
      <p class="label">{{ row.label }}</p>
      <p class="main figure" :class="{ long: row.main.length > 16 }">{{ row.main }}</p>
      <p class="unit">{{ row.unit }}</p>
      <button
        v-if="row.step"
        type="button"
        class="how ask-how"
        :aria-label="`How come: ${row.label}`"
        @click="emit('how', row.step, row.label)"
      >
        ?
      </button>
    </div>
    <div v-if="speed" class="row-answer" :class="{ off: held && !held.within }">
      <p class="label">Driven speed</p>
      <p class="main figure">{{ speed.main }}</p>
      <p class="unit">{{ speed.words }}</p>
      <button
        v-if="speed.step"
        type="button"
        class="how ask-how"
        aria-label="How come: Driven speed"
        @click="emit('how', speed.step, 'Driven speed')"
      >
        ?
      </button>
    </div>
    <NoticeList :notices="rest" class="remarks" />
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
  grid-template: 'label label how' 'main unit how' / auto 1fr 46px;
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
  grid-template: 'label how' 'main how' 'unit how' / 1fr 46px;
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
.how {
  grid-area: how;
  align-self: center;
  justify-self: end;
}
.urgent {
  margin-bottom: 6px;
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
</style>
