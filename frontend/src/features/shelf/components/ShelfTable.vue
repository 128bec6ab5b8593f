<script setup lang="ts">
import { computed, ref } from 'vue'

import { api, attempt } from '@/api/client'
import type { Fits, Problem, ShelfLine } from '@/api/types'
import { grouped } from '@/shared/format/grouped'
import { save } from '@/shared/state/outbox'
import { useSettings } from '@/shared/state/settings'
import FaultList from '@/shared/ui/FaultList.vue'
import { useSlices } from '@/shared/ui/slices'
import StateMark from '@/shared/ui/StateMark.vue'

import { idle, says, short } from '../logic/parts'
import HungParts from './HungParts.vue'

// What lies on the shelf: how many, where, what to buy again, which drives take it; counted by the keys of each line.
const props = defineProps<{ lines: ShelfLine[] }>()
const emit = defineEmits<{ changed: [lines: ShelfLine[]] }>()
const settings = useSettings()
const problem = ref<Problem | null>(null)
const open = ref('')
const place = ref('')
const low = ref('')
const price = ref('')
const fits = ref<Fits['drives']>([])
const only = ref<'all' | 'short' | 'idle'>('all')
const words = ref('')
const shown = computed(() =>
  props.lines.filter(
    (l) =>
      (only.value === 'all' || (only.value === 'short' ? short(l) : idle(l))) &&
      `${says(l)} ${l.part} ${l.place}`.toLowerCase().includes(words.value.trim().toLowerCase()),
  ),
)
// The racks, as one walks along them; what lies nowhere in particular comes last.
const walked = computed(() =>
  [...shown.value].sort(({ place: a }, { place: b }) =>
    a && b ? a.localeCompare(b, undefined, { numeric: true }) : Number(!a) - Number(!b),
  ),
)
const made = useSlices(() => walked.value, 3)
const places = computed(() => grouped(made.value, (l) => l.place ?? ''))
const many = computed(() => ({ short: props.lines.filter(short).length, idle: props.lines.filter(idle).length }))

async function put(url: string, body: object, what: string) {
  const got = await save<{ lines: ShelfLine[] }>(
    'PUT',
    url,
    { ...body, units: settings.units, created_by_name: settings.name },
    what,
  )
  problem.value = got.ok ? null : got.problem
  if (got.ok) emit('changed', got.data.lines)
  return got.ok
}
const count = (l: ShelfLine, n: number) =>
  l.id && n >= 0 ? put(`/api/stock/parts/${l.id}`, { count: n }, `the count of ${says(l)}`) : undefined
async function more(l: ShelfLine) {
  const id = l.id ?? ''
  open.value = open.value === id ? '' : id
  place.value = l.place ?? ''
  low.value = l.low ? String(l.low) : ''
  price.value = l.price === null || l.price === undefined ? '' : String(l.price)
  fits.value = []
  if (!open.value || !l.drives) return
  const got = await attempt(api.GET('/api/stock/parts/{ident}/drives', { params: { path: { ident: id } } }))
  if (got.ok) fits.value = got.data.drives
}
/** A number as typed; what is none goes as it is, and the server says what is wrong with it. */
const typed = (text: string) => {
  const n = Number(text.replace(/,/g, ''))
  return text.trim() ? (Number.isFinite(n) ? n : text) : null
}
async function keep(l: ShelfLine) {
  const body = { place: place.value, low: typed(low.value), price: typed(price.value) }
  if (await put(`/api/stock/parts/${l.id}/place`, body, `the place of ${says(l)}`)) open.value = ''
}
</script>

