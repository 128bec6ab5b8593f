<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'

import { api, attempt } from '@/api/client'
import type { Handbook } from '@/api/types'
import { setPlace } from '@/shared/state/place'
import { useSlices } from '@/shared/ui/slices'

import HowSure from '../components/HowSure.vue'
import SetFormula from '../components/SetFormula.vue'
import TableSketch from '../components/TableSketch.vue'

const book = ref<Handbook>()
const route = useRoute()
const open = ref<Record<string, boolean>>({})
const failed = ref('')
const words = ref('')
// What holds the words, the closest first; undefined where nothing is looked for and all of it stands.
const held = ref<{ tables: string[]; formulas: string[] }>()
let asked = 0
/** Frames until a wanted table stands. */
const PATIENCE = 120
// One subject stands open; what is looked for is looked for in all of them.
const subject = ref('')
const counts = computed(() =>
  (book.value?.subjects ?? []).map((name) => ({
    name,
    tables: book.value?.tables.filter((t) => t.subject === name).length ?? 0,
    formulas: book.value?.formulas.filter((f) => f.subject === name).length ?? 0,
  })),
)
const inOrder = <T extends { id: string; subject: string }>(all: T[], ids?: string[]) =>
  ids ? ids.flatMap((id) => all.find((x) => x.id === id) ?? []) : all.filter((x) => x.subject === subject.value)
const tables = computed(() => inOrder(book.value?.tables ?? [], held.value?.tables))
const formulas = computed(() => inOrder(book.value?.formulas ?? [], held.value?.formulas))

// The first of them at once, the rest frame by frame: a subject of eighty does not hold up a touch.
const made = useSlices<{ id: string }>(() => [...tables.value, ...formulas.value], 6)
const standing = computed(() => new Set(made.value))
const standingTables = computed(() => tables.value.filter((t) => standing.value.has(t)))
const standingFormulas = computed(() => formulas.value.filter((f) => standing.value.has(f)))

watch(words, async (typed) => {
  const mine = ++asked
  if (!typed.trim()) return (held.value = undefined)
  const got = await attempt(api.GET('/api/handbook/find', { params: { query: { text: typed } } }))
  if (mine === asked && got.ok) held.value = got.data
})
async function show(wanted: string) {
  const at = [...(book.value?.tables ?? []), ...(book.value?.formulas ?? [])].find((x) => x.id === wanted)
  if (!at) return
  words.value = ''
  held.value = undefined
  subject.value = at.subject
  open.value[wanted] = true
  await nextTick()
  // What stands above it stands before it does.
  for (let frame = 0; frame < PATIENCE && !document.getElementById(wanted); frame++)
    await new Promise((next) => requestAnimationFrame(next))
  document.getElementById(wanted)?.scrollIntoView()
}
watch(
  () => route.hash,
  (hash) => void show(hash.slice(1)),
)
onMounted(async () => {
  setPlace('Handbook')
  const got = await attempt(api.GET('/api/handbook'))
  if (!got.ok) {
    failed.value = got.problem.detail || got.problem.title
    return
  }
  book.value = got.data
  subject.value = got.data.subjects[0] ?? ''
  await show(route.hash.slice(1))
})
</script>

