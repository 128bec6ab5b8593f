<script setup lang="ts">
import { computed } from 'vue'

import type { Band, Figure } from '@/api/types'
import { keyWords, titleIn } from '@/shared/format/words'
import AskHow from '@/shared/ui/AskHow.vue'

const props = defineProps<{
  result: Record<string, unknown>
  titles?: Record<string, string>
  /** What belongs together; everything in one table where there are none. */
  groups?: { title: string; names: string[] }[]
  first?: string[]
  /** Which heading the name of a group is on its page. */
  level?: 2 | 3
}>()
const emit = defineEmits<{ how: [step: string, title: string] }>()

const isFigure = (x: unknown): x is Figure => typeof x === 'object' && x !== null && 'shown' in x && 'value' in x
const isBand = (x: unknown): x is Band => typeof x === 'object' && x !== null && 'low' in x && 'high' in x

const rows = computed(() =>
  Object.entries(props.result).flatMap(([key, x]) => {
    const name = titleIn(props.titles, key)
    // A key beside its own name says nothing.
    if (key === 'joint' && 'name' in props.result) return []
    // The sentence stands above; what is empty says nothing.
    if (key === 'says' || x === '') return []
    if (isFigure(x)) return [{ key, name, shown: x.shown, per: x.per, step: x.step }]
    if (isBand(x)) return [{ key, name, shown: x.shown, per: x.per, step: x.low.step }]
    if (typeof x === 'string' || typeof x === 'boolean')
      return [{ key, name, shown: x === true ? 'yes' : x === false ? 'no' : keyWords(x), per: null, step: null }]
    return []
  }),
)
const says = computed(() => (typeof props.result.says === 'string' ? props.result.says : ''))
// The few that the task was about stand first; a long list of others is opened by who wants it.
const LONG = 9
const main = computed(() =>
  props.first?.length && rows.value.length > LONG
    ? props.first.flatMap((k) => rows.value.find((r) => r.key === k) ?? [])
    : [],
)
const others = computed(() => rows.value.filter((r) => !main.value.includes(r)))
const tables = computed(() => {
  const grouped = (props.groups ?? [])
    .map((g) => ({ title: g.title, rows: g.names.flatMap((n) => others.value.find((r) => r.key === n) ?? []) }))
    .filter((g) => g.rows.length)
  // What belongs to no group is not lost: it stands under them.
  const held = new Set(grouped.flatMap((g) => g.rows))
  const rest = others.value.filter((r) => !held.has(r))
  return rest.length || !grouped.length ? [...grouped, { title: '', rows: rest }] : grouped
})
</script>

<template>
  <div>
    <p v-if="says" class="says">{{ says }}</p>
    <dl v-if="main.length" class="main">
      <div v-for="r in main" :key="r.key">
        <dt>{{ r.name }}</dt>
        <dd class="figure">
          <span
            >{{ r.shown }}<span v-if="r.per" class="per"> per {{ r.per }}</span></span
          >
          <AskHow :of="r.name" :step="r.step" @how="(s: string) => emit('how', s, r.name)" />
        </dd>
      </div>
    </dl>
    <component :is="main.length ? 'details' : 'div'">
      <summary v-if="main.length">The other {{ others.length }} figures</summary>
      <section v-for="t in tables" :key="t.title" :aria-label="t.title || undefined">
        <component :is="`h${level ?? 3}`" v-if="t.title" class="group">{{ t.title }}</component>
        <table>
          <tbody>
            <tr v-for="r in t.rows" :key="r.key">
              <th scope="row">{{ r.name }}</th>
              <td class="figure" :class="{ words: r.shown.length > 18 }">
                {{ r.shown }}<span v-if="r.per" class="per"> per {{ r.per }}</span>
              </td>
              <td class="ask">
                <AskHow :of="r.name" :step="r.step" @how="(s: string) => emit('how', s, r.name)" />
              </td>
            </tr>
          </tbody>
        </table>
      </section>
    </component>
  </div>
</template>

<style scoped>
.says {
  font: 600 1.625rem/1.2 var(--face-label);
  margin-bottom: 8px;
}
.main {
  margin: 0 0 8px;
  display: grid;
  gap: 2px;
}
.main div {
  border-bottom: 2px dotted var(--line);
}
.main dd {
  margin: 0;
  min-height: 46px;
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  font-size: 1.75rem;
  line-height: 1.15;
}
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  color: var(--touch);
  cursor: pointer;
}
.group {
  font: 600 1.0625rem var(--face-label);
  background: var(--panel);
  border-bottom: 2px solid var(--ink);
  padding: 5px 8px;
  margin-top: 10px;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-weight: 400;
  padding: 6px 8px 6px 0;
}
td {
  text-align: right;
  white-space: nowrap;
}
tr {
  border-bottom: 1px solid var(--line);
  height: 50px;
}
.figure {
  font-size: 1.125rem;
}
.words {
  white-space: normal;
  word-spacing: normal;
  font: 400 1rem var(--face-text);
}
.per {
  word-spacing: normal;
  margin-left: 6px;
  font: 400 0.875rem var(--face-text);
  color: var(--dim);
}
.ask {
  width: 54px;
}
/* On a phone a figure stands under its name, both on one edge: no name is broken over three lines. */
@media (max-width: 700px) {
  tr {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    align-items: center;
    height: auto;
    min-height: 60px;
    padding: 6px 0;
  }
  th {
    padding: 0;
  }
  td {
    grid-column: 1;
    text-align: left;
    white-space: normal;
  }
  .figure {
    font-size: 1.3125rem;
  }
  .words {
    font-size: 1.0625rem;
  }
  .ask {
    grid-column: 2;
    grid-row: 1 / span 2;
  }
}
</style>
