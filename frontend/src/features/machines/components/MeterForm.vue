<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'

import { api, attempt } from '@/api/client'
import type { MeterView, Problem } from '@/api/types'
import { faultAt, faultText, otherFaults } from '@/shared/format/faults'
import { shortDate, thousands } from '@/shared/format/words'
import { newId } from '@/shared/state/kept'
import { save } from '@/shared/state/outbox'
import { useSettings } from '@/shared/state/settings'
import FaultList from '@/shared/ui/FaultList.vue'

// The machine's running hours: what the meter shows now; from two readings the hours a day, and dates for what is due by hours.
const props = defineProps<{ machine: string }>()
const settings = useSettings()
const meter = ref<MeterView>()
const typed = ref('')
const problem = ref<Problem | null>(null)
const busy = ref(false)
onMounted(async () => {
  const got = await attempt(api.GET('/api/machines/{ident}/meter', { params: { path: { ident: props.machine } } }))
  if (got.ok) meter.value = got.data
})
const fault = computed(() => {
  const f = faultAt(problem.value, 'hours')
  return f ? faultText(f) : ''
})
const backwards = computed(() => fault.value.includes('backwards'))
async function keep(reset: boolean) {
  const hours = Number(typed.value.replace(/[\s,]/g, ''))
  if (!typed.value.trim() || !Number.isFinite(hours)) {
    problem.value = {
      type: '',
      title: '',
      status: 422,
      detail: '',
      errors: [{ path: 'hours', reason: 'a number of hours, as the meter shows it', allowed: '' }],
    }
    return
  }
  busy.value = true
  const body = { id: newId(), at: new Date().toISOString(), hours, reset, created_by_name: settings.name }
  const got = await save<MeterView>('POST', `/api/machines/${props.machine}/meter`, body, 'a meter reading')
  busy.value = false
  problem.value = got.ok ? null : got.problem
  if (got.ok) {
    meter.value = got.data
    typed.value = ''
  }
}
</script>

<template>
  <section class="sheet meter">
    <h2>Running hours</h2>
    <p v-if="meter?.at">
      <b class="figure big">{{ thousands(meter.hours ?? 0) }}</b> h on
      {{ shortDate(meter.at) }}
      <span v-if="meter.per_day !== null" class="dim">
        · about <span class="figure">{{ meter.per_day.toFixed(1) }}</span> h a day</span
      >
      <span v-else class="dim"> · one more reading on another day gives the hours a day</span>
    </p>
    <p v-else class="dim">Nobody has read its meter yet. With it, what is due by hours gets a date.</p>
    <form class="row" @submit.prevent="keep(false)">
      <label
        >The meter shows, h
        <input v-model="typed" inputmode="decimal" maxlength="12" :aria-invalid="Boolean(problem)" />
      </label>
      <button type="submit" class="key" :disabled="busy || !typed.trim()">Keep it</button>
      <button v-if="backwards" type="button" class="key" :disabled="busy" @click="keep(true)">
        It was set back or changed
      </button>
    </form>
    <p v-if="fault" class="field-fault" role="alert">{{ fault }}</p>
    <FaultList :faults="otherFaults(problem, ['hours'])" />
  </section>
</template>

<style scoped>
.meter {
  padding: 14px 16px;
  display: grid;
  gap: 8px;
}
.big {
  font-size: 1.625rem;
}
label {
  display: grid;
  font-size: 0.9375rem;
  color: var(--dim);
}
input {
  min-height: 48px;
  width: 170px;
  font: 600 1.1875rem var(--face-figure);
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--dim);
  padding: 0 10px;
}
.key {
  min-height: 48px;
  align-self: end;
}
</style>
