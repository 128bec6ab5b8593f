<script setup lang="ts">
import { computed, ref } from 'vue'

import type { Elevation, JobStep, Problem } from '@/api/types'
import { clock } from '@/shared/format/words'

import type { Happened } from '../logic/happened'
import SafePicture from './SafePicture.vue'

// The whole machine at once: each source where it is shut off, ticked by name; then the proofs, each on its own; then the signature.
const props = defineProps<{
  steps: JobStep[]
  elevation: Elevation | null
  status: (s: JobStep) => JobStep['status']
  name: string
  busy: boolean
  problem: Problem | null
}>()
const emit = defineEmits<{ happened: [event: Happened]; next: [] }>()
const before = computed(() => props.steps.filter((s) => s.kind === 'do'))
const offs = computed(() => props.steps.filter((s) => s.kind === 'isolate'))
const proofs = computed(() => props.steps.filter((s) => s.kind === 'prove'))
const sign = computed(() => props.steps.find((s) => s.kind === 'sign'))
const done = (s: JobStep) => props.status(s) === 'done'
const rows = computed(() => [...before.value, ...offs.value])
const left = computed(() => rows.value.filter((s) => !done(s)).length)
const proved = computed(() => proofs.value.every(done))
/** What a proof still waits for, in words; empty where it may be done now. */
function waits(s: JobStep): string {
  if (left.value) return `when ${left.value} more ${left.value === 1 ? 'is' : 'are'} ticked`
  const first = proofs.value.filter((p) => p.who !== 'licensed')
  return s.who === 'licensed' && !first.every(done) ? 'after the try start' : ''
}
const cannot = ref('')
const why = ref('')
function note() {
  emit('happened', { step: cannot.value, kind: 'noted', reason: why.value })
  cannot.value = ''
  why.value = ''
}
const names: Record<string, string> = { 'try-start': 'Try start', 'test-dead': 'Tested dead' }
</script>

<template>
  <div class="safe">
    <SafePicture v-if="elevation" :elevation="elevation" :steps="rows" :done="done" />
    <ol>
      <li v-for="(s, n) in rows" :key="s.key" class="point" :class="{ done: done(s) }">
        <button
          type="button"
          class="tick"
          role="checkbox"
          :aria-checked="done(s)"
          :aria-label="`${s.point || s.words}`"
          :disabled="done(s) || busy"
          @click="emit('happened', { step: s.key, kind: 'done' })"
        >
          <span class="no figure" aria-hidden="true">{{ n + 1 }}</span>
          <span class="what">
            <strong>{{ s.point || s.words }}</strong>
            <span v-if="s.point" class="dim">{{ s.how || s.words }}</span>
            <span v-if="s.caution" class="care">{{ s.caution }}</span>
            <span v-if="s.note" class="hot">{{ s.note }}</span>
          </span>
          <span v-if="done(s)" class="who">
            {{ s.by || name }}<span v-if="s.at" class="figure">{{ clock(s.at) }}</span>
          </span>
          <span v-else class="who touch">tick when done</span>
          <span class="box" aria-hidden="true"
            ><svg v-if="done(s)" viewBox="0 0 30 30"><path d="M5 16l7 7L25 8" /></svg
          ></span>
        </button>
      </li>
    </ol>
    <template v-if="proofs.length">
      <h2>Then {{ proofs.length === 1 ? 'one proof' : 'two proofs, each' }} by name</h2>
      <div class="proofs">
        <button
          v-for="s in proofs"
          :key="s.key"
          type="button"
          class="proof"
          :class="{ done: done(s) }"
          :disabled="done(s) || busy || waits(s) !== ''"
          @click="emit('happened', { step: s.key, kind: 'done' })"
        >
          <strong>{{ names[s.key] ?? s.words }}</strong>
          <span>{{ s.words }}</span>
          <span v-if="s.who === 'licensed'" class="dim">licensed person only</span>
          <span v-if="done(s)" class="figure">✓ {{ s.by || name }} {{ s.at ? clock(s.at) : '' }}</span>
          <span v-else-if="waits(s)" class="warm">{{ waits(s) }}</span>
          <span v-else class="touch">press when it is done</span>
        </button>
      </div>
    </template>
    <p class="dim">Local rules and the site's own lock-out sheet come first. Your own lock, your own key.</p>
    <form v-if="cannot" class="sheet cannot" @submit.prevent="note">
      <label for="cannot-why">Why can it not be done? It stays open, and stays in sight.</label>
      <el-input id="cannot-why" v-model="why" maxlength="200" />
      <div class="row">
        <el-button type="primary" native-type="submit" :disabled="!why.trim()">Write it down</el-button>
        <el-button @click="cannot = ''">Back</el-button>
      </div>
    </form>
    <p v-if="problem" class="field-fault" role="alert">{{ problem.detail }}</p>
    <div class="bar">
      <button
        type="button"
        class="key"
        :disabled="proved && !left"
        @click="cannot = [...rows, ...proofs].find((s) => !done(s))?.key ?? ''"
      >
        Cannot do<small>say why</small>
      </button>
      <button
        v-if="sign && !done(sign)"
        type="button"
        class="key main"
        :disabled="left > 0 || !proved || busy"
        @click="emit('happened', { step: sign.key, kind: 'signed' })"
      >
        Sign: it is safe<small>{{ left || !proved ? 'after all ticks and proofs' : `as ${name}` }}</small>
      </button>
      <button v-else type="button" class="key main" @click="emit('next')">Go on to the drive</button>
    </div>
  </div>
</template>

<style scoped>
.safe {
  display: grid;
  gap: 10px;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
.tick {
  width: 100%;
  min-height: 66px;
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) auto 52px;
  gap: 10px;
  align-items: center;
  text-align: left;
  padding: 6px 8px 6px 12px;
  border: 1px solid var(--line);
  background: var(--sheet);
  color: var(--ink);
  font: 400 1rem var(--face-text);
  cursor: pointer;
  touch-action: manipulation;
}
.no {
  font-size: 1.375rem;
  color: var(--hot);
}
.done .no {
  color: var(--ink);
}
.what {
  display: grid;
  line-height: 1.2;
}
.what strong {
  font: 600 1.1875rem var(--face-label);
}
.care {
  color: var(--warm);
  font-size: 0.9375rem;
}
.who {
  display: grid;
  text-align: right;
  font-size: 0.9375rem;
  line-height: 1.2;
  max-width: 90px;
}
.touch {
  color: var(--touch);
  font-weight: 600;
}
.warm {
  color: var(--warm);
  font-weight: 600;
}
.hot {
  color: var(--hot);
  font-weight: 600;
}
.box {
  width: 52px;
  height: 52px;
  border: 2px solid var(--touch);
  background: var(--touch-soft);
}
.done .box {
  background: var(--ink);
  border-color: var(--ink);
}
.box svg {
  fill: none;
  stroke: var(--sheet);
  stroke-width: 3.5;
}
.proofs {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 8px;
}
.proof {
  min-height: 84px;
  display: grid;
  align-content: start;
  gap: 3px;
  text-align: left;
  padding: 10px 12px;
  border: 2px solid var(--touch);
  background: var(--sheet);
  color: var(--ink);
  font: 400 0.9375rem var(--face-text);
  cursor: pointer;
}
.proof:disabled {
  border-color: var(--line);
  background: var(--panel);
  cursor: default;
}
.proof strong {
  font: 600 1.25rem var(--face-label);
}
.cannot {
  padding: 12px;
  display: grid;
  gap: 8px;
}
</style>
