<script setup lang="ts">
import { computed, ref } from 'vue'

import { api, attempt } from '@/api/client'
import { counted } from '@/shared/format/words'
import { faultText } from '@/shared/format/faults'
import { save } from '@/shared/state/outbox'
import { useSettings } from '@/shared/state/settings'

import FoundLines from './FoundLines.vue'
import FoundPicture from './FoundPicture.vue'
import { countOf, sendFile, sizeWords, type FileState } from '../logic/file'
import { useWatched } from '../logic/watched'

// A file comes in: sent, looked through, and taken whole or not at all.
const settings = useSettings()
const { state, problem, watch: follow, forget } = useWatched()
const picker = ref<HTMLInputElement>()
const file = ref<File>()
const sent = ref(0)
const says = computed(() => {
  const s = state.value
  if (!s) return ''
  if (s.doing === 'coming') return `Sending, ${Math.round(sent.value * 100)} %`
  if (s.doing === 'looking') return `Looking through it, ${s.percent} %`
  if (s.doing === 'taking') return `Taking it in, ${s.percent} %`
  return ''
})
const fresh = computed(() => (state.value ? countOf(state.value, 'added') + countOf(state.value, 'changed') : 0))

async function take(event: Event) {
  const chosen = (event.target as HTMLInputElement).files?.[0]
  if (!chosen) return
  file.value = chosen
  await send()
}
async function send() {
  if (!file.value) return
  forget()
  sent.value = 0
  const body = { name: file.value.name.slice(0, 80) || 'file', bytes: file.value.size }
  const made = await attempt(api.POST('/api/files/in', { body }))
  problem.value = made.ok ? null : made.problem
  if (!made.ok) return
  state.value = made.data
  const got = await sendFile(file.value, made.data, (share) => (sent.value = share))
  if (got.ok) await look(made.data.id)
  else problem.value = got.problem
}
async function look(ident: string) {
  const got = await attempt(api.POST('/api/files/{ident}/look', { params: { path: { ident } }, body: {} }))
  problem.value = got.ok ? null : got.problem
  if (got.ok) follow(got.data)
}
async function bring() {
  if (!state.value) return
  const body = { created_by_name: settings.name }
  const got = await save<FileState>('POST', `/api/files/${state.value.id}/take`, body, 'a record file')
  problem.value = got.ok ? null : got.problem
  if (got.ok) follow(got.data)
}
function another() {
  file.value = undefined
  forget()
  picker.value?.click()
}
</script>

<template>
  <section class="sheet card" aria-labelledby="in-title">
    <h2 id="in-title">In</h2>
    <p v-if="!state" class="dim">
      A record file is looked through first: what it would add and change, line by line. Then it is taken whole, or not
      at all.
    </p>
    <input
      ref="picker"
      type="file"
      accept=".json,application/json"
      class="visually-hidden"
      aria-label="Record file"
      tabindex="-1"
      @change="take"
      @click="($event.target as HTMLInputElement).value = ''"
    />
    <div class="act">
      <button v-if="!file" type="button" class="way filled" @click="picker?.click()">Choose a file…</button>
      <p v-else>
        <b>{{ file.name }}</b> <span class="dim">{{ sizeWords(file.size) }}</span>
      </p>
      <span v-if="says" role="status" class="figure">{{ says }}</span>
    </div>
    <p v-if="problem" class="field-fault" role="alert">
      {{ problem.errors[0] ? faultText(problem.errors[0]) : problem.detail || problem.title }}
      <button v-if="file" type="button" class="way" @click="send">Send it again</button>
    </p>
    <template v-if="state?.doing === 'unreadable' || state?.doing === 'broken'">
      <p class="field-fault" role="alert">
        <span aria-hidden="true">■</span>
        {{ state.doing === 'broken' ? 'It was broken off; nothing was changed' : state.why }}.
        <template v-if="state.allowed">Wanted: {{ state.allowed }}.</template>
      </p>
      <button type="button" class="way" @click="another">Another file</button>
    </template>
    <template v-if="state && ['looked', 'taking', 'taken'].includes(state.doing)">
      <p v-if="state.refused" class="hot" role="alert">
        <span aria-hidden="true">■</span> {{ counted(state.refused, 'record') }} cannot be: nothing of this file is
        taken.
      </p>
      <p v-else-if="state.doing === 'looked' && !fresh"><span aria-hidden="true">●</span> All of it is here already.</p>
      <p v-else-if="state.doing === 'taken'" role="status">
        <span aria-hidden="true">●</span> Taken in: <b class="figure">{{ counted(fresh, 'record') }}</b>.
        <router-link to="/machines">To the machines</router-link>
      </p>
      <div class="act">
        <button
          v-if="state.doing === 'looked' && !state.refused && fresh"
          type="button"
          class="way filled"
          @click="bring"
        >
          Take {{ counted(fresh, 'record') }} in
        </button>
        <button v-if="state.doing !== 'taking'" type="button" class="way" @click="another">Another file</button>
      </div>
      <FoundPicture :state="state" />
      <FoundLines :state="state" />
    </template>
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
.act .way.filled {
  min-height: 60px;
}
.hot {
  color: var(--hot);
  font-weight: 600;
}
</style>
