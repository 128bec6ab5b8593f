<script setup lang="ts">
import { computed, ref } from 'vue'

import type { components } from '@/api/schema'
import type { Drive, Problem } from '@/api/types'
import HowCome from '@/shared/ui/HowCome.vue'
import WideBox from '@/shared/ui/WideBox.vue'
import StateMark from '@/shared/ui/StateMark.vue'

import EndsForm from './EndsForm.vue'

// Both ends of a belt's tension in words: where it slips below, what gives above, where it flaps, where each way of setting lands.
const props = defineProps<{
  drive: Drive
  target: components['schemas']['TensionTargetResponse']
  schools?: components['schemas']['TensionSchoolsResponse']
  strands?: { strand: string; span: { shown: string } }[]
  span: string
  failed: Problem | null
  onSaved: () => void
}>()
const emit = defineEmits<{ span: [strand: string] }>()
const how = ref<{ step: string | null; title: string }>({ step: null, title: '' })
const r = computed(() => props.target.result)
const known = computed(() => r.value.cliffs.filter((c) => c.at))
const unknown = computed(() => r.value.cliffs.filter((c) => !c.at))
// The limits on both sides of a pull: the highest of those below, the lowest of those above.
const pullAt = (side: string) =>
  known.value.filter((c) => c.side === side && c.key !== 'slip-design').flatMap((c) => (c.at?.pull ? [c.at.pull] : []))
const under = computed(() => pullAt('below').sort((a, b) => b.value - a.value)[0]?.shown)
const over = computed(() => pullAt('above').sort((a, b) => a.value - b.value)[0]?.shown)
</script>

<template>
  <section class="ends">
    <h2>Both ends of it</h2>
    <label v-if="strands && strands.length > 1" class="span">
      Press or pluck the strand
      <select
        :value="span"
        aria-label="strand that is pressed"
        @change="emit('span', ($event.target as HTMLSelectElement).value)"
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
          class="plain how"
          :aria-label="`How come: ${c.label}`"
          @click="how = { step: c.at?.tension.step ?? null, title: c.label }"
        >
          how?
        </button>
      </li>
    </ol>
    <p v-for="f in r.flaps.slice(0, 3)" :key="f.strand + f.shaken_by" class="warm">≈ {{ f.says }}</p>
    <EndsForm :drive="drive" :unknown="unknown" @saved="onSaved()" />
    <template v-if="schools">
      <h3>Where each way of setting lands on this span</h3>
      <WideBox
        ><table class="lines">
          <tbody>
            <tr v-for="s in schools.result.schools" :key="s.key">
              <td><StateMark :state="s.verdict" /> {{ s.label }}</td>
              <td class="figure">{{ s.low.tension.number }} – {{ s.high.tension.shown }}</td>
              <td>{{ s.says }}</td>
            </tr>
          </tbody>
        </table></WideBox
      >
    </template>
    <HowCome :steps="target.working" :step="how.step" :title="how.title" @close="how.step = null" />
  </section>
</template>

<style scoped>
.ends {
  border-top: 1px solid var(--line);
  margin-top: 12px;
  padding-top: 12px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
}
.says {
  font: 600 1.375rem/1.25 var(--face-label);
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
.cliffs {
  margin: 0;
  padding-left: 22px;
  display: grid;
  gap: 4px;
}
.how {
  min-height: 44px;
  padding: 0 8px;
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 4px;
}
.warm {
  color: var(--warm);
}
td.figure {
  white-space: nowrap;
}
</style>
