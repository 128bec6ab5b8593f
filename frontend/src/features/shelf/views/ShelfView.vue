<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'

import { api, attempt } from '@/api/client'
import type { ShelfLine, StockPreview } from '@/api/types'
import FaultList from '@/shared/ui/FaultList.vue'
import { setPlace } from '@/shared/state/place'

import RatingTable from '../components/RatingTable.vue'
import WrongLines from '../components/WrongLines.vue'
import { useBroughtList } from '../logic/brought'
import { readShelf } from '../logic/shelf'

// A stock list comes in as CSV: looked through first, every wrong line with its reason, then kept whole.
const { lines, looked: preview, problem, entry, look, keep } = useBroughtList<ShelfLine, StockPreview>(
  'shelf.list',
  '/api/stock',
  (units, text) => attempt(api.POST('/api/stock/preview', { body: { units, text } })),
  readShelf,
)
const EXAMPLE = 'part,section,size,diameter,count\nbelt,,B90,,6\nsheave,B,5 3/4,outside,2'
const picker = ref<HTMLInputElement>()
const faults = computed(() => problem.value?.errors ?? [])

async function take(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  entry.value.text = await file.text()
  await look()
}
const says = (l: ShelfLine) => (l.part === 'belt' ? l.designation : `${l.section} sheave, ${l.diameter?.shown ?? ''} ${l.diameter_kind}`)
onMounted(() => setPlace('', 'Shelf'))
</script>

<template>
  <main class="page">
    <h1>Shelf</h1>
    <section class="sheet block">
      <h2>Bring in a list</h2>
      <p class="dim">A CSV with the columns part, section, size, diameter, count. It takes the place of the list before it. Choosing a V-belt drive then counts what is there.</p>
      <label class="label" for="list">The list, or paste it here</label>
      <el-input id="list" v-model="entry.text" type="textarea" :rows="6" :placeholder="EXAMPLE" />
      <div class="row">
        <input ref="picker" type="file" accept=".csv,text/csv,text/plain" class="visually-hidden" aria-label="A CSV file" @change="take" />
        <el-button @click="picker?.click()">Take a file</el-button>
        <el-button type="primary" :disabled="!entry.text.trim()" @click="look">Look it through</el-button>
      </div>
      <FaultList :faults="faults" />
    </section>
    <section v-if="preview" class="sheet block">
      <h2>{{ preview.lines.length }} lines understood, {{ preview.wrong.length }} not</h2>
      <WrongLines :wrong="preview.wrong" />
      <div class="row">
        <el-button type="primary" :disabled="!preview.lines.length" @click="keep">
          {{ preview.wrong.length ? `Keep the ${preview.lines.length}, leave out the ${preview.wrong.length}` : 'Keep it' }}
        </el-button>
      </div>
    </section>
    <section class="sheet block">
      <h2>On the shelf</h2>
      <p v-if="!lines.length" class="dim">Nothing yet.</p>
      <table v-else class="lines">
        <thead>
          <tr><th scope="col">Part</th><th scope="col">How many</th></tr>
        </thead>
        <tbody>
          <tr v-for="l in lines" :key="l.line">
            <td class="figure">{{ says(l) }}</td>
            <td class="figure">{{ l.count }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <RatingTable />
  </main>
</template>

<style scoped>
.block {
  padding: 12px 16px;
  display: grid;
  gap: 8px;
  min-width: 0;
  overflow-x: auto;
  position: relative;
}
</style>
