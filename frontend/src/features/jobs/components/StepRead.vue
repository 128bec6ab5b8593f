<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import type { Elevation, JobAsked, JobStep, Problem } from '@/api/types'
import NumberPad from '@/pad/NumberPad.vue'
import { typedNumber } from '@/pad/typing'
import { faultText } from '@/shared/format/faults'
import { shortDate } from '@/shared/format/words'
import { useSettings } from '@/shared/state/settings'

import GapsPicture from './GapsPicture.vue'
import HandledPicture from './HandledPicture.vue'
import LimitBars from '@/line/LimitBars.vue'
import MovesPicture from '@/line/MovesPicture.vue'
import ScenePicture from '@/drawing/ScenePicture.vue'
import PluckEar from './PluckEar.vue'
import TensionPicture from './TensionPicture.vue'
import { useInstrument } from '../composables/instrument'
import type { Happened } from '../logic/happened'
import type { Line } from '@/line/moves'
import { nextAsked } from '../logic/screens'
import { stepWords } from '../logic/words'

// One reading at a time: where it is taken, the pad, the others in sight; then what all of them say and what to move.
const props = defineProps<{
  step: JobStep
  status: JobStep['status']
  waits: (target: string) => string
  tool: string
  place: { drive: string; job: string; twin: boolean }
  elevation: Elevation | null
  busy: boolean
  problem: Problem | null
  happened: (event: Happened) => Promise<boolean>
}>()
const emit = defineEmits<{ next: []; how: [step: string] }>()
const settings = useSettings()
const typed = ref('')
const unit = ref(0)
const reason = ref('')
const leaving = ref(false)
const at = ref(props.step.asked.find((a) => a.needed && !a.value)?.target ?? '')
const asked = computed<JobAsked | undefined>(() => props.step.asked.find((a) => a.target === at.value))
const kind = computed(() => asked.value?.kinds[unit.value % (asked.value.kinds.length || 1)] ?? '')
const unitWord = computed(() => asked.value?.units[unit.value % (asked.value.units.length || 1)] ?? '')
const signed = computed(() => ['gap', 'turns', 'angle'].includes(kind.value))
const value = (a: JobAsked) => a.value || props.waits(a.target)
const read = computed(() => props.step.asked.filter((a) => value(a)).map((a) => a.target))
const missing = computed(() => props.step.asked.filter((a) => a.needed && !value(a)).length)
const fault = computed(() => {
  const own = props.problem?.errors.find((e) => ['typed', 'quantity', 'target', 'data.value'].includes(e.path))
  return own ? faultText(own) : ''
})
const wantsReason = computed(() => props.problem?.errors.some((e) => e.path === 'reason') ?? false)
const following = computed(() => nextAsked(props.step, at.value, (t) => read.value.includes(t)))
const setWord = computed(() => {
  const next = props.step.asked.find((a) => a.target === following.value)
  return `Set ${typed.value || '…'}${next ? `, next ${next.label}` : ''}`
})
// What stands on the pad falls on the picture's gauge, where it is a force in the gauge's own unit.
const onGauge = computed(() => {
  const usual = asked.value?.units[asked.value.kinds.indexOf('force')]
  return kind.value === 'force' && unitWord.value === usual ? typedNumber(typed.value) : undefined
})
const alignment = computed(() =>
  props.step.said?.calc === 'alignment' ? (props.step.said.result as unknown as Line) : null,
)
const before = computed(() => (props.step.said?.before as unknown as Line | null)?.faults ?? [])
const pictures = computed(() => props.step.said?.pictures ?? [])
const result = computed(() => (at.value ? null : props.step.said))
const turns = computed(() => props.step.said?.next_turns ?? 0)

