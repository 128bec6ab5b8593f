<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import { api, attempt } from '@/api/client'
import { thousands } from '@/shared/format/words'

import { VERDICTS, countOf, type FileLine, type FileState, type Verdict } from '../logic/file'

// Record by record: what becomes of it and why.
const props = defineProps<{ state: FileState }>()
const there = computed(() => VERDICTS.filter((v) => countOf(props.state, v.key) > 0))
const verdict = ref<Verdict>()
const lines = ref<FileLine[]>([])
const more = ref(false)
const fault = ref('')
let asked = 0

async function load(from: number) {
  if (!verdict.value) return
  const mine = ++asked
  const query = { verdict: verdict.value, start: from }
  const got = await attempt(api.GET('/api/files/{ident}/lines', { params: { path: { ident: props.state.id }, query } }))
  if (mine !== asked) return
  fault.value = got.ok ? '' : got.problem.detail || got.problem.title
  if (!got.ok) return
  lines.value = from ? [...lines.value, ...got.data.lines] : got.data.lines
  more.value = got.data.more
}
watch(there, (now) => (verdict.value = now[0]?.key), { immediate: true })
watch(
  verdict,
  () => {
    lines.value = []
    void load(0)
  },
  { immediate: true },
)
</script>

<template>
  <div class="lines-of">
    <div class="segments" role="group" aria-label="Records that are">
      <button
        v-for="v in there"
        :key="v.key"
        type="button"
        :class="{ here: verdict === v.key }"
        :aria-pressed="verdict === v.key"
        @click="verdict = v.key"
      >
        {{ v.mark }} {{ v.word }}
      </button>
    </div>
    <p v-if="fault" class="field-fault" role="alert">{{ fault }}</p>
    <ol>
      <li v-for="x in lines" :key="x.no">
        <span class="figure no">{{ thousands(x.no) }}</span>
        <span>
          {{ x.words }}
          <template v-if="x.reason">
            <span :class="x.verdict === 'refused' ? 'hot' : 'dim'">{{ x.reason }}</span>
            <span v-if="x.allowed" class="dim">· allowed: {{ x.allowed }}</span>
          </template>
        </span>
      </li>
    </ol>
    <button v-if="more" type="button" class="way" @click="load(lines.length)">Show more</button>
  </div>
</template>

<style scoped>
.lines-of {
  display: grid;
  gap: 8px;
  justify-items: start;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  width: 100%;
  max-height: 60vh;
  overflow-y: auto;
}
li {
  display: grid;
  grid-template-columns: 76px 1fr;
  gap: 10px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
  overflow-wrap: anywhere;
}
.no {
  text-align: right;
  color: var(--dim);
}
.hot {
  color: var(--hot);
  font-weight: 600;
}
</style>
