<script setup lang="ts">
import { computed, ref } from 'vue'

import type { Elevation, JobStep, Problem } from '@/api/types'
import ElevationDrawing from '@/elevation/ElevationDrawing.vue'
import { fit } from '@/elevation/frame'
import { clock, wheelName } from '@/shared/format/words'
import { useSettings } from '@/shared/state/settings'

import type { Happened } from '../composables/job'

// One thing to do, to judge or to sign: the drive, one sentence, and the keys it takes.
const props = defineProps<{
  step: JobStep
  status: JobStep['status']
  elevation: Elevation | null
  busy: boolean
  problem: Problem | null
  name: string
}>()
const emit = defineEmits<{ happened: [event: Happened]; next: [] }>()
const settings = useSettings()
const reason = ref('')
const asking = ref<'' | 'skip' | 'anyway' | 'act'>('')
const say = (text: string) => wheelName(settings.wheelWord, text.replaceAll('{wheel}', 'sheave'))
const frame = computed(() =>
  props.elevation ? fit(props.elevation, 366, 170, { left: 12, right: 12, top: 10, bottom: 10 }, 0) : null,
)
const kind = computed(() => (props.step.kind === 'sign' ? 'signed' : props.step.kind === 'decide' ? 'found' : 'done'))
// The order speaks against it: it may be done all the same, for a reason that stays in sight.
const wantsReason = computed(() => props.problem?.errors.some((e) => e.path === 'reason') ?? false)
function go(grade = '') {
  emit('happened', { step: props.step.key, kind: kind.value, grade, reason: reason.value })
}
function skip() {
  emit('happened', { step: props.step.key, kind: 'skipped', reason: reason.value })
}
const grades = [
  { key: 'fine', mark: '●', word: 'All right' },
  { key: 'watch', mark: '◐', word: 'Watch it' },
  { key: 'act', mark: '■', word: 'Act now' },
]
</script>

<template>
  <div class="do">
    <svg
      v-if="elevation && frame"
      viewBox="0 0 366 170"
      role="img"
      aria-label="The drive, to scale"
      class="sheet drawing"
    >
      <ElevationDrawing :elevation="elevation" :frame="frame" small />
    </svg>
    <h2 class="words">{{ say(step.words) }}</h2>
    <p v-if="step.figures.length" class="figures">
      <span v-for="f in step.figures" :key="f.name"
        >{{ f.label }} <b class="figure">{{ f.shown }}</b></span
      >
    </p>
    <p v-if="step.caution" class="care">▲ {{ say(step.caution) }}</p>
    <p class="dim">{{ say(step.why) }}</p>
    <p v-if="step.guarded" class="care">From outside the guard.</p>
    <p v-if="step.who === 'licensed'" class="care">For the licensed trade only.</p>
    <p class="source dim">{{ step.source }}; confidence {{ step.confidence }}</p>
    <p v-if="status !== 'open'" class="was">
      {{ status === 'skipped' ? 'Left out' : step.grade ? `Found: ${step.grade}` : 'Done' }}
      <template v-if="step.by">by {{ step.by }}{{ step.at ? ` ${clock(step.at)}` : '' }}</template>
      <template v-if="step.note">: {{ step.note }}</template>
      <strong v-if="step.exception" class="hot"> · against the order</strong>
    </p>
    <div v-if="asking || wantsReason" class="sheet ask">
      <label for="why">{{
        wantsReason
          ? `${problem?.detail}. Why may it be done now?`
          : asking === 'act'
            ? 'What did you see?'
            : 'Why is it left out?'
      }}</label>
      <el-input id="why" v-model="reason" maxlength="200" />
      <p v-if="wantsReason && problem?.errors[0]?.allowed" class="dim">{{ problem.errors[0].allowed }}</p>
    </div>
    <p v-else-if="problem" class="field-fault" role="alert">{{ problem.detail }} {{ problem.errors[0]?.allowed }}</p>
    <slot />
    <div class="bar">
      <template v-if="status !== 'open'">
        <button type="button" class="key main" @click="emit('next')">Next</button>
      </template>
      <template v-else-if="asking === 'skip'">
        <button type="button" class="key" @click="asking = ''">Back</button>
        <button type="button" class="key main" :disabled="!reason.trim() || busy" @click="skip">Leave it out</button>
      </template>
      <template v-else-if="step.kind === 'decide'">
        <button v-if="step.skip" type="button" class="key" @click="asking = 'skip'">
          Leave out<small>say why</small>
        </button>
        <button
          v-for="g in grades"
          :key="g.key"
          type="button"
          class="key grade"
          :class="g.key"
          :disabled="busy || (wantsReason && !reason.trim())"
          @click="go(g.key)"
        >
          <span aria-hidden="true">{{ g.mark }}</span> {{ g.word }}
        </button>
      </template>
      <template v-else>
        <button v-if="step.skip" type="button" class="key" @click="asking = 'skip'">
          Leave out<small>say why</small>
        </button>
        <button type="button" class="key main" :disabled="busy || (wantsReason && !reason.trim())" @click="go()">
          {{ step.kind === 'sign' ? `Sign as ${name}` : step.kind === 'restore' ? 'Locks are off' : 'Done' }}
        </button>
      </template>
    </div>
  </div>
</template>

<style scoped>
.do {
  display: grid;
  gap: 10px;
}
.drawing {
  width: 100%;
  max-height: 30vh;
}
.words {
  font-size: 27px;
  line-height: 1.2;
}
.figures {
  display: grid;
  gap: 2px;
  font-size: 17px;
}
.figures b {
  font-size: 21px;
}
.care {
  color: var(--warm);
  font-weight: 600;
}
.hot {
  color: var(--hot);
}
.source {
  font-size: 14px;
}
.was {
  font-weight: 600;
}
.ask {
  padding: 12px;
  display: grid;
  gap: 8px;
  border-left: 5px solid var(--warm);
}
.grade.act {
  color: var(--hot);
  border-color: var(--hot);
}
</style>
