<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import type { Drive, Problem } from '@/api/types'
import DutyFieldset from '@/forms/DutyFieldset.vue'
import { carryDuty, dutyBody, emptyDuty, fieldsOf } from '@/forms/duty'
import FaultList from '@/shared/ui/FaultList.vue'
import SettleBoth from '@/shared/ui/SettleBoth.vue'
import WordField from '@/shared/ui/WordField.vue'
import { otherFaults } from '@/shared/format/faults'
import { useKept } from '@/shared/state/kept'
import { useLater } from '@/shared/state/later'
import { save } from '@/shared/state/outbox'
import { useSettings } from '@/shared/state/settings'

const props = defineProps<{
  drive: Drive
  // A save outlives the stage that sent it: who turns to another one at once hears of it all the same, which an event
  // of what has gone would not bring about.
  onSaved: (drive: Drive) => void
}>()
const emit = defineEmits<{ again: [] }>()
const settings = useSettings()
const fresh = () => ({
  rev: props.drive.duty?.rev ?? 0,
  ...(props.drive.duty ? fieldsOf(props.drive.duty) : emptyDuty()),
})
const { value: fields, forget } = useKept(`duty.${props.drive.id}`, fresh, carryDuty)
const problem = ref<Problem | null>(null)
const busy = ref(false)
const done = ref(false)
const body = computed(() => dutyBody(fields.value, settings.units, fields.value.rev, settings.name))

async function submit(what: Record<string, unknown> = body.value) {
  busy.value = true
  done.value = false
  const got = await save<Drive>('PUT', `/api/drives/${props.drive.id}/duty`, what, `the duty of ${props.drive.name}`)
  busy.value = false
  if (!got.ok) {
    problem.value = got.problem
    return
  }
  problem.value = null
  done.value = true
  forget()
  props.onSaved(got.data)
}
function keepTheirs() {
  problem.value = null
  forget()
  emit('again')
}
useLater(problem, keepTheirs)
// Another version came in: what stands here unchanged follows it.
watch(
  () => props.drive.duty?.rev,
  () => forget(),
)
watch(body, () => (done.value = false), { deep: true })
</script>

<template>
  <form class="stage" @submit.prevent="submit()">
    <DutyFieldset v-model="fields" :problem="problem" />
    <WordField v-model="fields.surroundings" label="Surroundings: wet, hot, dusty, oily" />
    <SettleBoth
      v-if="problem?.type === 'tuyere:stale'"
      :problem="problem"
      what="this duty"
      :yours="body"
      @save="submit"
      @theirs="keepTheirs"
    />
    <FaultList
      v-else
      :faults="
        otherFaults(problem, [
          'power',
          'driver_speed',
          'driven_speed',
          'tolerance',
          'centre',
          'centre_give',
          'service_factor',
        ])
      "
    />
    <div class="row">
      <el-button type="primary" native-type="submit" :loading="busy">Save the duty</el-button>
      <span v-if="done" class="dim" role="status">Saved.</span>
    </div>
  </form>
</template>

<style scoped>
.stage {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
</style>
