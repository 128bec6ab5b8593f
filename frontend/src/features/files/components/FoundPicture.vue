<script setup lang="ts">
import { computed } from 'vue'

import { VERDICTS, byKind, countOf, type FileState, type Kind } from '../logic/file'
import { thousands } from '@/shared/format/words'

// What becomes of a file's records, kind by kind: a bar as long as their number, split by what becomes of them.
const props = defineProps<{ state: FileState }>()
const all = computed(() => byKind(props.state))
const kinds = computed(() => all.value.filter((k) => k.ways.some((w) => w.verdict !== 'same')))
const named = (k: Kind) => `${thousands(k.all)} ${k.all === 1 ? k.words : k.many}`
const equal = computed(() =>
  all.value
    .filter((k) => !kinds.value.includes(k))
    .map(named)
    .join(', '),
)
const most = computed(() => Math.max(1, ...kinds.value.map((k) => Math.log10(1 + k.all))))
const ways = computed(() =>
  VERDICTS.map((v) => ({ ...v, count: countOf(props.state, v.key) })).filter((v) => v.count > 0),
)
const order = VERDICTS.map((v) => v.key)
const sorted = <T extends { verdict: string }>(list: T[]): T[] =>
  [...list].sort((a, b) => order.indexOf(a.verdict as never) - order.indexOf(b.verdict as never))
</script>

<template>
  <div class="found">
    <p class="all">
      <span v-for="w in ways" :key="w.key" class="way-of" :title="w.means">
        <span class="mark" :class="w.key" aria-hidden="true">{{ w.mark }}</span>
        <b class="figure">{{ thousands(w.count) }}</b> {{ w.word }}
      </span>
    </p>
    <ul>
      <li v-for="k in kinds" :key="k.words">
        <span>{{ named(k) }}</span>
        <span class="bar-of" aria-hidden="true">
          <span
            v-for="w in sorted(k.ways)"
            :key="w.verdict"
            :class="w.verdict"
            :style="{ width: `${((Math.log10(1 + k.all) / most) * 100 * w.count) / k.all}%` }"
          />
        </span>
        <span class="visually-hidden">{{
          sorted(k.ways)
            .map((w) => `${w.count} ${w.verdict}`)
            .join(', ')
        }}</span>
      </li>
    </ul>
    <p v-if="equal" class="dim">All the same: {{ equal }}.</p>
  </div>
</template>

<style scoped>
.found {
  display: grid;
  gap: 10px;
}
.all {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 22px;
  font-size: 1.125rem;
}
.all b {
  font-size: 1.375rem;
}
.mark {
  margin-right: 5px;
  font-weight: 700;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 3px;
}
li {
  display: grid;
  grid-template-columns: minmax(150px, 0.42fr) 1fr;
  gap: 12px;
  align-items: center;
  position: relative;
}
.bar-of {
  display: flex;
  height: 15px;
}
.bar-of > span {
  min-width: 3px;
  border: 1.5px solid var(--ink);
  border-left-width: 0;
}
.bar-of > span:first-child {
  border-left-width: 1.5px;
}
.bar-of .added {
  background: var(--touch);
}
.bar-of .changed {
  background: repeating-linear-gradient(135deg, var(--warm) 0 5px, var(--sheet) 5px 8px);
}
.bar-of .refused {
  background: var(--hot);
}
.bar-of .kept {
  background: repeating-linear-gradient(90deg, var(--dim) 0 2px, var(--sheet) 2px 7px);
}
.bar-of .same {
  background: var(--sheet);
}
.mark.refused {
  color: var(--hot);
}
.mark.added {
  color: var(--touch);
}
</style>