<template>
  <div class="parts">
    <div class="row some">
      <el-input
        v-model="words"
        class="find"
        aria-label="Find on the shelf"
        placeholder="Find a part or a place"
        clearable
      />
      <span v-if="many.short || many.idle" class="segments" role="group" aria-label="Which parts">
        <button type="button" :aria-pressed="only === 'all'" :class="{ here: only === 'all' }" @click="only = 'all'">
          all {{ lines.length }}
        </button>
        <button
          v-if="many.short"
          type="button"
          :aria-pressed="only === 'short'"
          :class="{ here: only === 'short' }"
          @click="only = 'short'"
        >
          to buy {{ many.short }}
        </button>
        <button
          v-if="many.idle"
          type="button"
          :aria-pressed="only === 'idle'"
          :class="{ here: only === 'idle' }"
          @click="only = 'idle'"
        >
          no drive takes it {{ many.idle }}
        </button>
      </span>
    </div>
    <p v-if="!shown.length" class="dim">Nothing here answers to that.</p>
    <section v-for="[at, own] in places" :key="at" class="place" :aria-label="at || 'No place said'">
      <h2 dir="auto">{{ at || 'no place said' }}</h2>
      <div v-for="l in own" :key="l.id ?? l.line" class="part">
        <span class="name">
          <StateMark v-if="short(l)" :state="l.count ? 'watch' : 'act'" said="to buy" />
          <b class="figure" :dir="l.part === 'sheave' ? undefined : 'auto'">{{ says(l) }}</b>
          <span v-if="l.drives" class="dim">{{ l.drives }} drive{{ l.drives === 1 ? '' : 's' }}</span>
        </span>
        <HungParts :line="l" class="hung" />
        <span class="figure many"
          >{{ l.count }}<small v-if="l.low" class="dim"> of {{ l.low }}</small></span
        >
        <span class="keys">
          <button
            type="button"
            :aria-label="`One ${says(l)} taken`"
            :disabled="!l.count"
            @click="count(l, l.count - 1)"
          >
            −
          </button>
          <button type="button" :aria-label="`One ${says(l)} more`" @click="count(l, l.count + 1)">+</button>
          <button type="button" :aria-expanded="open === l.id" :aria-label="`More of ${says(l)}`" @click="more(l)">
            …
          </button>
        </span>
        <form v-if="open === l.id" class="more" @submit.prevent="keep(l)">
          <label>Where it lies <input v-model="place" class="blank" maxlength="80" /></label>
          <label>Buy again under <input v-model="low" class="blank" inputmode="numeric" maxlength="6" /></label>
          <label>One costs, ¤ <input v-model="price" class="blank" inputmode="decimal" maxlength="12" /></label>
          <button type="submit" class="key">Keep it</button>
          <p v-if="fits.length">
            On
            <router-link v-for="d in fits" :key="d.drive_id" :to="`/drives/${d.drive_id}`" class="on"
              >{{ d.machine }} · {{ d.drive }}</router-link
            >
          </p>
        </form>
      </div>
    </section>
    <FaultList
      v-if="problem"
      :faults="
        problem.errors.length ? problem.errors : [{ path: '', reason: problem.detail || problem.title, allowed: '' }]
      "
    />
  </div>
</template>

<style scoped>
.parts {
  display: grid;
}
.some {
  margin-bottom: 8px;
}
.find {
  flex: 1 1 220px;
  max-width: 360px;
}
.place {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
}
.place h2 {
  background: var(--panel);
  border: 1px solid var(--line);
  padding: 7px 10px;
  overflow-wrap: anywhere;
}
.part {
  display: grid;
  grid-template-columns: minmax(0, 24rem) minmax(0, 1fr) 76px auto;
  gap: 4px 12px;
  padding: 4px 10px;
  align-items: center;
  min-height: 56px;
  border-bottom: 1px solid var(--line);
}
.name {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: baseline;
}
.many {
  font-size: 1.25rem;
  text-align: right;
}
.keys {
  display: flex;
  gap: 8px;
}
.keys button {
  width: 52px;
  height: 48px;
  border: 2px solid var(--touch);
  background: var(--sheet);
  color: var(--touch);
  font: 600 1.375rem var(--face-label);
  cursor: pointer;
}
.keys button:disabled {
  border-color: var(--line);
  color: var(--dim);
}
@media (max-width: 700px) {
  .part {
    grid-template-columns: minmax(0, 1fr) auto auto;
    padding: 6px 0;
  }
  .name {
    grid-column: 1 / -1;
  }
}
.more {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: end;
  padding-bottom: 10px;
}
.more label {
  display: grid;
  font-size: 0.9375rem;
  color: var(--dim);
}
.more .key {
  min-height: 48px;
}
.more p {
  flex-basis: 100%;
}
.on {
  display: inline-grid;
  align-items: center;
  min-height: 44px;
  margin-right: 14px;
}
</style>
