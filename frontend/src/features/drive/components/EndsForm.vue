<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'

import type { CalcLine, Drive, Problem } from '@/api/types'
import SchemaFields from '@/forms/SchemaFields.vue'
import { bodyOf, carryTyped, fieldsOf, typedOf, type Schema } from '@/forms/schema'
import { otherFaults } from '@/shared/format/faults'
import { readCalculation } from '@/shared/state/calculations'
import { useKept } from '@/shared/state/kept'
import { save } from '@/shared/state/outbox'
import { useSettings } from '@/shared/state/settings'
import FaultList from '@/shared/ui/FaultList.vue'

// Start, shafts, hubs, bearings and the maker's number: asked once for a drive, and each says which figure it gives.
const props = defineProps<{
  drive: Drive
  unknown?: { key: string; label: string; missing: string }[]
  /** Heard of after the stage was left too: see the stage of the duty. */
  onSaved: () => void
}>()
const ASKED = ['start', 'motor_power', 'driver_shaft', 'driven_shaft', 'maker']
const settings = useSettings()
const line = ref<CalcLine>()
const fields = computed(() =>
  line.value
    ? fieldsOf(line.value.input_schema as Schema & { $defs?: Record<string, Schema> }).filter((f) =>
        ASKED.includes(f.name),
      )
    : [],
)
const { value: typed, forget } = useKept<Record<string, string | boolean | undefined>>(
  `ends.${props.drive.id}`,
  () => typedOf(props.drive.ends.given),
  (v, from) => carryTyped(fields.value, v, from),
)
const open = ref(false)
const busy = ref(false)
const problem = ref<Problem | null>(null)
/** The server's faults are about what it was asked; the fields stand under the calculation's own names. */
const beside = computed<Problem | null>(() =>
  problem.value
    ? { ...problem.value, errors: problem.value.errors.map((e) => ({ ...e, path: e.path.replace(/^asked/, 'input') })) }
    : null,
)
onMounted(async () => {
  line.value = await readCalculation('tension-target')
})
async function keep() {
  busy.value = true
  // The strand that is pressed is picked elsewhere and stays.
  const { span } = props.drive.ends.given
  const asked = { ...(bodyOf(fields.value, typed.value) ?? {}), ...(span ? { span } : {}) }
  const body = { rev: props.drive.ends.rev, asked, units: settings.units, created_by_name: settings.name }
  const got = await save<Drive>('PUT', `/api/drives/${props.drive.id}/ends`, body, `shafts of ${props.drive.name}`)
  busy.value = false
  problem.value = got.ok ? null : got.problem
  if (got.ok) {
    forget()
    props.onSaved()
  }
}
</script>

<template>
  <details @toggle="open = ($event.target as HTMLDetailsElement).open">
    <summary>Start, shafts, hubs and bearings, the maker's number</summary>
    <ul v-if="unknown?.length" class="dim">
      <li v-for="c in unknown" :key="c.key">{{ c.label }}: say {{ c.missing.replace(/^say /, '') }}</li>
    </ul>
    <p v-else class="dim">
      How it starts gives the tension at which it slips on start; overhang, diameter and steel the bending of the shaft;
      spacing and rating the life of its bearing; what its maker allows the overhung load. The maker's number goes
      before the worked one.
    </p>
    <form v-if="open" class="asks" @submit.prevent="keep">
      <SchemaFields v-model="typed" :fields="fields" :problem="beside" />
      <FaultList
        v-if="problem"
        :faults="
          otherFaults(
            beside,
            fields.map((f) => 'input.' + f.path),
          )
        "
      />
      <el-button type="primary" native-type="submit" :disabled="busy">Keep it with the drive</el-button>
    </form>
  </details>
</template>

<style scoped>
summary {
  min-height: 48px;
  display: flex;
  align-items: center;
  color: var(--touch);
  cursor: pointer;
}
.asks {
  display: grid;
  gap: 12px;
  justify-items: start;
}
.asks > :deep(.fields) {
  width: 100%;
}
</style>
