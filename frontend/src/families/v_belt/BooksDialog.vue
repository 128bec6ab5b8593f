<script setup lang="ts">
import { ref, watch } from 'vue'

import { calculate } from '@/api/calc'
import type { DriveInput, Options, Problem } from '@/api/types'
import { faultText } from '@/shared/format/faults'
import { useSettings } from '@/shared/state/settings'

import type { BooksAnswer } from './types'

// The same drive by every rating book; they disagree, and the one in use can be changed here.
const open = defineModel<boolean>({ required: true })
const props = defineProps<{ input: DriveInput | null; options: Options }>()
const emit = defineEmits<{ use: [options: Options] }>()
const settings = useSettings()
const told = ref<BooksAnswer>()
const problem = ref<Problem | null>(null)

async function ask() {
  if (!open.value || !props.input) return
  const got = await calculate<BooksAnswer>('v-belt-bases', {
    units: settings.units,
    options: props.options,
    input: props.input,
  })
  problem.value = got.ok ? null : got.problem
  told.value = got.ok ? got.data : undefined
}
watch([open, () => props.input, () => props.options, () => settings.units], ask)
// An estimate is not shown to the hour.
const roughly = (hours: number) => Number(hours.toPrecision(2)).toLocaleString('en-US')
// Light-duty belts have one book only; it is never picked, it is fallen back on.
const canUse = (b: string) => b !== 'light-duty'
</script>

<template>
  <el-dialog v-model="open" title="By every book" width="min(860px, 96vw)" append-to-body>
    <p v-for="e in problem?.errors ?? []" :key="e.path" class="field-fault">{{ faultText(e) }}</p>
    <template v-if="told">
      <p>
        {{ told.result.designation }}, {{ told.result.design_power.shown }} design power. The books disagree by their
        age and caution; each has its own factors, and they are never mixed.
      </p>
      <div class="scroll">
        <table class="lines">
          <thead>
            <tr>
              <th scope="col">Book</th>
              <th scope="col" class="n">One belt carries</th>
              <th scope="col" class="n">Belts</th>
              <th scope="col"></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in told.result.rows" :key="r.basis" :class="{ used: r.used }">
              <td>
                <b>{{ r.title }}</b><br /><span class="dim">{{ r.source }}</span>
              </td>
              <template v-if="r.belt_power && r.belts_exact">
                <td class="n figure">{{ r.belt_power.shown }}</td>
                <td class="n figure">{{ r.belts_exact.number }}</td>
                <td>
                  <span v-if="r.used">in use</span
                  ><el-button v-else-if="canUse(r.basis)" @click="emit('use', { ...options, book: r.basis })"
                    >Use this book</el-button
                  >
                </td>
              </template>
              <td v-else colspan="3" class="dim">{{ r.why }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="told.result.life">
        Life by the textbook, at design power with {{ told.result.belts.number }} belts:
        <strong>{{ told.result.life.bound || 'about' }} {{ roughly(told.result.life.hours.value) }} h</strong>. An
        estimate for a clean, aligned, rightly tensioned drive, from peaks of
        {{ told.result.life.small_peak.shown }} and {{ told.result.life.large_peak.shown }} a belt.
      </p>
      <p v-else class="dim">The textbook has no life figures of this section.</p>
    </template>
  </el-dialog>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
.n {
  text-align: right;
}
.used td {
  border-top: 3px solid var(--ink);
  border-bottom: 3px solid var(--ink);
}
</style>
