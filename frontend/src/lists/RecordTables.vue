<script setup lang="ts">
import { computed } from 'vue'

import { cellText } from './cells'
import { titleIn } from '@/shared/format/words'

// Lists in an answer as tables: one row a record, figures as they are shown, columns nobody filled left out.
const props = defineProps<{ result: Record<string, unknown>; titles?: Record<string, string>; skip?: string[] }>()
const named = (name: string) => titleIn(props.titles, name)
type Row = Record<string, unknown>
const isRecord = (x: unknown): x is Row => typeof x === 'object' && x !== null && !Array.isArray(x)
const tables = computed(() =>
  Object.entries(props.result).flatMap(([name, list]) => {
    if (props.skip?.includes(name) || !Array.isArray(list) || !list.length || !list.every(isRecord)) return []
    const rows = list as Row[]
    const keys = Object.keys(rows[0] ?? {}).filter((k) =>
      rows.some((r) => cellText(r[k]) !== '' && !Array.isArray(r[k])),
    )
    return [{ name, keys, rows }]
  }),
)
</script>

<template>
  <section v-for="t in tables" :key="t.name" class="sheet">
    <h2>{{ named(t.name) }}</h2>
    <div class="wide" tabindex="0" role="region" :aria-label="`${named(t.name)}, can be moved sideways`">
      <table class="lines">
        <thead>
          <tr>
            <th v-for="k in t.keys" :key="k" scope="col">{{ named(k) }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(r, n) in t.rows" :key="n">
            <td v-for="k in t.keys" :key="k" :class="{ figure: cellText(r[k]).length < 18 }">{{ cellText(r[k]) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
section {
  padding: 10px 14px 12px;
  min-width: 0;
}
.wide {
  position: relative;
  overflow-x: auto;
}
td.figure {
  white-space: nowrap;
}
</style>
