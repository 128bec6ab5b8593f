<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'

import { api, attempt } from '@/api/client'
import type { Machine, Problem, TemplateHead } from '@/api/types'
import { faultAt, faultText, otherFaults } from '@/shared/format/faults'
import { newId, useKept } from '@/shared/state/kept'
import { save } from '@/shared/state/outbox'
import { useSettings } from '@/shared/state/settings'
import FaultList from '@/shared/ui/FaultList.vue'

// Something to do at a machine, as a sentence with blanks: at what, what, by when, how often.
const emit = defineEmits<{ planned: [] }>()
const settings = useSettings()
const machines = ref<Machine[]>([])
const templates = ref<TemplateHead[]>([])
const problem = ref<Problem | null>(null)
const busy = ref(false)
const fault = computed(() => {
  const f = faultAt(problem.value, 'by_date')
  return f ? faultText(f) : ''
})
const fresh = () => ({ id: newId(), machine: '', drive: '', template: '', title: '', by: '', every: '' })
const { value: form, forget } = useKept('due.new', fresh)
const drives = computed(() => machines.value.find((m) => m.id === form.value.machine)?.drives ?? [])
onMounted(async () => {
  const [a, b] = await Promise.all([attempt(api.GET('/api/machines')), attempt(api.GET('/api/templates'))])
  if (a.ok) machines.value = a.data.machines
  if (b.ok) templates.value = b.data.templates.filter((t) => ['inspect', 'lubricate', 'retension'].includes(t.kind))
})
watch(
  () => form.value.template,
  (key) => {
    const t = templates.value.find((x) => x.key === key)
    if (t) form.value.title = t.title
    const often = { 'round-weekly': '7', 'round-monthly': '30', 'round-quarterly': '91', 'round-yearly': '365' }
    if (key in often) form.value.every = often[key as keyof typeof often]
  },
)
async function plan() {
  busy.value = true
  const f = form.value
  const body = {
    id: f.id,
    machine_id: f.machine,
    drive_id: f.drive || null,
    title: f.title,
    template: f.template,
    by_date: f.by ? new Date(`${f.by}T08:00`).toISOString() : null,
    every_days: f.every ? Number(f.every) : null,
    created_by_name: settings.name,
  }
  const got = await save('POST', '/api/dues', body, f.title)
  busy.value = false
  problem.value = got.ok ? null : got.problem
  if (got.ok) {
    forget()
    form.value = fresh()
    emit('planned')
  }
}
</script>

<template>
  <form class="sheet plan" @submit.prevent="plan">
    <h2>Put something on the round</h2>
    <p class="sentence">
      <label
        >At
        <select v-model="form.machine" class="blank" aria-label="Machine" required @change="form.drive = ''">
          <option value="" disabled>which machine</option>
          <option v-for="m in machines" :key="m.id" :value="m.id">{{ m.name }} {{ m.tag }}</option>
        </select></label
      >
      <label
        >its
        <select v-model="form.drive" class="blank" aria-label="Drive">
          <option value="">machine as a whole</option>
          <option v-for="d in drives" :key="d.id" :value="d.id">{{ d.name }}</option>
        </select></label
      >
      <label
        >do
        <select v-model="form.template" class="blank" aria-label="What to do">
          <option value="">what I write</option>
          <option v-for="t in templates" :key="t.key" :value="t.key">{{ t.title }}</option>
        </select></label
      >
      <label class="wide">in words <input v-model="form.title" class="blank" maxlength="80" required /></label>
      <label>by <input v-model="form.by" class="blank" type="date" /></label>
      <label
        >and again
        <select v-model="form.every" class="blank" aria-label="How often">
          <option value="">never</option>
          <option value="1">every day</option>
          <option value="7">every week</option>
          <option value="30">every month</option>
          <option value="91">every quarter</option>
          <option value="365">every year</option>
        </select></label
      >
    </p>
    <p v-if="fault" class="field-fault" role="alert">{{ fault }}</p>
    <FaultList :faults="otherFaults(problem, ['by_date'])" />
    <div class="row">
      <button type="submit" class="key main" :disabled="busy || !form.machine || !form.title.trim()">
        Put it on the round
      </button>
    </div>
  </form>
</template>

<style scoped>
.plan {
  padding: 14px 16px;
  display: grid;
  gap: 10px;
}
.sentence {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 16px;
  align-items: end;
}
label {
  display: grid;
  font-size: 0.9375rem;
  color: var(--dim);
}
.wide {
  flex: 1;
  min-width: 220px;
}
</style>
