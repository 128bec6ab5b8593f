<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import { api, attempt } from '@/api/client'
import { counted } from '@/shared/format/words'

import { sizeWords } from '../logic/file'
import { useWatched } from '../logic/watched'

// The record as a file: of the shop, or of what the page was asked for.
const props = defineProps<{ machine?: string; drive?: string; what: string }>()
const scope = ref<'shop' | 'one'>(props.machine || props.drive ? 'one' : 'shop')
const { state, problem, watch: follow, forget } = useWatched()
const writing = computed(() => state.value?.doing === 'writing')
watch(scope, forget)

async function write() {
  const body = scope.value === 'shop' ? {} : props.drive ? { drive: props.drive } : { machine: props.machine }
  const got = await attempt(api.POST('/api/files/out', { body }))
  problem.value = got.ok ? null : got.problem
  if (got.ok) follow(got.data)
}
</script>

<template>
  <section class="sheet card" aria-labelledby="out-title">
    <h2 id="out-title">Out</h2>
    <p class="dim">
      Machines, drives, builds, jobs, readings, photos, what is due, the shelf: one file that comes in again, here or in
      another shop.
    </p>
    <div v-if="machine || drive" class="segments" role="group" aria-label="What to write">
      <button type="button" :class="{ here: scope === 'one' }" :aria-pressed="scope === 'one'" @click="scope = 'one'">
        {{ what }} only
      </button>
      <button
        type="button"
        :class="{ here: scope === 'shop' }"
        :aria-pressed="scope === 'shop'"
        @click="scope = 'shop'"
      >
        The whole shop
      </button>
    </div>
    <div class="act">
      <template v-if="state?.doing === 'written'">
        <a class="way filled" :href="`/api/files/${state.id}/record`" download>Save the file</a>
        <span role="status"
          ><b class="figure">{{ counted(state.records, 'record') }}</b
          >, {{ sizeWords(state.bytes) }}</span
        >
      </template>
      <button v-else type="button" class="way" :class="{ filled: !writing }" :disabled="writing" @click="write">
        {{ writing ? `Writing, ${counted(state?.records ?? 0, 'record')}…` : 'Write the record file' }}
      </button>
    </div>
    <p v-if="problem || state?.doing === 'broken' || state?.doing === 'unreadable'" class="field-fault" role="alert">
      {{ problem?.detail || state?.why || 'It was broken off; write it again.' }}
    </p>
    <div class="tables">
      <p class="label">For a spreadsheet, a calendar</p>
      <a class="way" href="/api/readings.csv">Readings</a>
      <a class="way" href="/api/dues.csv">What is due</a>
      <a class="way" href="/api/stock.csv">Shelf</a>
      <a class="way" href="/api/round.ics">Calendar</a>
    </div>
    <p class="dim small">
      The format is described in docs/format; <a href="/api/files/format">its JSON Schema</a>. Tables are safe to open:
      no cell is taken for a formula.
    </p>
  </section>
</template>

<style scoped>
.card {
  padding: 14px 18px;
  display: grid;
  gap: 12px;
  align-content: start;
}
.act {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
.act .way {
  min-height: 60px;
}
.tables {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  border-top: 1px solid var(--line);
  padding-top: 12px;
}
.tables .label {
  flex-basis: 100%;
}
.small {
  font-size: 0.9375rem;
}
</style>
