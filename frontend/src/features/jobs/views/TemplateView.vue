<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'

import { api, attempt } from '@/api/client'
import type { Problem, TemplateText } from '@/api/types'
import { faultText } from '@/shared/format/faults'
import { useKept } from '@/shared/state/kept'
import { useLater } from '@/shared/state/later'
import { save } from '@/shared/state/outbox'
import { setPlace } from '@/shared/state/place'
import { useSettings } from '@/shared/state/settings'
import { stepWords } from '../logic/words'

// A template as the person at the machine reads it, and its text beside it; every change is looked through at once.
const props = defineProps<{ id: string }>()
const settings = useSettings()
const kept = ref<TemplateText>()
const read = ref<TemplateText>()
const problem = ref<Problem | null>(null)
const fault = ref('')
const done = ref('')
const busy = ref(false)
const sure = ref(false)
const { value: draft, forget } = useKept(`template.${props.id}`, () => ({ text: '', rev: -1 }))
const changed = computed(() => Boolean(kept.value) && draft.value.text !== kept.value?.text)
const stale = computed(() => changed.value && kept.value !== undefined && draft.value.rev !== kept.value.rev)

function shows(got: TemplateText) {
  kept.value = read.value = got
  setPlace(got.title)
}
async function open() {
  const got = await attempt(api.GET('/api/templates/{key}', { params: { path: { key: props.id } } }))
  if (!got.ok) {
    problem.value = got.problem
    return
  }
  shows(got.data)
  // What was typed and not kept is still there.
  if (!draft.value.text) draft.value = { text: got.data.text, rev: got.data.rev }
}
onMounted(open)
useLater(problem, () => void open())
let soon: ReturnType<typeof setTimeout> | undefined
/** The text is looked through once the typing rests. */
function look(text: string) {
  clearTimeout(soon)
  soon = setTimeout(async () => {
    const got = await attempt(api.POST('/api/templates/check', { body: { text } }))
    if (text !== draft.value.text) return
    if (got.ok) {
      read.value = got.data
      fault.value = got.data.key === props.id ? '' : `the key inside is another one (${props.id})`
    } else fault.value = got.problem.errors[0] ? faultText(got.problem.errors[0]) : got.problem.title
  }, 350)
}
onBeforeUnmount(() => clearTimeout(soon))
watch(
  () => draft.value.text,
  (text) => {
    if (text !== kept.value?.text) done.value = ''
    if (text && text !== kept.value?.text) look(text)
    else if (kept.value) {
      read.value = kept.value
      fault.value = ''
    }
  },
)
async function keep(rev: number) {
  busy.value = true
  const got = await save<TemplateText>(
    'PUT',
    `/api/templates/${props.id}`,
    { created_by_name: settings.name, rev, text: draft.value.text },
    `how “${kept.value?.title ?? props.id}” is done`,
  )
  busy.value = false
  problem.value = got.ok ? null : got.problem
  if (!got.ok) {
    const current = got.problem.current as TemplateText | undefined
    if (current) kept.value = current
    return
  }
  forget()
  draft.value = { text: got.data.text, rev: got.data.rev }
  shows(got.data)
  done.value = 'Kept. The next job of this kind goes by it.'
}
async function back() {
  if (!kept.value) return
  busy.value = true
  const got = await save<TemplateText>(
    'POST',
    `/api/templates/${props.id}/shipped`,
    { created_by_name: settings.name, rev: kept.value.rev },
    `the shipped “${kept.value.title}”`,
  )
  busy.value = false
  sure.value = false
  problem.value = got.ok ? null : got.problem
  if (!got.ok) return
  forget()
  draft.value = { text: got.data.text, rev: got.data.rev }
  shows(got.data)
  done.value = 'The shipped one serves again.'
}
const marks: Record<string, string> = {
  isolate: '■',
  prove: '■',
  do: '–',
  read: '▸',
  decide: '?',
  sign: '✓',
  restore: '■',
}
const blocks = computed(() => {
  const out: { title: string; steps: TemplateText['steps'] }[] = []
  for (const s of read.value?.steps ?? []) {
    if (out.at(-1)?.title !== s.block) out.push({ title: s.block, steps: [] })
    out.at(-1)?.steps.push(s)
  }
  return out
})
</script>

