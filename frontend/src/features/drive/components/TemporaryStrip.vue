<script setup lang="ts">
import { computed } from 'vue'

import type { Build } from '@/api/types'
import { shortDate } from '@/shared/format/words'
import StateMark from '@/shared/ui/StateMark.vue'

// A build that may stand for a while only says so across its drawing, until when and why; over its date it is to act on.
const props = defineProps<{ build: Build; today: string }>()
const late = computed(() => (props.build.promised_date ?? '9999') < props.today)
</script>

<template>
  <p class="strip" :class="{ late }" role="note">
    <StateMark :state="late ? 'act' : 'watch'" />
    <strong>TEMPORARY</strong>
    <strong v-if="build.promised_date"
      >{{ late ? 'was to go by' : 'until' }} {{ shortDate(build.promised_date) }}</strong
    >
    <span v-if="build.temporary_reason">{{ build.temporary_reason }}</span>
    <span v-if="build.created_by_name" class="dim">{{ build.created_by_name }}</span>
  </p>
</template>

<style scoped>
.strip {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  align-items: center;
  padding: 6px 14px;
  color: var(--ink);
  border: 1px solid var(--warm);
  border-left: 6px solid var(--warm);
  background: repeating-linear-gradient(
    135deg,
    var(--sheet) 0 18px,
    color-mix(in srgb, var(--warm) 14%, var(--sheet)) 18px 26px
  );
}
.strip.late {
  border-color: var(--hot);
}
strong {
  font: 600 1.125rem var(--face-label);
  background: var(--sheet);
  padding: 0 4px;
}
span {
  background: var(--sheet);
  padding: 0 4px;
}
</style>
