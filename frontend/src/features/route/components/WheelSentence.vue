<script setup lang="ts">
import type { Fault } from '@/api/types'
import TypedBlank from '@/forms/TypedBlank.vue'
import { faultText } from '@/shared/format/faults'

import type { RouteWheel } from '../logic/wheels'

// One wheel of a loop as a sentence: what it is, how large, where, which face of the loop runs on it.
defineProps<{
  no: number
  /** The first wheel, which drives. */
  drives?: boolean
  /** The size belongs to the drive and is changed there. */
  sized?: string
  /** Its place is the one that tapes are read to. */
  tapedTo?: boolean
  /** Names of the two wheels that tapes are read from. */
  first: string
  second: string
  toothed?: boolean
  onStrand?: boolean
  units: { length: string; power: string }
  faults: Fault[]
}>()
const w = defineModel<RouteWheel>({ required: true })
</script>

<template>
  <div class="sheet clause">
    <strong class="no">{{ no }}</strong>
    <template v-if="sized"
      >{{ w.name }}, {{ sized }}{{ drives ? '; everything is measured from its shaft' : ',' }}</template
    >
    <template v-else>
      <TypedBlank v-model="w.name" :says="`name of wheel ${no}`" :wide="9" />
      <select v-if="!drives" v-model="w.role" :aria-label="`role of wheel ${no}`">
        <option value="driven">is driven</option>
        <option value="idler">is an idler</option>
      </select>
      <span v-else>drives</span>
      <TypedBlank v-if="toothed" v-model="w.teeth" :says="`teeth of wheel ${no}`" unit="teeth" />
      <template v-else
        ><TypedBlank v-model="w.diameter" :says="`diameter of wheel ${no}`" :unit="units.length" /> across</template
      >
    </template>
    <template v-if="!drives">
      <select v-if="!tapedTo" v-model="w.how" :aria-label="`place of wheel ${no}`">
        <option value="tapes">by two tapes:</option>
        <option value="xy">by x and y:</option>
        <option v-if="onStrand" value="strand">on its strand:</option>
      </select>
      <template v-if="w.how === 'tapes'">
        <TypedBlank v-model="w.from_first" :says="`wheel ${no}, first tape`" :unit="units.length" /> from {{ first }},
        <TypedBlank v-model="w.from_second" :says="`wheel ${no}, second tape`" :unit="units.length" /> from
        {{ second }},
        <select v-model="w.above" :aria-label="`wheel ${no}, which of both places`">
          <option :value="true">the upper place</option>
          <option :value="false">the lower place</option>
        </select>
      </template>
      <template v-else-if="w.how === 'strand'">
        <TypedBlank v-model="w.along" :says="`wheel ${no}, so far along`" :unit="units.length" /> along, pushed in
        <TypedBlank v-model="w.pushed" :says="`wheel ${no}, pushed in`" :unit="units.length" />
      </template>
      <template v-else>
        <TypedBlank v-model="w.x" :says="`wheel ${no}, to the right`" :unit="units.length" /> right,
        <TypedBlank v-model="w.y" :says="`wheel ${no}, up`" :unit="units.length" /> up
      </template>
      <select v-model="w.side" :aria-label="`side of wheel ${no}`">
        <option value="inside">inside the loop</option>
        <option value="outside">outside, on its back</option>
      </select>
      <template v-if="w.role === 'driven' && !sized"
        >takes <TypedBlank v-model="w.power" :says="`power of wheel ${no}`" :unit="units.power"
      /></template>
      <span class="row"><slot /></span>
    </template>
    <p v-for="e in faults" :key="e.path" class="field-fault" role="alert">{{ faultText(e) }}</p>
  </div>
</template>

<style scoped src="./clause.css"></style>