const origin = ref('hand')
const instrument = ref<Record<string, unknown>>({})
const by = useInstrument(() => {
  const a = asked.value
  if (!a) return null
  const k = a.kinds.indexOf(kind.value)
  return {
    ...props.place,
    step: props.step.key,
    target: a.target,
    kind: kind.value,
    instrument: a.instruments[k] ?? '',
  }
})
const canTake = computed(() => {
  const a = asked.value
  const key = a?.instruments[a.kinds.indexOf(kind.value)] ?? ''
  return props.place.twin ? Boolean(key) : Boolean(by.lately.value)
})
/** What an instrument shows stands on the pad; a person sets it. */
async function take() {
  const got = await by.take()
  if (!got) return
  typed.value = got.unit === unitWord.value ? String(got.value) : got.typed
  origin.value = 'instrument'
  instrument.value = {
    kind: got.instrument,
    label: got.label,
    serial: got.serial,
    resolution: got.resolution,
    simulated: got.simulated,
    warnings: got.warnings,
    showed: got.typed,
  }
}
// Who changes the number has not taken it from an instrument.
watch(typed, (now) => {
  const showed = String(instrument.value.showed ?? '')
  if (origin.value === 'instrument' && now && !showed.startsWith(now)) forget()
})
function forget() {
  origin.value = 'hand'
  instrument.value = {}
}
/** A note that was heard stands on the pad; a person sets it. */
function hears(hz: string) {
  typed.value = hz
  origin.value = 'sound'
}
function ask(target: string) {
  at.value = target
  forget()
  typed.value = ''
}
async function set() {
  const of = asked.value
  if (!of) return
  const next = following.value
  const ok = await props.happened({
    step: props.step.key,
    kind: 'read',
    target: of.target,
    quantity: kind.value,
    typed: typed.value,
    origin: origin.value,
    instrument: instrument.value,
    corrects: of.event ?? undefined,
    reason: reason.value,
  })
  // Who has gone on to another target meanwhile stays there.
  if (ok && at.value === of.target) ask(next ?? '')
}
async function moved() {
  if (await props.happened({ step: props.step.key, kind: 'moved', turns: turns.value, reason: reason.value })) again()
}
/** Read once more: the readings so far stay on record as a round. */
function again() {
  ask((props.step.asked.find((a) => a.needed) ?? props.step.asked[0])?.target ?? '')
}
async function done() {
  if (await props.happened({ step: props.step.key, kind: 'done', reason: reason.value })) emit('next')
}
async function skip() {
  if (await props.happened({ step: props.step.key, kind: 'skipped', reason: reason.value })) emit('next')
}
const marks = { fine: '●', watch: '◐', act: '■' }
// A number that was begun is for one thing only.
watch(
  () => props.step.key,
  () => ask(props.step.asked.find((a) => a.needed && !a.value)?.target ?? ''),
)
</script>