<template>
  <main class="page">
    <h1>Handbook</h1>
    <p class="lead">
      Every table and formula the figures rest on, with its source. Rows marked “from memory” were recalled, not read
      off the print: check them against your own copy before you stake a machine on them.
    </p>
    <p v-if="failed">{{ failed }}</p>
    <p v-else-if="!book" class="dim">Opening the handbook…</p>
    <div v-else class="parts">
      <nav class="index" aria-label="Subjects">
        <button
          v-for="c in counts"
          :key="c.name"
          type="button"
          class="plain"
          :aria-current="!held && c.name === subject ? 'true' : undefined"
          @click="((words = ''), (held = undefined), (subject = c.name))"
        >
          {{ c.name }} <span class="dim">{{ c.tables + c.formulas }}</span>
        </button>
      </nav>
      <div class="body-of">
        <el-input
          v-model="words"
          class="words find"
          aria-label="Find a table or a formula"
          placeholder="Find: slack, arc, SPB, oil…"
          clearable
        />
        <p v-if="held" role="status">
          <template v-if="tables.length + formulas.length"
            >{{ tables.length }} tables and {{ formulas.length }} formulas hold “{{ words.trim() }}”.</template
          >
          <template v-else
            >Nothing here holds “{{ words.trim() }}”. The line at the top of the page looks through machines, tasks and
            the shelf too.</template
          >
        </p>
        <div v-if="!held" class="subject">
          <h2>{{ subject }}</h2>
          <HowSure :of="[...tables, ...formulas]" />
        </div>
        <h3 v-if="tables.length" class="kind">Tables</h3>
        <section v-for="t in standingTables" :id="t.id" :key="t.id" class="sheet table">
          <button
            type="button"
            class="plain head"
            :aria-expanded="open[t.id] === true"
            @click="open[t.id] = !open[t.id]"
          >
            <span class="about">
              <h4>{{ t.title }}</h4>
              <span
                >{{ t.source }}<template v-if="t.edition">, {{ t.edition }}</template></span
              >
              <span class="dim"
                >{{ t.recalled }} · confidence {{ t.confidence }} · {{ t.rows.length }} rows · between rows:
                {{ t.rule }}</span
              >
            </span>
            <TableSketch :table="t" />
          </button>
          <div v-if="open[t.id]" class="body">
            <p v-if="t.notes">{{ t.notes }}</p>
            <table>
              <thead>
                <tr>
                  <th v-for="c in t.columns" :key="c.name" scope="col" :title="c.meaning">
                    {{ c.meaning }}<span v-if="c.unit !== '1'" class="dim">, {{ c.unit }}</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="(r, k) in t.rows" :key="k">
                  <td v-for="(v, j) in r" :key="j">{{ v === true ? 'yes' : v === false ? 'no' : v }}</td>
                </tr>
              </tbody>
            </table>
          </div>
        </section>
        <h3 v-if="formulas.length" class="kind">Formulas</h3>
        <section v-if="formulas.length" class="sheet formulas">
          <article v-for="f in standingFormulas" :id="f.id" :key="f.id" :class="{ wanted: open[f.id] }">
            <p>
              <strong>{{ f.name }}</strong> <span class="dim">{{ f.unit === '1' ? '' : f.unit }}</span>
            </p>
            <SetFormula :symbol="f.symbol" :expression="f.expression" />
            <p class="dim">
              {{ f.says }} {{ f.source }}<template v-if="f.edition">, {{ f.edition }}</template> · {{ f.origin }} ·
              confidence {{ f.confidence }}
            </p>
          </article>
        </section>
      </div>
    </div>
  </main>
</template>

<style scoped>
.parts {
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr);
  gap: 16px;
  align-items: start;
}
.body-of {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
}
.index {
  position: sticky;
  top: 0;
  display: grid;
  max-height: calc(100vh - 70px);
  overflow: auto;
}
.index button {
  min-height: 44px;
  padding: 4px 12px;
  text-align: left;
  border-left: 5px solid transparent;
  color: var(--touch);
  font: 500 1.0625rem var(--face-label);
}
.index [aria-current] {
  color: var(--ink);
  border-left-color: var(--ink);
  background: var(--sheet);
}
.kind {
  color: var(--dim);
}
.lead {
  max-width: 76ch;
}
.find {
  max-width: 420px;
}
.subject {
  display: grid;
  gap: 4px;
}
.head {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 2px 16px;
  align-items: center;
  width: 100%;
  padding: 10px 16px;
}
.about {
  display: grid;
  gap: 2px;
}
.head h4 {
  margin: 0;
  font: 600 1.125rem var(--face-label);
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 4px;
}
.body {
  padding: 0 16px 14px;
  overflow-x: auto;
}
.body p {
  max-width: 90ch;
  padding-bottom: 8px;
}
table {
  border-collapse: collapse;
  font: 400 0.9375rem var(--face-figure);
}
th {
  text-align: left;
  font: 600 0.9375rem var(--face-label);
  padding: 4px 16px 4px 0;
  border-bottom: 2px solid var(--ink);
  max-width: 190px;
  vertical-align: bottom;
}
td {
  padding: 3px 16px 3px 0;
  border-bottom: 1px solid var(--line);
}
.formulas {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(380px, 1fr));
  gap: 0 28px;
  padding: 6px 16px;
}
article {
  padding: 10px 0;
  border-bottom: 1px solid var(--line);
  min-width: 0;
  scroll-margin-top: 90px;
}
article.wanted {
  border-left: 6px solid var(--ink);
  padding-left: 10px;
}
.table {
  scroll-margin-top: 90px;
}
@media (max-width: 700px) {
  .parts {
    grid-template-columns: minmax(0, 1fr);
  }
  .index {
    position: static;
    grid-template-columns: 1fr 1fr;
    gap: 8px;
    max-height: none;
  }
  .index button {
    border: 1px solid var(--line);
    background: var(--sheet);
  }
  .formulas {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
