<script setup lang="ts">
import { computed, reactive } from 'vue'

import type { Problem } from '@/api/types'
import WordField from '@/shared/ui/WordField.vue'
import { faultAt, faultText } from '@/shared/format/faults'

// What a save asks about temporary drives: why and until when, or how the temporary one ended.
const props = defineProps<{ problem: Problem }>()
const emit = defineEmits<{ save: [more: Record<string, unknown>] }>()
const said = reactive({ reason: '', promised: '', ended: '' })
const ends = computed(() => faultAt(props.problem, 'temporary_ended'))
const why = computed(() => faultAt(props.problem, 'temporary', 'temporary_reason', 'promised_date'))
const emitSave = () =>
  emit(
    'save',
    ends.value
      ? { temporary_ended: said.ended }
      : { temporary: true, temporary_reason: said.reason, promised_date: said.promised || undefined },
  )
</script>

<template>
  <form v-if="ends || why" class="mark" @submit.prevent="emitSave">
    <p v-if="why">{{ faultText(why) }}</p>
    <WordField v-if="ends" v-model="said.ended" label="How the temporary one ended" :fault="ends" />
    <template v-else>
      <WordField
        v-model="said.reason"
        label="Why, and what will put it right"
        :fault="faultAt(problem, 'temporary_reason')"
      />
      <label class="date"><span class="label">Promised for</span><input v-model="said.promised" type="date" /></label>
    </template>
    <el-button type="primary" native-type="submit">Save it so</el-button>
  </form>
</template>

<style scoped>
.mark {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: end;
  width: 100%;
}
.date {
  display: grid;
  gap: 3px;
}
input {
  height: 46px;
  border: 1px solid var(--dim);
  background: var(--sheet);
  color: var(--ink);
  font: 1.125rem var(--face-figure);
}
</style>
