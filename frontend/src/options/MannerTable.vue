<script setup lang="ts">
import { computed } from 'vue'

import type { FamilyOffer } from '@/api/types'

import FitnessBar from './FitnessBar.vue'

// How each family behaves, question by question: its word, a bar of fitness, a sentence. On a phone each question is a sheet
// of its own with the families under each other.
const props = defineProps<{ families: FamilyOffer[] }>()
const questions = computed(() => props.families[0]?.manners ?? [])
const manner = (f: FamilyOffer, key: string) => f.manners.find((m) => m.key === key)
const verdict = (f: FamilyOffer, key: string) => manner(f, key)?.verdict ?? 'no'
const says = { good: 'good', limited: 'with care', no: 'no' } as const
</script>

<template>
  <section class="sheet manners">
    <h2>How they behave</h2>
    <p class="dim">Common practice, no source. The sheet of the belt or chain itself comes first.</p>
    <div class="wide" tabindex="0" role="region" aria-label="Table, can be moved sideways">
      <table class="lines">
        <thead>
          <tr>
            <th scope="col">Question</th>
            <th v-for="f in families" :key="f.key" scope="col">{{ f.title }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="q in questions" :key="q.key" :class="{ asked: q.asked }">
            <th scope="row">{{ q.question }}</th>
            <td v-for="f in families" :key="f.key">
              <span class="of">{{ f.title }}</span>
              <span class="verdict">
                <FitnessBar :verdict="verdict(f, q.key)" />
                <b>{{ says[verdict(f, q.key)] }}</b>
              </span>
              {{ manner(f, q.key)?.words }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.manners {
  padding: 10px 14px 12px;
  min-width: 0;
}
.wide {
  position: relative;
  overflow-x: auto;
}
table {
  min-width: 760px;
}
th {
  text-align: left;
  vertical-align: top;
}
td {
  vertical-align: top;
  font-size: 0.9375rem;
}
.verdict {
  display: flex;
  gap: 8px;
  align-items: center;
}
.of {
  display: none;
}
@media (max-width: 700px) {
  table {
    min-width: 0;
    display: block;
  }
  thead {
    display: none;
  }
  tbody,
  tr,
  th,
  td {
    display: block;
  }
  tr {
    padding: 8px 0;
  }
  td {
    padding: 4px 0 6px;
    border: 0;
  }
  .of {
    display: block;
    color: var(--dim);
  }
}
tr.asked {
  background: var(--touch-soft);
}
</style>
