<script setup lang="ts">
import { computed } from 'vue'

import type { FamilyOffer } from '@/api/types'

import VerdictMark from './VerdictMark.vue'

// How each family behaves, question by question: a filled disc good, a half disc with care, a cross no.
const props = defineProps<{ families: FamilyOffer[] }>()
const questions = computed(() => props.families[0]?.manners ?? [])
const manner = (f: FamilyOffer, key: string) => f.manners.find((m) => m.key === key)
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
              <VerdictMark
                :verdict="manner(f, q.key)?.verdict ?? 'no'"
                :size="14"
                :says="says[manner(f, q.key)?.verdict ?? 'no']"
              />
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
tr.asked {
  background: var(--touch-soft);
}
</style>
