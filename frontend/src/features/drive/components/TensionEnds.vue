<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'

import { calculate } from '@/api/calc'
import type { Drive, DriveInput, Options, Problem } from '@/api/types'
import type { components } from '@/api/schema'
import { save } from '@/shared/state/outbox'
import { useSettings } from '@/shared/state/settings'
import HowCome from '@/shared/ui/HowCome.vue'

import EndsForm from './EndsForm.vue'

// Both ends of a belt's tension: where it slips below, what gives above, where it flaps, where each way of setting lands.
const props = defineProps<{
  drive: Drive
  calc: string
  input: DriveInput
  options: Options
  /** Strands that can be pressed, longest first, where there is more than one kind. */
  strands?: { strand: string; span: { shown: string } }[]
}>()
const emit = defineEmits<{ saved: [] }>()
type Target = components['schemas']['TensionTargetResponse']
type Schools = components['schemas']['TensionSchoolsResponse']
const settings = useSettings()
const how = ref<{ step: string | null; title: string }>({ step: null, title: '' })
const target = ref<Target>()
const schools = ref<Schools>()
const problem = ref<Problem | null>(null)
// Which strand is pressed is kept with the drive: jobs, cards and tags go by it.
const span = computed(() => {
  const kept = props.drive.ends.given.span
  return typeof kept === 'string' && props.strands?.some((s) => s.strand === kept) ? kept : ''
})
const withoutSpan = () => Object.fromEntries(Object.entries(props.drive.ends.given).filter(([name]) => name !== 'span'))
const failed = ref<Problem | null>(null)
let asked = 0
async function work() {
  const mine = ++asked
  // A strand that was picked counts only while the drive has it.
  const drive = { calc: props.calc, input: props.input, ...(span.value ? { span: span.value } : {}) }
  const more = withoutSpan()
  const body = (input: object) => ({ units: settings.units, options: props.options, input })
  const [a, b] = await Promise.all([
    calculate<Target>('tension-target', body({ ...more, drive })),
    calculate<Schools>('tension-schools', body({ drive, ...('maker' in more ? { maker: more.maker } : {}) })),
  ])
  if (mine !== asked) return
  problem.value = a.ok ? null : a.problem
  if (a.ok) target.value = a.data
  if (b.ok) schools.value = b.data
}
async function pickSpan(picked: string) {
  const asked = picked ? { ...withoutSpan(), span: picked } : withoutSpan()
  const body = { rev: props.drive.ends.rev, asked, units: settings.units, created_by_name: settings.name }
  const got = await save<Drive>('PUT', `/api/drives/${props.drive.id}/ends`, body, `strand of ${props.drive.name}`)
  failed.value = got.ok ? null : got.problem
  if (got.ok) emit('saved')
}
// A loop that is not set by its tension has no such ends: nothing is shown.
const none = computed(() => problem.value?.errors.some((e) => e.path === 'input.drive.calc') ?? false)
const r = computed(() => target.value?.result)
const known = computed(() => r.value?.cliffs.filter((c) => c.at) ?? [])
const unknown = computed(() => r.value?.cliffs.filter((c) => !c.at) ?? [])
const most = computed(() => {
  const all = [...known.value.map((c) => c.at?.tension.value ?? 0), r.value?.bands.at(-1)?.high.tension.value ?? 0]
  return 1.08 * Math.max(...all)
})
const x = (newtons: number) => 8 + (584 * Math.min(newtons, most.value)) / most.value
// The limits on both sides of a pull: the highest of those below, the lowest of those above.
const pullAt = (side: string) =>
  known.value.filter((c) => c.side === side && c.key !== 'slip-design').flatMap((c) => (c.at?.pull ? [c.at.pull] : []))
const under = computed(() => pullAt('below').sort((a, b) => b.value - a.value)[0]?.shown)
const over = computed(() => pullAt('above').sort((a, b) => a.value - b.value)[0]?.shown)
const marks = { fine: '●', watch: '◐', act: '■' }
onMounted(work)
watch(() => [props.input, props.options, props.drive.ends.rev, settings.units], work)
</script>

