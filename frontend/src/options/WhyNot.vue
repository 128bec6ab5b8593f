<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'

import { calculate } from '@/api/calc'
import type { FamilyLine, Options, Problem, WhyNotAnswer } from '@/api/types'
import { formsOf } from '@/families'
import type { Typed } from '@/families/forms'
import { bodyOf, fieldsOf, type Field, type Schema } from '@/forms/schema'
import SchemaFields from '@/forms/SchemaFields.vue'
import { otherFaults } from '@/shared/format/faults'
import { readCalculation } from '@/shared/state/calculations'
import { carryFields } from '@/shared/state/carried'
import { useSettings } from '@/shared/state/settings'
import FaultList from '@/shared/ui/FaultList.vue'
import { thousands } from '@/shared/format/words'

// Somebody has a drive in mind that is not in the list: it is held against the same limits.
const props = defineProps<{ family: FamilyLine; search: Record<string, unknown>; options: Options }>()
const settings = useSettings()
const mind = formsOf(props.family.key).mind
const typed = ref<Typed>(mind?.empty() ?? {})
// A family without a form of its own is asked as its calculation asks.
const plain = ref<Record<string, string | boolean | undefined>>({})
const fields = ref<Field[]>([])
const told = ref<WhyNotAnswer>()
const problem = ref<Problem | null>(null)
const paths = computed(() => mind?.paths ?? fields.value.map((f) => `input.${f.path}`))

onMounted(async () => {
  if (mind) return
  const line = await readCalculation(props.family.why_not)
  const all = fieldsOf((line?.input_schema ?? {}) as Schema & { $defs?: Record<string, Schema> })
  fields.value = all.flatMap((f) => (f.form === 'group' && f.name === 'this' ? f.fields : []))
})
async function ask() {
  const said = { options: props.options, units: settings.units, ratings: [] }
  const given = mind ? mind.input(typed.value, said) : inner()
  const got = await calculate<WhyNotAnswer>(props.family.why_not, {
    units: settings.units,
    options: props.options,
    input: { ...props.search, this: given },
  })
  problem.value = got.ok ? null : got.problem
  told.value = got.ok ? got.data : undefined
}
const inner = () => bodyOf(fields.value, plain.value) ?? {}
watch(
  () => settings.units,
  (_now, before) => (typed.value = carryFields(typed.value, before, mind?.carried ?? {})),
  { flush: 'sync' },
)
</script>

<template>
  <section class="sheet why">
    <h3>Why not this one?</h3>
    <form class="form" @submit.prevent="ask">
      <component :is="mind.component" v-if="mind" v-model="typed" :problem="problem" />
      <SchemaFields v-else v-model="plain" :fields="fields" :problem="problem" />
      <FaultList :faults="otherFaults(problem, paths)" />
      <div class="row"><el-button native-type="submit">Hold it against the limits</el-button></div>
    </form>
    <div v-if="told" role="status">
      <p v-if="told.result.fits">
        <strong>{{ told.result.name }}</strong> would do: place {{ told.result.place }} of
        {{ thousands(told.result.accepted) }}.
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
