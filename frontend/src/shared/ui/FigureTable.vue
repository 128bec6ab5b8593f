<script setup lang="ts">
import { computed } from 'vue'

import type { Band, Figure } from '@/api/types'
import { plainName } from '@/shared/format/words'

const props = defineProps<{ result: Record<string, unknown> }>()
const emit = defineEmits<{ how: [step: string, title: string] }>()

const isFigure = (x: unknown): x is Figure => typeof x === 'object' && x !== null && 'shown' in x && 'value' in x
const isBand = (x: unknown): x is Band => typeof x === 'object' && x !== null && 'low' in x && 'high' in x

const rows = computed(() =>
  Object.entries(props.result).flatMap(([key, x]) => {
    const name = plainName(key)
    if (isFigure(x)) return [{ key, name, shown: x.shown, per: x.per, step: x.step }]
    if (isBand(x)) return [{ key, name, shown: x.shown, per: x.per, step: x.low.step }]
    if (typeof x === 'string' || typeof x === 'boolean')
      return [{ key, name, shown: x === true ? 'yes' : x === false ? 'no' : x.replaceAll('_', ' '), per: null, step: null }]
    return []
  }),
)
</script>

<template>
  <table>
    <tbody>
      <tr v-for="r in rows" :key="r.key">
        <th scope="row">{{ r.name }}</th>
        <td class="figure" :class="{ words: r.shown.length > 18 }">{{ r.shown }}<span v-if="r.per" class="per"> per {{ r.per }}</span></td>
        <td class="ask">
          <button v-if="r.step" type="button" class="ask-how" :aria-label="`How come: ${r.name}`" @click="emit('how', r.step, r.name)">?</button>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
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
  font-size: 18px;
}
.words {
  white-space: normal;
  font: 400 16px var(--face-text);
}
.per {
  font: 400 14px var(--face-text);
  color: var(--dim);
}
.ask {
  width: 54px;
}
</style>
