<script setup lang="ts">
import { computed } from 'vue'

import type { Notice } from '@/api/types'
import { bySeverity, isAssumption } from '@/shared/format/notices'

const props = defineProps<{ notices: Notice[]; replaceable?: boolean }>()
const emit = defineEmits<{ replace: [path: string] }>()
// Assumptions share one line, so that they never push the answer out of sight.
const assumptions = computed(() => props.notices.filter(isAssumption))
const rest = computed(() => bySeverity(props.notices))
const words = { info: 'Note', caution: 'Caution', danger: 'Danger' } as const
</script>

<template>
  <ul v-if="notices.length" class="notices">
    <li v-for="n in rest" :key="n.code + n.text" :class="n.level">
      <strong>{{ words[n.level] }} · {{ n.text }}</strong> {{ n.action }}
    </li>
    <li v-if="assumptions.length" class="caution">
      <strong>Assumed · </strong>
      <template v-if="!replaceable">{{ assumptions.map((n) => n.text).join(' ') }}</template>
      <span v-for="n in replaceable ? assumptions : []" :key="n.code + n.text" class="assumption">
        {{ n.text }}
        <button v-if="n.path" type="button" class="plain replace" @click="emit('replace', n.path)">
          {{ n.action.replace(/\.$/, '') || 'Say it' }}
        </button>
      </span>
    </li>
  </ul>
</template>

<style scoped>
.notices {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
}
li {
  border-left: 5px solid var(--line);
  background: var(--panel);
  padding: 7px 10px;
  font-size: 0.9375rem;
}
li strong {
  font-weight: 600;
}
.caution {
  border-color: var(--warm);
}
.danger {
  border-color: var(--hot);
}
.danger strong {
  color: var(--hot);
}
.info strong {
  font-weight: 400;
}
.assumption {
  display: inline-block;
  margin-right: 18px;
}
.replace {
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 4px;
  min-height: 44px;
}
</style>