<template>
  <div class="read" :class="{ asking: at && asked }">
    <TensionPicture
      v-if="step.reads === 'tension'"
      :step="step"
      :at="at"
      :by-note="kind === 'frequency'"
      :us="settings.units === 'us'"
      :now="onGauge"
    />
    <GapsPicture v-else-if="step.reads === 'gaps' && !result" :at="at" :read="read" :string="tool === 'string'" />
    <HandledPicture
      v-else-if="elevation && !['tension', 'gaps'].includes(step.reads)"
      :elevation="elevation"
      :handled="step.handled"
    />
    <template v-if="at && asked">
      <div class="ask">
        <h2>{{ asked.label.charAt(0).toUpperCase() + asked.label.slice(1) }}</h2>
        <span v-if="step.limit" class="aim"
          >aim <b class="figure">{{ step.limit }}</b></span
        >
        <button v-if="canTake" type="button" class="key take" :disabled="by.taking.value || busy" @click="take">
          Take reading<small v-if="place.twin && !by.lately.value">from the simulated machine</small>
        </button>
      </div>
      <p v-if="!read.length" class="dim small">{{ stepWords(step.words) }}</p>
      <p v-if="step.caution" class="care">▲ {{ stepWords(step.caution) }}</p>
      <template v-if="canTake">
        <p v-if="origin === 'instrument'" class="by dim small">
          {{ instrument.label }} {{ instrument.serial }}{{ instrument.simulated ? ', simulated' : '' }}
        </p>
        <p v-else-if="by.lately.value" class="by dim small">
          {{ by.lately.value.label }} {{ by.lately.value.serial }} shows {{ by.lately.value.typed }}
        </p>
        <p v-else-if="by.problem.value" class="by field-fault" role="alert">{{ by.problem.value.detail }}</p>
      </template>
      <p v-if="step.reads === 'gaps' && kind === 'gap' && !read.length" class="dim small">
        Behind the line is plus, in front of it minus. Touches: 0.
      </p>
      <template v-if="kind === 'text'">
        <el-input v-model="typed" maxlength="200" :aria-label="asked.label" size="large" />
        <p v-if="fault" class="field-fault" role="alert">{{ fault }}</p>
        <div class="bar">
          <button type="button" class="key" @click="leaving = true">Leave out<small>say why</small></button>
          <button type="button" class="key main" :disabled="!typed.trim() || busy" @click="set">Set</button>
        </div>
      </template>
      <PluckEar v-if="kind === 'frequency'" @note="(hz: string) => hears(hz)" />
      <NumberPad
        v-if="kind !== 'text'"
        v-model="typed"
        :unit="unitWord"
        :more="asked.kinds.length > 1"
        :fractions="settings.units === 'us' && ['length', 'force', 'gap', 'turns'].includes(kind)"
        :sign="signed"
        :before="asked.before"
        :before-typed="asked.before_typed"
        :before-when="asked.before_at ? shortDate(asked.before_at) : ''"
        :set="setWord"
        :busy="busy"
        :fault="fault"
        @set="set"
        @unit="unit++"
      >
        <div class="strip" role="group" aria-label="What is read here">
          <button
            v-for="a in step.asked"
            :key="a.target"
            type="button"
            :class="{ here: a.target === at }"
            :aria-pressed="a.target === at"
            @click="ask(a.target)"
          >
            <span>{{ a.label }}</span><b class="figure">{{ value(a) || '–' }}</b>
          </button>
        </div>
      </NumberPad>
    </template>
    <template v-else>
      <MovesPicture
        v-if="alignment"
        :faults="alignment.faults"
        :moves="alignment.moves"
        :within="alignment.within"
        moves-only
      />
      <div v-if="alignment && pictures.length" class="views">
        <ScenePicture v-for="p in pictures" :key="p.title" class="sheet" :scene="p" />
      </div>
      <LimitBars v-if="alignment" :faults="alignment.faults" :before="before" />
      <p v-if="alignment && result?.besides" class="dim">{{ result.besides }}</p>
      <p v-else-if="!alignment && result" class="says">
        <span :class="result.verdict" aria-hidden="true">{{ marks[result.verdict] }}</span>
        {{ result.do || result.says }}
      </p>
      <p v-else-if="!alignment && step.trouble" class="field-fault">{{ step.trouble }}</p>
      <p v-else-if="!alignment" class="says">{{ stepWords(step.words) }}</p>
      <p v-if="result?.do && !alignment">{{ result.says }}</p>
      <template v-if="result?.do">
        <p v-if="step.move" class="dim">{{ stepWords(step.move) }}</p>
        <p v-if="step.move_caution" class="care">▲ {{ stepWords(step.move_caution) }}</p>
      </template>
      <p v-if="step.limit" class="dim">Allowed: {{ step.limit }}</p>
      <ul v-if="result?.notices.length" class="remarks">
        <li v-for="n in result.notices" :key="n.code">{{ n.text }} {{ n.action }}</li>
      </ul>
      <button
        v-if="result?.working.length"
        type="button"
        class="key how"
        @click="emit('how', result.working.at(-1)?.id ?? '')"
      >
        How come?
      </button>
      <div class="strip" role="group" aria-label="What was read here">
        <button v-for="a in step.asked" :key="a.target" type="button" @click="ask(a.target)">
          <span>{{ a.label }}</span><b class="figure">{{ value(a) || '–' }}</b>
        </button>
      </div>
    </template>
    <div v-if="wantsReason || leaving" class="sheet why">
      <label for="read-why">{{
        wantsReason ? `${problem?.detail}. Why may it be done now?` : 'Why is it left out?'
      }}</label>
      <el-input id="read-why" v-model="reason" maxlength="200" />
      <div v-if="leaving" class="row">
        <el-button type="primary" :disabled="!reason.trim() || busy" @click="skip">Leave it out</el-button>
        <el-button @click="leaving = false">Back</el-button>
      </div>
    </div>
    <p v-else-if="problem && !fault" class="field-fault" role="alert">{{ problem.detail }}</p>
    <div v-if="!at" class="bar">
      <template v-if="status !== 'open'"
        ><button type="button" class="key main" @click="emit('next')">Next</button></template
      >
      <template v-else>
        <button v-if="(missing || !read.length) && step.skip" type="button" class="key" @click="leaving = true">
          Leave out<small>say why</small>
        </button>
        <button v-else-if="step.said?.do" type="button" class="key" :disabled="busy" @click="done">
          Leave it<small>as it is</small>
        </button>
        <button v-else-if="read.length" type="button" class="key" :disabled="busy" @click="moved">
          Read again<small>a new round</small>
        </button>
        <button v-if="!read.length" type="button" class="key main" @click="again">Begin</button>
        <button v-else-if="step.said?.do" type="button" class="key main" :disabled="busy" @click="moved">
          {{ turns ? 'Turned: read again' : 'Moved: read again' }}
        </button>
        <button v-else type="button" class="key main" :disabled="busy" @click="done">Done, next</button>
      </template>
    </div>
    <button
      v-else-if="kind !== 'text' && step.skip && !leaving"
      type="button"
      class="plain leave"
      @click="leaving = true"
    >
      Leave this reading out
    </button>
  </div>
