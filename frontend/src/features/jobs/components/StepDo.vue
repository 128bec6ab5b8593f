<script setup lang="ts">
import { computed, ref } from 'vue'

import type { Elevation, JobStep, Problem } from '@/api/types'
import FaultPicture from '@/faults/FaultPicture.vue'
import { clock, plainName } from '@/shared/format/words'

import type { Happened } from '../logic/happened'
import HandledPicture from './HandledPicture.vue'
import StepPhotos from './StepPhotos.vue'
import { stepWords } from '../logic/words'

// One thing to do, to judge or to sign: the drive, one sentence, and the keys it takes.
const props = defineProps<{
  step: JobStep
  status: JobStep['status']
  elevation: Elevation | null
  place?: { drive: string; job: string }
  busy: boolean
  problem: Problem | null
  name: string
}>()
const emit = defineEmits<{ happened: [event: Happened]; next: [] }>()
const reason = ref('')
const asking = ref<'' | 'skip' | 'anyway' | 'act'>('')
const faults = ref<string[]>([...props.step.found])
// What goes on comes off the shelf, unless a person says otherwise.
const taken = ref<Record<string, number>>(Object.fromEntries(props.step.shelf.map((p, k) => [p.id, k ? 0 : p.wanted])))
function toggle(fault: string) {
  faults.value = faults.value.includes(fault) ? faults.value.filter((f) => f !== fault) : [...faults.value, fault]
}
const kind = computed(() => (props.step.kind === 'sign' ? 'signed' : props.step.kind === 'decide' ? 'found' : 'done'))
// The order speaks against it: it may be done all the same, for a reason that stays in sight.
const wantsReason = computed(() => props.problem?.errors.some((e) => e.path === 'reason') ?? false)
function go(grade = '') {
  const took = props.step.shelf
    .filter((p) => taken.value[p.id])
    .map((p) => ({ item: p.id, count: Number(taken.value[p.id]) }))
  const seen = grade === 'watch' || grade === 'act' ? { faults: faults.value } : {}
  emit('happened', { step: props.step.key, kind: kind.value, grade, reason: reason.value, took, ...seen })
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
    <HandledPicture v-if="elevation" :elevation="elevation" :handled="step.handled" />
    <h2 class="words">{{ stepWords(step.words) }}</h2>
    <p v-if="step.figures.length" class="figures">
      <span v-for="f in step.figures" :key="f.name"
        >{{ f.label }} <b class="figure">{{ f.shown }}</b></span
      >
    </p>
    <p v-if="step.faults.length" class="dim">Left the fault, right a good one. Tap what is there.</p>
    <div v-if="step.faults.length" class="faults" role="group" aria-label="What is seen: tap each that is there">
      <button
        v-for="f in step.faults"
        :key="f"
        type="button"
        class="sign"
        :class="{ seen: faults.includes(f) }"
        :aria-pressed="faults.includes(f)"
        :disabled="status !== 'open'"
        @click="toggle(f)"
      >
        <FaultPicture :of="f" beside silent />
        <span>{{ faults.includes(f) ? '■ ' : '' }}{{ plainName(f) }}</span>
      </button>
    </div>
    <p v-if="step.caution" class="care">▲ {{ stepWords(step.caution) }}</p>
    <p class="dim">{{ stepWords(step.why) }}</p>
    <p v-if="step.guarded" class="care">From outside the guard.</p>
    <p v-if="step.who === 'licensed'" class="care">For the licensed trade only.</p>
    <p class="source dim">{{ step.source }}; confidence {{ step.confidence }}</p>
    <p v-if="status === 'open' && step.note" class="was">Noted: {{ step.note }}</p>
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
    <div v-if="step.shelf.length && status === 'open'" class="sheet shelf" role="group" aria-label="Off the shelf">
      <p v-for="p in step.shelf" :key="p.id">
        <span
          >Off the shelf: <b class="figure">{{ taken[p.id] ?? 0 }} × {{ p.label }}</b>
          <span class="dim"> of {{ p.count }}{{ p.place ? `, ${p.place}` : '' }}</span></span
        >
        <button
          type="button"
          class="key"
          :aria-label="`One ${p.label} less`"
          :disabled="!taken[p.id]"
          @click="taken[p.id] = (taken[p.id] ?? 0) - 1"
        >
          −
        </button>
        <button
          type="button"
          class="key"
          :aria-label="`One ${p.label} more`"
          :disabled="(taken[p.id] ?? 0) >= p.count"
          @click="taken[p.id] = (taken[p.id] ?? 0) + 1"
        >
          +
        </button>
      </p>
    </div>
    <StepPhotos v-if="place && step.kind !== 'sign'" :place="place" :step="step" />
    <label v-if="step.kind === 'decide' && status === 'open' && !asking && !wantsReason" class="note">
      In words, if there is more to say
      <input v-model="reason" class="blank" maxlength="200" />
    </label>
    <div class="bar" :class="{ judged: step.kind === 'decide' && status === 'open' && asking !== 'skip' }">
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
        <button type="button" class="key" :disabled="busy" @click="go('not seen')">Not seen</button>
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
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
}
.words {
  font-size: 1.6875rem;
  line-height: 1.2;
}
.faults {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(168px, 1fr));
  gap: 8px;
}
.sign {
  border: 2px solid var(--touch);
  background: var(--sheet);
  color: var(--ink);
  padding: 6px;
  font: 600 1rem/1.2 var(--face-label);
  cursor: pointer;
  display: grid;
  gap: 4px;
  text-align: left;
}
.sign.seen {
  border: 4px solid var(--ink);
  padding: 4px;
}
.shelf {
  padding: 8px 12px;
}
.shelf p {
  display: grid;
  grid-template-columns: 1fr 60px 60px;
  gap: 8px;
  align-items: center;
}
.shelf .key {
  min-width: 56px;
}
.note {
  display: grid;
  font-size: 0.9375rem;
  color: var(--dim);
}
.figures {
  display: grid;
  gap: 2px;
  font-size: 1.0625rem;
}
.figures b {
  font-size: 1.3125rem;
}
.care {
  color: var(--warm);
  font-weight: 600;
}
.hot {
  color: var(--hot);
}
.source {
  font-size: 0.875rem;
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
/* Three grades side by side; what is said when nobody could judge stands over them, lower. */
.judged {
  flex-wrap: wrap;
}
.judged > .key:not(.grade) {
  flex: 1 1 40%;
  min-height: 48px;
}
.judged > .grade {
  flex: 1 1 28%;
  min-width: 0;
  padding: 4px;
}
.grade.act {
  color: var(--hot);
  border-color: var(--hot);
}
</style>
