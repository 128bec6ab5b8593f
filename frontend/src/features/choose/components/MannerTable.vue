<script setup lang="ts">
import { computed } from 'vue'

import type { FamilyOffer } from '@/api/types'

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
              <svg
                width="14"
                height="14"
                viewBox="0 0 18 18"
                role="img"
                :aria-label="says[manner(f, q.key)?.verdict ?? 'no']"
              >
                <path
                  v-if="manner(f, q.key)?.verdict === 'no'"
                  d="M3 3l12 12M15 3L3 15"
                  stroke="var(--ink)"
                  stroke-width="2.4"
                />
                <template v-else>
                  <circle
                    cx="9"
                    cy="9"
                    r="6.6"
                    :fill="manner(f, q.key)?.verdict === 'good' ? 'var(--ink)' : 'none'"
                    stroke="var(--ink)"
                    stroke-width="2"
                  />
                  <path
                    v-if="manner(f, q.key)?.verdict === 'limited'"
                    d="M9 2.4a6.6 6.6 0 0 1 0 13.2z"
                    fill="var(--ink)"
                  />
                </template>
              </svg>
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
  font-size: 15px;
}
tr.asked {
  background: var(--touch-soft);
}
</style>