<template>
  <section v-if="!none" class="ends">
    <h2>Both ends of it</h2>
    <template v-if="r">
      <label v-if="strands && strands.length > 1" class="span">
        Press or pluck the strand
        <select
          :value="span"
          aria-label="strand that is pressed"
          @change="pickSpan(($event.target as HTMLSelectElement).value)"
        >
          <option value="">the longest, {{ strands[0]?.strand.replace('-', ' to ') }}</option>
          <option v-for="s in strands" :key="s.strand" :value="s.strand">
            {{ s.strand.replace('-', ' to ') }}, {{ s.span.shown }}
          </option>
        </select>
      </label>
      <p v-if="failed" class="field-fault" role="alert">{{ failed.detail || failed.title }}</p>
      <p v-if="r.aim.low.pull && r.aim.high.pull" class="says">
        Pull it with {{ r.aim.low.pull.number }} to {{ r.aim.high.pull.shown
        }}<template v-if="under">; never under {{ under }}</template
        ><template v-if="over">, never over {{ over }}</template
        >.
      </p>
      <p class="says" :class="{ second: r.aim.low.pull }">{{ r.says }}</p>
      <svg viewBox="0 0 600 96" role="img" :aria-label="`Tension of one belt: ${r.says}`">
        <defs>
          <pattern id="ends-low" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line x1="0" y1="0" x2="0" y2="7" stroke="var(--hot)" stroke-width="1.6" />
          </pattern>
        </defs>
        <template v-for="(c, n) in known" :key="c.key">
          <rect
            v-if="c.side === 'below'"
            x="8"
            :y="50 - 10 * n"
            :width="x(c.at?.tension.value ?? 0) - 8"
            height="10"
            fill="url(#ends-low)"
          />
          <rect
            v-else
            :x="x(c.at?.tension.value ?? 0)"
            y="22"
            :width="592 - x(c.at?.tension.value ?? 0)"
            height="38"
            fill="url(#ends-low)"
          />
          <path :d="`M${x(c.at?.tension.value ?? 0)} 18v48`" class="tick" />
          <text :x="x(c.at?.tension.value ?? 0)" y="14" text-anchor="middle">{{ n + 1 }}</text>
        </template>
        <rect
          v-for="b in r.bands"
          :key="b.state"
          :x="x(b.low.tension.value)"
          y="62"
          :width="x(b.high.tension.value) - x(b.low.tension.value)"
          height="14"
          :class="b.state === 'new' ? 'new' : 'band'"
        />
        <path d="M8 78H592" class="axis" />
        <text v-for="b in r.bands" :key="b.state" :x="x(b.low.tension.value)" y="92">
          {{ b.low.tension.number }} {{ b.state }}
        </text>
      </svg>
      <ol class="cliffs">
        <li v-for="c in known" :key="c.key">
          {{ c.side === 'below' ? 'Under' : 'Over' }} <b class="figure">{{ c.at?.tension.shown }}</b>
          <template v-if="c.at?.deflection_force">
            ({{ c.at.deflection_force.shown }} on the gauge<template v-if="c.at.pull"
              >, {{ c.at.pull.shown }} of pull</template
            >)</template
          >:
          {{ c.label }}
          <button
            v-if="c.at?.tension.step"
            type="button"
            class="ask-how"
            :aria-label="`How come: ${c.label}`"
            @click="how = { step: c.at?.tension.step ?? null, title: c.label }"
          >
            ?
          </button>
        </li>
      </ol>
      <p v-for="f in r.flaps.slice(0, 3)" :key="f.strand + f.shaken_by" class="warm">≈ {{ f.says }}</p>
    </template>
    <p v-else-if="problem" class="field-fault">{{ problem.detail }}</p>
    <EndsForm v-if="r" :drive="drive" :unknown="unknown" @saved="emit('saved')" />
    <template v-if="schools">
      <h3>Where each way of setting lands on this span</h3>
      <table class="lines">
        <tbody>
          <tr v-for="s in schools.result.schools" :key="s.key">
            <td>
              <span :class="s.verdict" aria-hidden="true">{{ marks[s.verdict] }}</span> {{ s.label }}
            </td>
            <td class="figure">{{ s.low.tension.number }} – {{ s.high.tension.shown }}</td>
            <td>{{ s.says }}</td>
          </tr>
        </tbody>
      </table>
    </template>
    <HowCome :steps="target?.working ?? []" :step="how.step" :title="how.title" @close="how.step = null" />
  </section>
</template>

<style scoped>
.ends {
  border-top: 1px solid var(--line);
  margin-top: 12px;
  padding-top: 12px;
  display: grid;
  gap: 8px;
}
.says {
  font: 600 1.375rem/1.25 var(--face-label);
}
svg {
  width: 100%;
  max-width: 820px;
}
.second {
  font-size: 1.125rem;
}
.span select {
  font: 500 1.125rem var(--face-text);
  color: var(--touch);
  background: var(--sheet);
  border: 0;
  border-bottom: 2px solid var(--touch);
  border-radius: 0;
  min-height: 46px;
  max-width: 100%;
}
.tick {
  stroke: var(--ink);
  stroke-width: 1.4;
}
.axis {
  stroke: var(--ink);
  stroke-width: 2;
}
.band {
  fill: var(--metal);
}
.new {
  fill: var(--dim);
}
text {
  font: 500 12px var(--face-figure);
  fill: var(--ink);
}
.cliffs {
  margin: 0;
  padding-left: 22px;
  display: grid;
  gap: 4px;
}
.warm {
  color: var(--warm);
}
.act {
  color: var(--hot);
}
td.figure {
  white-space: nowrap;
}
</style>
