<script setup lang="ts">
import { ref } from 'vue'

import { api, attempt } from '@/api/client'
import type { Basis, Problem, SelectInput, WhyNotAnswer } from '@/api/types'
import ChoiceField from '@/shared/ui/ChoiceField.vue'
import FaultList from '@/shared/ui/FaultList.vue'
import QuantityField from '@/shared/ui/QuantityField.vue'
import WordField from '@/shared/ui/WordField.vue'
import { faultAt, otherFaults } from '@/shared/format/faults'
import { useSettings } from '@/shared/state/settings'

import { grooves } from '../logic/fixed'

// Somebody has a drive in mind that is not in the list: it is held against the same limits.
const props = defineProps<{ search: SelectInput; basis: Basis }>()
const settings = useSettings()
const f = ref({ driver: '', driven: '', groove: 'B', belt: '' })
const told = ref<WhyNotAnswer>()
const problem = ref<Problem | null>(null)
const choices = grooves.map((key) => ({ key, name: key, group: '' }))

async function ask() {
  const wheel = (diameter: string) => ({ diameter, kind: 'outside' as const, groove: f.value.groove as 'B' })
  const input = {
    ...props.search,
    this: { driver: wheel(f.value.driver), driven: wheel(f.value.driven), belt: f.value.belt },
  }
  const got = await attempt(
    api.POST('/api/calc/v-belt-why-not', { body: { units: settings.units, basis: props.basis, input } }),
  )
  problem.value = got.ok ? null : got.problem
  told.value = got.ok ? got.data : undefined
}
</script>

<template>
  <section class="sheet why">
    <h3>Why not this one?</h3>
    <form class="form" @submit.prevent="ask">
      <div class="fields">
        <QuantityField
          v-model="f.driver"
          label="Driver in mind, outside"
          fractions
          :fault="faultAt(problem, 'input.this.driver')"
        />
        <QuantityField
          v-model="f.driven"
          label="Driven in mind, outside"
          fractions
          :fault="faultAt(problem, 'input.this.driven')"
        />
        <ChoiceField v-model="f.groove" label="Their groove" :choices="choices" />
        <WordField v-model="f.belt" label="Belt in mind, such as B90" :fault="faultAt(problem, 'input.this.belt')" />
      </div>
      <FaultList :faults="otherFaults(problem, ['input.this.driver', 'input.this.driven', 'input.this.belt'])" />
      <div class="row"><el-button native-type="submit">Hold it against the limits</el-button></div>
    </form>
    <div v-if="told" role="status">
      <p v-if="told.result.fits">
        <strong>{{ told.result.name }}</strong> would do: place {{ told.result.place }} of
        {{ told.result.accepted.toLocaleString('en-US') }}.
        <template v-if="told.result.place > 1">What holds it back most: {{ told.result.heaviest }}.</template>
      </p>
      <p v-else>
        <strong>{{ told.result.name }}</strong> falls out:
      </p>
      <ul class="limits">
        <li v-for="l in told.result.lines" :key="l.limit" :class="{ fails: !l.passes }">
          <b>{{ l.passes ? 'meets' : 'misses' }}</b> {{ l.limit }}<span v-if="l.says" class="dim">: {{ l.says }}</span>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.why {
  padding: 10px 14px 14px;
  display: grid;
  gap: 10px;
}
.form {
  display: grid;
  gap: 10px;
}
.limits {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  display: grid;
  gap: 4px;
}
.fails b {
  color: var(--hot);
}
</style>
