<script setup lang="ts">
import { computed, ref } from 'vue'

import type { Notice } from '@/api/types'
import { bySeverity, isAssumption } from '@/shared/format/notices'
import NoticeList from './NoticeList.vue'

// What is to be said of an answer, the worst first and always in sight; the rest is one press away. What was assumed is
// a dashed figure, not a sentence between the others.
const props = defineProps<{ notices: Notice[] }>()
const emit = defineEmits<{ assumption: [notice: Notice] }>()
const open = ref(false)
const assumed = computed(() => props.notices.filter(isAssumption))
const said = computed(() => bySeverity(props.notices))
// Danger is never folded away.
const always = computed(() => Math.max(1, said.value.filter((n) => n.level === 'danger').length))
const shown = computed(() => (open.value ? said.value : said.value.slice(0, always.value)))
const more = computed(() => said.value.length - shown.value.length)
</script>

<template>
  <div v-if="notices.length" class="remarks">
    <NoticeList v-if="shown.length" :notices="shown" />
    <p class="line">
      <button v-if="more > 0" type="button" class="plain more" @click="open = true">
        {{ more }} more {{ more === 1 ? 'remark' : 'remarks' }}
      </button>
      <button v-else-if="open" type="button" class="plain more" @click="open = false">Fewer</button>
      <button
        v-for="n in assumed"
        :key="n.code + n.text"
        type="button"
        class="plain assumed"
        :aria-label="`Assumed: ${n.text} ${n.action}`"
        @click="emit('assumption', n)"
      >
        {{ n.text }}
      </button>
    </p>
  </div>
</template>

<style scoped>
.remarks {
  display: grid;
  gap: 4px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
}
.more {
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 4px;
  min-height: 44px;
}
.assumed {
  color: var(--touch);
  min-height: 44px;
  font-size: 0.9375rem;
  text-decoration: underline dashed;
  text-underline-offset: 4px;
}
</style>
