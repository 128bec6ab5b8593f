<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import type { CompareInput, Picked } from '@/api/types'
import type { DutyFields } from '@/forms/duty'
import { useFamilies } from '@/shared/state/families'

import FamilySearch from './FamilySearch.vue'

// One family looked through to the end; the first one stands there, another is a touch away.
defineProps<{ duty: DutyFields; picked: string; layout?: CompareInput['layout'] }>()
const emit = defineEmits<{ pick: [picked: Picked] }>()
const { families } = useFamilies()
const key = ref('')
watch(families, (all) => (key.value ||= all[0]?.key ?? ''), { immediate: true })
const family = computed(() => families.value.find((f) => f.key === key.value))
const search = ref<InstanceType<typeof FamilySearch>>()
defineExpose({ search: () => search.value?.search(), anything: computed(() => search.value?.anything ?? false) })
</script>

<template>
  <section v-if="family" class="full">
    <h2>{{ family.title }} in full</h2>
    <div class="which" role="radiogroup" aria-label="Which drives">
      <button
        v-for="f in families"
        :key="f.key"
        type="button"
        role="radio"
        class="plain"
        :aria-checked="f.key === key"
        @click="key = f.key"
      >
        {{ f.title }}
      </button>
    </div>
    <FamilySearch
      ref="search"
      :key="family.key"
      :family="family"
      :duty="duty"
      :layout="layout"
      :picked="picked"
      @pick="(p: Picked) => emit('pick', p)"
    />
  </section>
</template>

<style scoped>
.full {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
}
.which {
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
}
.which button {
  min-height: 44px;
  font: 600 1rem var(--face-label);
}
.which button[aria-checked='true'] {
  color: var(--ink);
  border-bottom: 4px solid var(--ink);
}
</style>
