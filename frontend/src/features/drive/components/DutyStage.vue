<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import type { Drive, Duty, Problem } from '@/api/types'
import DutyFieldset from '@/features/choose/components/DutyFieldset.vue'
import { dutyBody, emptyDuty, fieldsOf } from '@/features/choose/logic/duty'
import FaultList from '@/shared/ui/FaultList.vue'
import WordField from '@/shared/ui/WordField.vue'
import { otherFaults } from '@/shared/format/faults'
import { newId, useKept } from '@/shared/state/kept'
import { save } from '@/shared/state/outbox'
import { useSettings } from '@/shared/state/settings'

const props = defineProps<{ drive: Drive }>()
const emit = defineEmits<{ saved: [drive: Drive] }>()
const settings = useSettings()
const fresh = () => ({ op_id: newId(), rev: props.drive.duty?.rev ?? 0, ...(props.drive.duty ? fieldsOf(props.drive.duty) : emptyDuty()) })
const { value: fields, forget } = useKept(`duty.${props.drive.id}.${settings.units}`, fresh)
const problem = ref<Problem | null>(null)
const busy = ref(false)
const done = ref(false)
const theirs = computed(() => problem.value?.current as unknown as Duty | undefined)

async function submit() {
  busy.value = true
  const f = fields.value
  const got = await save<Drive>('PUT', `/api/drives/${props.drive.id}/duty`, dutyBody(f, settings.units, f.rev, f.op_id, settings.name))
  busy.value = false
  if (!got.ok) {
    problem.value = got.problem
    return
  }
  problem.value = null
  done.value = true
  emit('saved', got.data)
}
function overTheirs() {
  fields.value.rev = theirs.value?.rev ?? 0
  fields.value.op_id = newId()
  void submit()
}
function keepTheirs() {
  problem.value = null
  forget()
  window.location.reload()
}
watch(
  () => props.drive.duty?.rev,
  () => forget(),
)
</script>

<template>
  <form class="stage" @submit.prevent="submit">
    <DutyFieldset v-model="fields" :problem="problem" />
    <WordField v-model="fields.surroundings" label="Surroundings: wet, hot, dusty, oily" />
    <div v-if="problem?.type === 'tuyere:stale'" class="stale" role="alert">
      <p>
        <strong>Somebody else saved this duty meanwhile.</strong> Theirs: {{ theirs?.power.shown }}, {{ theirs?.driver_speed.shown }} to
        {{ theirs?.driven_speed.shown }}. Yours: {{ fields.power }}, {{ fields.driver_speed }} to {{ fields.driven_speed }}. Nothing is lost.
      </p>
      <el-button @click="overTheirs">Save mine over theirs</el-button>
      <el-button @click="keepTheirs">Keep theirs</el-button>
    </div>
    <FaultList v-else :faults="otherFaults(problem, ['power', 'driver_speed', 'driven_speed', 'tolerance', 'centre', 'service_factor'])" />
    <div class="row">
      <el-button type="primary" native-type="submit" :loading="busy">Save the duty</el-button>
      <span v-if="done" class="dim" role="status">Saved.</span>
    </div>
  </form>
</template>

<style scoped>
.stage {
  display: grid;
  gap: 12px;
}
.stale {
  border-left: 5px solid var(--warm);
  background: var(--panel);
  padding: 10px;
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
</style>
