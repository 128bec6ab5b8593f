<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'

import { api, attempt } from '@/api/client'
import type { Problem, ShelfLine, StockPreview } from '@/api/types'
import { grooves } from '@/forms/grooves'
import { faultAt, otherFaults } from '@/shared/format/faults'
import { useKept } from '@/shared/state/kept'
import { save } from '@/shared/state/outbox'
import { useSettings } from '@/shared/state/settings'
import ChoiceField from '@/shared/ui/ChoiceField.vue'
import QuantityField from '@/shared/ui/QuantityField.vue'
import WordField from '@/shared/ui/WordField.vue'
import FaultList from '@/shared/ui/FaultList.vue'
import FoldedSheet from '@/shared/ui/FoldedSheet.vue'
import { setPlace } from '@/shared/state/place'

import LookedThrough from '../components/LookedThrough.vue'
import RatingTable from '../components/RatingTable.vue'
import ShelfTable from '../components/ShelfTable.vue'
import SpareSet from '../components/SpareSet.vue'
import { useBroughtList } from '../logic/brought'
import { shopping } from '../logic/parts'
import { readShelf } from '@/shared/state/shelf'

// A stock list comes in as CSV: looked through first, every wrong line with its reason, then kept whole.
const {
  lines,
  looked: preview,
  problem,
  entry,
  look,
  keep,
} = useBroughtList<ShelfLine, StockPreview>(
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
const settings = useSettings()
const kinds = [
  'belt',
  'sheave',
  'toothed belt',
  'flat belt',
  'bushing',
  'chain',
  'link',
  'sprocket',
  'lacing',
  'instrument',
  'other',
].map((key) => ({ key, name: key, group: '' }))
const diameters = ['outside', 'datum', 'pitch', 'effective'].map((key) => ({ key, name: key, group: '' }))
const grooveChoices = grooves.map((key) => ({ key, name: key, group: '' }))
const wrong = ref<Problem | null>(null)
const fresh = () => ({ part: 'belt', section: '', size: '', diameter: 'outside', count: '1', place: '', low: '' })
const { value: part, forget } = useKept('shelf.part', fresh)
async function put() {
  const p = part.value
  const number = Number(p.count)
  const body = {
    ...p,
    low: p.low.trim() === '' ? null : Number.isFinite(Number(p.low)) ? Number(p.low) : p.low,
    count: p.count.trim() === '' ? 1 : Number.isFinite(number) ? number : p.count,
    units: settings.units,
    created_by_name: settings.name,
  }
  const got = await save<{ lines: ShelfLine[] }>('POST', '/api/stock/parts', body, `${p.size} on the shelf`)
  wrong.value = got.ok ? null : got.problem
  if (!got.ok) return
  lines.value = got.data.lines
  const kind = p.part
  forget()
  part.value = { ...fresh(), part: kind }
}
const buy = computed(() => shopping(lines.value ?? []))
// The form stands open where something was begun in it, and where the shelf is still bare.
const putting = ref(!!part.value.size.trim())
watch(lines, (l) => l && !l.length && (putting.value = true), { once: true })
onMounted(() => setPlace('Shelf'))
</script>

<template>
  <main class="page">
    <div class="row spread">
      <h1>Shelf</h1>
      <el-button type="primary" :aria-expanded="putting" @click="putting = !putting">{{
        putting ? 'Close' : 'Put a part down'
      }}</el-button>
    </div>
    <p v-if="!lines" class="dim" role="status">Reading the shelf…</p>
    <template v-else>
      <section v-if="putting" class="sheet block" aria-label="Put a part down">
        <form class="fields" @submit.prevent="put">
          <ChoiceField v-model="part.part" label="Put down a" :choices="kinds" :fault="faultAt(wrong, 'part')" />
          <WordField
            v-if="part.part !== 'sheave'"
            v-model="part.size"
            :label="part.part === 'belt' ? 'Belt, as it is marked' : 'What is written on it'"
            :fault="faultAt(wrong, 'size')"
          />
          <template v-else>
            <ChoiceField
              v-model="part.section"
              label="Groove"
              :choices="grooveChoices"
              :fault="faultAt(wrong, 'section', 'size.groove')"
            />
            <QuantityField
              v-model="part.size"
              label="Diameter"
              :unit="settings.units === 'us' ? 'in' : 'mm'"
              fractions
              :fault="faultAt(wrong, 'size', 'size.diameter')"
            />
            <ChoiceField
              v-model="part.diameter"
              label="Which diameter"
              :choices="diameters"
              :fault="faultAt(wrong, 'diameter', 'size.kind')"
            />
          </template>
          <QuantityField v-model="part.count" label="How many" :fault="faultAt(wrong, 'count')" />
          <WordField v-model="part.place" label="Where it lies" :fault="faultAt(wrong, 'place')" />
          <QuantityField v-model="part.low" label="Buy again under" :fault="faultAt(wrong, 'low')" />
          <div class="row"><el-button type="primary" native-type="submit">Put it on the shelf</el-button></div>
        </form>
        <FaultList :faults="otherFaults(wrong, ['part', 'size', 'section', 'diameter', 'count', 'place', 'low'])" />
      </section>
      <p v-if="buy.length" class="sheet buy">
        To buy: <b class="figure">{{ buy.join(', ') }}</b>
      </p>
      <section class="sheet block">
        <p v-if="!lines.length" class="dim">
          Nothing yet: put a part down, or bring in a list below. Choosing a V-belt drive then counts what is there.
        </p>
        <ShelfTable v-else :lines="lines" @changed="(l) => (lines = l)" />
      </section>
      <p><a href="/api/stock.csv" class="table">The shelf as a table (CSV)</a></p>
      <FoldedSheet title="Bring in a list" :open="!!entry.text.trim()">
        <p class="dim">
          A CSV with the columns part, section, size, diameter, count. It takes the place of the list before it.
          Choosing a V-belt drive then counts what is there.
        </p>
        <label class="label" for="list">The list, or paste it here</label>
        <el-input id="list" v-model="entry.text" type="textarea" :rows="6" :placeholder="EXAMPLE" />
        <div class="row">
          <input
            ref="picker"
            type="file"
            accept=".csv,text/csv,text/plain"
            class="visually-hidden"
            aria-label="A CSV file"
            @change="take"
          />
          <el-button @click="picker?.click()">Take a file</el-button>
          <el-button type="primary" :disabled="!entry.text.trim()" @click="look">Look it through</el-button>
        </div>
        <FaultList :faults="faults" />
        <LookedThrough v-if="preview" :looked="preview" keep="Keep it" @keep="keep" />
      </FoldedSheet>
      <SpareSet />
      <RatingTable />
    </template>
  </main>
</template>

<style scoped>
.table {
  display: inline-grid;
  align-items: center;
  min-height: 44px;
}
.buy {
  padding: 10px 16px;
  font-size: 1.125rem;
}
.block {
  padding: 12px 16px;
  display: grid;
  gap: 8px;
  min-width: 0;
  overflow-x: auto;
  position: relative;
}
</style>
