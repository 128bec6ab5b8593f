<script setup lang="ts">
import { ref, watch } from 'vue'

import type { Problem } from '@/api/types'
import { faultText } from '@/shared/format/faults'
import { settled } from '@/shared/format/settle'

// Two people changed one thing: both versions side by side, field by field, and either may be taken for each.
const props = defineProps<{ problem: Problem; what: string; yours: Record<string, unknown> }>()
const emit = defineEmits<{ save: [body: Record<string, unknown>]; theirs: [] }>()
const picked = ref<number[]>([])
watch(
  () => props.problem,
  (p) => (picked.value = (p.differences ?? []).map(() => 0)),
  { immediate: true },
)
function save() {
  emit('save', settled(props.yours, props.problem, picked.value))
}
</script>

<template>
  <section class="stale" role="alert" :aria-label="`Two versions of ${what}`">
    <p>
      <strong>Somebody else saved {{ what }} meanwhile.</strong> Nothing is lost: take yours or theirs, field by field,
      then save.
    </p>
    <table v-if="problem.differences?.length" class="lines">
      <thead>
        <tr>
          <th scope="col">Field</th>
          <th scope="col">Take</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(d, k) in problem.differences" :key="d.path">
          <th scope="row">{{ d.label }}</th>
          <td>
            <label v-for="(c, n) in d.choices" :key="c.word" class="way">
              <input v-model="picked[k]" type="radio" :name="`${what}-${d.path}`" :value="n" />
              <b>{{ c.word }}</b><span>{{ c.shown }}</span>
            </label>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else-if="problem.errors[0]">{{ faultText(problem.errors[0]) }}</p>
    <p v-else>Theirs is of another kind, or it is gone: look at it before you save yours over it.</p>
    <div class="row">
      <el-button type="primary" @click="save">Save what is marked</el-button>
      <el-button @click="emit('theirs')">Keep theirs, drop mine</el-button>
    </div>
  </section>
</template>

<style scoped>
.stale {
  border-left: 6px solid var(--warm);
  background: var(--panel);
  padding: 10px 14px;
  display: grid;
  gap: 10px;
}
.way {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  align-items: center;
  min-height: 44px;
  cursor: pointer;
}
.way input {
  width: 24px;
  height: 24px;
  accent-color: var(--touch);
}
th {
  text-align: left;
}
</style>
