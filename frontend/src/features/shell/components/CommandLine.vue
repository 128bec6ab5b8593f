<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'

import { api, attempt } from '@/api/client'
import type { Destination } from '@/api/types'
import { useSettings } from '@/shared/state/settings'

const router = useRouter()
const settings = useSettings()
const text = ref('')
const box = ref<HTMLInputElement>()
const found = ref<Destination[]>([])
const at = ref(0)
const open = ref(false)
const answered = ref('')
const failed = ref(false)
let asking = false
let entered = false

// One question at a time: who types fast is answered for what stands there when the last answer came, not for every letter.
async function look() {
  if (asking) return
  asking = true
  while (text.value.trim() && answered.value !== text.value) {
    const typed = text.value
    const got = await attempt(api.GET('/api/shorthand', { params: { query: { text: typed, units: settings.units } } }))
    if (typed !== text.value) continue
    found.value = got.ok ? got.data.destinations : []
    failed.value = !got.ok
    at.value = 0
    answered.value = typed
  }
  asking = false
  if (entered) enter()
}
watch(text, (typed) => {
  if (!typed.trim()) {
    found.value = []
    answered.value = ''
    entered = false
    return
  }
  void look()
})

/** Enter goes where the words lead, not where the first half of them led: it waits for their own answer. */
function enter() {
  entered = answered.value !== text.value
  if (!entered) go(found.value[at.value])
}

function go(d: Destination | undefined) {
  if (!d) return
  open.value = false
  text.value = ''
  box.value?.blur()
  const [before = '', hash] = d.to.split('#')
  // What is found by person or day has its own question in the address.
  const [path = '', asks] = before.split('?')
  const given = Object.fromEntries(new URLSearchParams(asks ?? ''))
  void router.push({ path, query: { ...given, ...d.query }, hash: hash ? `#${hash}` : '' })
}
/** Away from it: what was typed goes too, so that the next key begins anew. */
function leave() {
  text.value = ''
  box.value?.blur()
}
const UNASKED = 'It could not be looked up: the server does not answer. What was typed stays.'
// What a screen reader is told while the list fills: how many, or that there is none.
const told = computed(() => {
  if (!open.value || !text.value.trim() || answered.value !== text.value) return ''
  const n = found.value.length
  if (failed.value) return UNASKED
  return n
    ? `${n} ${n === 1 ? 'place' : 'places'} to go. ${found.value[at.value]?.label ?? ''}`
    : 'Nothing holds these words.'
})
function onKey(e: KeyboardEvent) {
  const target = e.target as HTMLElement
  if (e.key === '/' && !/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) {
    e.preventDefault()
    box.value?.focus()
  }
}
onMounted(() => window.addEventListener('keydown', onKey))
onBeforeUnmount(() => window.removeEventListener('keydown', onKey))
</script>

<template>
  <div class="command" role="search">
    <kbd aria-hidden="true">/</kbd>
    <input
      ref="box"
      v-model="text"
      type="text"
      aria-label="Search machines, jobs, people, days, tasks, belt numbers and tables, or type a duty such as 1750 > 640 15hp fan 28in"
      placeholder="for example 15hp fan 28in"
      autocomplete="off"
      spellcheck="false"
      role="combobox"
      aria-autocomplete="list"
      aria-controls="command-found"
      :aria-expanded="open && text !== ''"
      :aria-activedescendant="open && found[at] ? `command-${at}` : undefined"
      @focus="open = true"
      @blur="open = false"
      @keydown.down.prevent="at = Math.min(at + 1, found.length - 1)"
      @keydown.up.prevent="at = Math.max(at - 1, 0)"
      @keydown.enter="enter"
      @keydown.esc="leave"
    />
    <ul v-if="open && text" id="command-found" role="listbox" aria-label="Destinations">
      <li
        v-for="(d, k) in found"
        :id="`command-${k}`"
        :key="d.to + d.label"
        role="option"
        :aria-selected="k === at"
        @mousedown.prevent="go(d)"
      >
        <span>{{ d.label }}</span>
        <span :class="d.hint.includes('not understood') ? 'unread' : 'dim'">{{ d.hint }}</span>
      </li>
      <!-- Nothing is said to be missing before it was looked for, nor where it could not be. -->
      <li v-if="!found.length && answered !== text" role="option" aria-selected="false" class="dim">Looking…</li>
      <li v-else-if="!found.length && failed" role="option" aria-selected="false" class="dim">{{ UNASKED }}</li>
      <li v-else-if="!found.length" role="option" aria-selected="false" class="dim">
        Nothing holds these words: try fewer, or a belt number. A duty reads like: 1750 &gt; 640 15hp fan 28in
      </li>
    </ul>
    <p class="visually-hidden" aria-live="polite">{{ told }}</p>
  </div>
</template>

<style scoped>
.command {
  position: relative;
  flex: 0 1 300px;
  display: flex;
  align-items: center;
  gap: 8px;
  background: var(--sheet);
  border: 1px solid var(--dim);
  padding-left: 9px;
  height: 44px;
}
.command:focus-within {
  outline: 3px solid var(--touch);
}
kbd {
  border: 1px solid var(--dim);
  padding: 0 7px;
  font: 0.9375rem var(--face-figure);
  color: var(--dim);
}
input {
  flex: 1;
  min-width: 0;
  height: 100%;
  border: 0;
  outline: 0;
  background: transparent;
  color: var(--ink);
  font: 1rem var(--face-figure);
}
input::placeholder {
  color: var(--dim);
  font-family: var(--face-text);
  opacity: 1;
}
ul {
  position: absolute;
  z-index: 30;
  right: -1px;
  top: 43px;
  width: max(100%, 420px);
  max-width: 94vw;
  margin: 0;
  padding: 0;
  list-style: none;
  background: var(--sheet);
  border: 1px solid var(--ink);
}
li {
  padding: 11px 12px;
  cursor: pointer;
}
.unread {
  color: var(--warm);
  font-weight: 600;
}
li[aria-selected='true'] {
  background: var(--touch-soft);
}
@media (max-width: 700px) {
  /* A key until it is wanted: the whole line would take a row of the screen for good. */
  .command:not(:focus-within) {
    flex: 0 0 44px;
    padding: 0;
    justify-content: center;
  }
  .command:not(:focus-within) input {
    position: absolute;
    inset: -1px;
    width: 44px;
    height: 44px;
    opacity: 0;
    cursor: pointer;
  }
  .command:focus-within {
    order: 9;
    flex: 1 1 100%;
  }
  ul {
    left: 0;
    right: auto;
  }
}
</style>
