<script setup lang="ts">
import { computed } from 'vue'

import { cellText } from '@/lists/cells'
import { titleIn } from '@/shared/format/words'

// Lines of an answer side by side: the one that was chosen in ink, what may not be struck through in words.
const props = defineProps<{ name: string; rows: Record<string, unknown>[]; titles?: Record<string, string> }>()
const MARKS = new Set(['here', 'over_plate', 'near_enough', 'on_shelf', 'wheel', 'how'])
const keys = computed(() =>
  Object.keys(props.rows[0] ?? {}).filter((k) => !MARKS.has(k) && props.rows.some((r) => cellText(r[k]) !== '')),
)
const mark = (r: Record<string, unknown>): string =>
  [
    r.here ? 'set here' : '',
    r.over_plate ? 'over the plate' : '',
    r.near_enough === false ? 'too far off' : '',
    r.on_shelf ? 'often on the shelf' : '',
  ]
    .filter(Boolean)
    .join(', ')
const marked = computed(() => props.rows.some((r) => mark(r)))
</script>

<template>
  <div
    v-if="rows.length"
    class="wide sheet"
    tabindex="0"
    role="region"
    :aria-label="`${titleIn(titles, name)}, can be moved sideways`"
  >
    <table class="lines">
      <thead>
        <tr>
          <th v-for="k in keys" :key="k" scope="col">
            {{ k === 'says' ? 'Way' : titleIn(titles, k) }}
          </th>
          <th v-if="marked" scope="col">Mark</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(r, n) in rows" :key="n" :class="{ here: r.here, off: r.over_plate || r.near_enough === false }">
          <td v-for="k in keys" :key="k" :class="{ figure: k !== 'says' }">{{ cellText(r[k]) }}</td>
          <td v-if="marked">{{ mark(r) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.wide {
  overflow-x: auto;
  padding: 8px 12px;
}
.here {
  outline: 3px solid var(--ink);
  outline-offset: -2px;
  font-weight: 600;
}
.off {
  color: var(--dim);
}
td,
th {
  text-align: left;
  padding: 6px 12px 6px 0;
  white-space: nowrap;
}
td:first-child {
  white-space: normal;
  min-width: 8ch;
}
</style>
