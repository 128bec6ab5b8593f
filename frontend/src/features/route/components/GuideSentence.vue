<script setup lang="ts">
import type { Fault } from '@/api/types'
import TypedBlank from '@/forms/TypedBlank.vue'
import { faultText } from '@/shared/format/faults'

import type { RouteGuide } from '../logic/wheels'

// A guide or keeper beside the belt, as a sentence.
defineProps<{ no: number; length: string; faults: Fault[] }>()
const g = defineModel<RouteGuide>({ required: true })
</script>

<template>
  <div class="sheet clause">
    Guide <TypedBlank v-model="g.name" :says="`name of guide ${no}`" :wide="9" />, a pin
    <TypedBlank v-model="g.diameter" :says="`diameter of guide ${no}`" :unit="length" /> across,
    <TypedBlank v-model="g.x" :says="`guide ${no}, to the right`" :unit="length" /> right,
    <TypedBlank v-model="g.y" :says="`guide ${no}, up`" :unit="length" /> up, stands
    <select v-model="g.side" :aria-label="`side of guide ${no}`">
      <option value="outside">round the loop</option>
      <option value="inside">within the loop</option>
    </select>
    ; <TypedBlank v-model="g.least" :says="`guide ${no}, least gap`" :unit="length" hint="usual" /> to
    <TypedBlank v-model="g.most" :says="`guide ${no}, greatest gap`" :unit="length" hint="usual" /> from the belt
    <span class="row"><slot /></span>
    <p v-for="e in faults" :key="e.path" class="field-fault" role="alert">{{ faultText(e) }}</p>
  </div>
</template>

<style scoped src="./clause.css"></style>
