<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'

import { api, attempt } from '@/api/client'
import type { components } from '@/api/schema'
import type { MeterView, Problem } from '@/api/types'
import TypedBlank from '@/forms/TypedBlank.vue'
import { faultAt, faultText, otherFaults } from '@/shared/format/faults'
import { shortDate, thousands } from '@/shared/format/words'
import { newId } from '@/shared/state/kept'
import { save } from '@/shared/state/outbox'
import { useSettings } from '@/shared/state/settings'
import FaultList from '@/shared/ui/FaultList.vue'

import HourMeter from './HourMeter.vue'

// The machine's running hours: its meter with what was last read, the hours a day that two readings say, and what is due
// next by hours. What it shows now is one blank in a sentence.
const props = defineProps<{ machine: string; dues?: readonly components['schemas']['DueLine'][] }>()
const emit = defineEmits<{ kept: [] }>()
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
    emit('kept')
  }
}
// The next of what is due by the meter, and how far it is.
const next = computed(() => {
  const at = meter.value?.hours
  if (at === null || at === undefined) return null
  const by = (props.dues ?? [])
    .filter((d) => d.by_hours !== null)
    .sort((a, b) => (a.by_hours ?? 0) - (b.by_hours ?? 0))[0]
  return by ? { title: by.title, at: by.by_hours ?? 0, left: (by.by_hours ?? 0) - at } : null
})
</script>

<template>
  <section class="sheet meter" aria-labelledby="meter-title">
    <h2 id="meter-title">Running hours</h2>
    <HourMeter :hours="meter?.hours ?? null" />
    <p v-if="meter?.at">
      Read on {{ shortDate(meter.at)
      }}<template v-if="meter.per_day !== null"
        >: about <b class="figure">{{ meter.per_day.toFixed(1) }}</b> hours a day.</template
      ><template v-else>; one more reading on another day gives the hours a day.</template>
    </p>
    <p v-else class="dim">Nobody has read it yet. With it, what is due by hours gets a date.</p>
    <p v-if="next">
      {{ next.title }} at <b class="figure">{{ thousands(next.at) }}</b> h:
      <b class="figure" :class="{ late: next.left < 0 }">{{ thousands(Math.abs(next.left)) }}</b> h
      {{ next.left < 0 ? 'over it' : 'to go' }}.
    </p>
    <form class="sentence" @submit.prevent="keep(false)">
      <span
        >Now it shows <TypedBlank v-model="typed" says="The meter shows, hours" unit="h" :bad="Boolean(fault)"
      /></span>
      <button type="submit" class="way" :disabled="busy || !typed.trim()">Keep it</button>
      <button v-if="backwards" type="button" class="way" :disabled="busy" @click="keep(true)">
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
  align-content: start;
}
.figure {
  font-size: 1.1875rem;
}
.late {
  color: var(--hot);
}
.sentence {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  font-size: 1.125rem;
}
</style>
