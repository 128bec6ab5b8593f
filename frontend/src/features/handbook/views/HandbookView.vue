<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'

import { api, attempt } from '@/api/client'
import type { Handbook } from '@/api/types'
import { render } from '@/shared/format/tex'
import { setPlace } from '@/shared/state/place'

const book = ref<Handbook>()
const route = useRoute()
const open = ref<Record<string, boolean>>({})
const tex = ref<string[]>([])
const failed = ref('')
const words = ref('')
const tables = computed(() => book.value?.tables.filter((t) => `${t.title} ${t.source}`.toLowerCase().includes(words.value.toLowerCase())) ?? [])

onMounted(async () => {
  setPlace('', 'Handbook')
  const got = await attempt(api.GET('/api/handbook'))
  if (!got.ok) {
    failed.value = got.problem.detail || got.problem.title
    return
  }
  book.value = got.data
  const wanted = route.hash.slice(1)
  if (wanted) open.value[wanted] = true
  tex.value = await Promise.all(got.data.formulas.map((f) => render(`${f.symbol} = ${f.expression}`)))
  await nextTick()
  if (wanted) document.getElementById(wanted)?.scrollIntoView()
})
</script>

<template>
  <main class="page">
    <h1>Handbook</h1>
    <p class="lead">
      Every table and formula the figures rest on, with its source. Rows marked “from memory” were recalled, not read off the print: check
      them against your own copy before you stake a machine on them.
    </p>
    <p v-if="failed">{{ failed }}</p>
    <p v-else-if="!book" class="dim">Opening the handbook…</p>
    <template v-else>
      <h2>Tables</h2>
      <el-input v-model="words" class="words find" aria-label="Find a table" placeholder="Find a table" clearable />
      <section v-for="t in tables" :id="t.id" :key="t.id" class="sheet table">
        <button type="button" class="plain head" :aria-expanded="open[t.id] === true" @click="open[t.id] = !open[t.id]">
          <h3>{{ t.title }}</h3>
          <span>{{ t.source }}<template v-if="t.edition">, {{ t.edition }}</template></span>
          <span class="dim">{{ t.recalled }} · confidence {{ t.confidence }} · {{ t.rows.length }} rows · between rows: {{ t.rule }}</span>
        </button>
        <div v-if="open[t.id]" class="body">
          <p v-if="t.notes">{{ t.notes }}</p>
          <table>
            <thead>
              <tr>
                <th v-for="c in t.columns" :key="c.name" scope="col" :title="c.meaning">{{ c.meaning }}<span v-if="c.unit !== '1'" class="dim">, {{ c.unit }}</span></th>
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
      <h2>Formulas</h2>
      <section class="sheet formulas">
        <article v-for="(f, k) in book.formulas" :key="k">
          <p>
            <strong>{{ f.name }}</strong> <span class="dim">{{ f.unit === '1' ? '' : f.unit }}</span>
          </p>
          <!-- eslint-disable-next-line vue/no-v-html -- KaTeX output of our own formulas -->
          <div class="tex" tabindex="0" v-html="tex[k]" />
          <p class="dim">{{ f.says }} {{ f.source }}<template v-if="f.edition">, {{ f.edition }}</template> · {{ f.origin }} · confidence {{ f.confidence }}</p>
        </article>
      </section>
    </template>
  </main>
</template>

<style scoped>
.lead {
  max-width: 76ch;
}
.find {
  max-width: 420px;
}
.head {
  display: grid;
  gap: 2px;
  width: 100%;
  padding: 10px 16px;
}
.head h3 {
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
  font: 400 15px var(--face-figure);
}
th {
  text-align: left;
  font: 600 15px var(--face-label);
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
}
.tex {
  overflow-x: auto;
  padding: 6px 0;
}
@media (max-width: 700px) {
  .formulas {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