<template>
  <main class="page">
    <p><router-link to="/jobs/templates" class="up">‹ How jobs are done here</router-link></p>
    <h1>{{ read?.title ?? 'A job' }}</h1>
    <p v-if="kept" class="dim">
      {{ kept.own ? 'This shop’s own copy.' : 'As it is shipped.' }} Steps keep their order of safety: no hand goes in
      before the machine is signed safe, no power before the guard.
    </p>
    <p v-if="problem" class="field-fault" role="alert">{{ problem.detail || problem.title }}</p>
    <div v-if="kept" class="two">
      <section class="sheet steps" aria-label="As it is read at the machine">
        <template v-for="b in blocks" :key="b.title">
          <h2>{{ b.title }}</h2>
          <ol>
            <li v-for="s in b.steps" :key="s.key">
              <span class="mark figure" aria-hidden="true">{{ marks[s.kind] ?? '–' }}</span>
              <div>
                <p class="words">{{ stepWords(s.words) }}</p>
                <p class="dim">{{ stepWords(s.why) }}</p>
                <p v-if="s.caution" class="care">▲ {{ stepWords(s.caution) }}</p>
                <p v-if="s.only" class="dim only">{{ s.only }}</p>
              </div>
            </li>
          </ol>
        </template>
      </section>
      <section class="sheet text">
        <label for="template-text">Its text</label>
        <textarea
          id="template-text"
          v-model="draft.text"
          spellcheck="false"
          rows="28"
          maxlength="60000"
          :aria-invalid="Boolean(fault)"
          aria-describedby="template-fault"
        ></textarea>
        <p id="template-fault" class="field-fault" role="alert">{{ fault }}</p>
        <p v-if="stale" class="care">Somebody else has kept another version since this was begun.</p>
        <p v-if="done" role="status">{{ done }}</p>
        <div class="row">
          <button
            type="button"
            class="key main"
            :disabled="!changed || Boolean(fault) || busy || !settings.name"
            @click="keep(stale ? kept.rev : draft.rev)"
          >
            {{ stale ? 'Keep mine instead' : 'Keep it' }}<small v-if="!settings.name">say your name first</small>
          </button>
          <button v-if="changed" type="button" class="key" @click="draft = { text: kept.text, rev: kept.rev }">
            Undo my changes
          </button>
          <button v-if="kept.own && !sure" type="button" class="key" :disabled="busy" @click="sure = true">
            Put the shipped one back
          </button>
          <button v-if="sure" type="button" class="key" :disabled="busy" @click="back">
            Yes, put it back<small>this copy is laid aside</small>
          </button>
        </div>
      </section>
    </div>
  </main>
</template>

<style scoped>
.up {
  display: inline-grid;
  align-items: center;
  min-height: 44px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  align-items: start;
}
section {
  padding: 12px 16px;
}
.steps h2 {
  margin-top: 12px;
}
.steps ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
.steps li {
  display: grid;
  grid-template-columns: 28px 1fr;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
.steps p {
  margin: 0;
}
.words {
  font-weight: 600;
}
.only {
  font-style: italic;
}
.care {
  color: var(--warm);
  font-weight: 600;
}
.text {
  position: sticky;
  top: 8px;
  display: grid;
  gap: 8px;
}
textarea {
  width: 100%;
  max-height: 60vh;
  font: 500 0.875rem/1.5 var(--face-figure);
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--dim);
  padding: 8px;
  white-space: pre-wrap;
  overflow: auto;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
  .text {
    position: static;
    order: -1;
  }
}
</style>