</template>

<style scoped>
.read {
  display: grid;
  gap: 6px;
}
.read > :deep(.picture) {
  max-height: 21vh;
}
/* What is asked and what is aimed at, and beside both the key that takes a reading: the pad stays in sight on a phone. */
.ask {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: center;
  gap: 0 10px;
}
.ask h2 {
  font-size: 1.6875rem;
  line-height: 1.1;
}
.aim {
  grid-column: 1;
}
.take {
  grid-column: 2;
  grid-row: 1 / span 2;
  min-height: 56px;
  flex: none;
}
/* At a desk the picture has the room beside the pad. */
@media (min-width: 1000px) {
  .asking {
    grid-template-columns: minmax(0, 1fr) 430px;
    column-gap: 16px;
    align-items: start;
  }
  .asking > * {
    grid-column: 2;
  }
  .asking > :deep(.picture) {
    grid-column: 1;
    grid-row: 1 / span 9;
    max-height: 62vh;
  }
}
.aim b {
  font-size: 1.0625rem;
}
.small {
  font-size: 0.9375rem;
}
.views {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 8px;
}
.care {
  color: var(--warm);
  font-weight: 600;
}
.strip {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(78px, 1fr));
  gap: 6px;
}
.strip button {
  min-height: 48px;
  border: 1.5px solid var(--line);
  background: var(--panel);
  color: var(--ink);
  display: grid;
  text-align: left;
  padding: 3px 8px;
  font: 400 0.875rem/1.15 var(--face-text);
  cursor: pointer;
}
.strip .here {
  border: 3px solid var(--touch);
  background: var(--sheet);
}
.says {
  font: 600 1.5rem/1.25 var(--face-label);
}
.says .act {
  color: var(--hot);
}
.says .watch {
  color: var(--warm);
}
.why {
  padding: 12px;
  display: grid;
  gap: 8px;
  border-left: 5px solid var(--warm);
}
.how {
  justify-self: start;
  min-height: 48px;
}
.leave {
  color: var(--touch);
  min-height: 44px;
  text-align: center;
  text-decoration: underline;
}
.remarks {
  margin: 0;
  padding-left: 18px;
  color: var(--warm);
}
</style>
