<script setup lang="ts">
import type { Weights } from '@/api/types'

import { weightNames } from './weights'

// Nothing is ranked in secret: every weight is here, and every one can be moved.
defineProps<{ stock: boolean }>()
const weights = defineModel<Weights>({ required: true })
const set = (key: keyof Weights, v: number | number[] | undefined) =>
  (weights.value = { ...weights.value, [key]: Number(v ?? 0) })
</script>

<template>
  <fieldset>
    <legend class="label">What counts, and how much</legend>
    <div v-for="w in weightNames" v-show="w.key !== 'stock' || stock" :key="w.key" class="one">
      <span :id="'w-' + w.key">{{ w.word }}</span>
      <el-slider
        :model-value="weights[w.key]"
        :min="0"
        :max="5"
        :step="0.5"
        :aria-label="w.word"
        @update:model-value="set(w.key, $event)"
      />
      <b class="figure">{{ weights[w.key] }}</b>
    </div>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(300px, 100%), 1fr));
  gap: 0 28px;
  min-width: 0;
}
.one {
  display: grid;
  grid-template-columns: 120px 1fr 36px;
  gap: 16px;
  align-items: center;
  min-height: 44px;
}
</style>
