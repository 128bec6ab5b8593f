<script setup lang="ts">
import { computed } from 'vue'

import { api, attempt } from '@/api/client'
import { counted } from '@/shared/format/words'
import type { RatingLine, RatingPreview } from '@/api/types'
import { readRatings } from '@/shared/state/ratings'
import FaultList from '@/shared/ui/FaultList.vue'
import FoldedSheet from '@/shared/ui/FoldedSheet.vue'

import { useBroughtList } from '../logic/brought'
import LookedThrough from './LookedThrough.vue'

// The shop's own rating table, for belts that no public book rates: looked through first, then kept, shown as yours.
const {
  lines,
  looked: preview,
  problem,
  entry,
  look,
  keep,
} = useBroughtList<RatingLine, RatingPreview>(
  'shelf.ratings',
  '/api/ratings',
  (units, text) => attempt(api.POST('/api/ratings/preview', { body: { units, text } })),
  readRatings,
)
const EXAMPLE = 'section,diameter,rpm,hp\n3V,2.65,1160,…\n3V,2.65,1750,…\n3V,6,1160,…\n3V,6,1750,…'
const sections = computed(() => {
  const found = new Map<string, number>()
  for (const l of lines.value ?? []) found.set(l.section, (found.get(l.section) ?? 0) + 1)
  return [...found]
})
const kept = computed(() => (sections.value.length ? `${counted(lines.value?.length ?? 0, 'line')} kept` : ''))
</script>

<template>
  <FoldedSheet title="Your own rating table" :note="kept" :open="!!entry.text.trim()">
    <p class="dim">
      For belts that no public book rates, or where you trust your own figures more: what one belt carries, by section,
      pitch diameter of the small sheave and speed. At least two diameters and two speeds a section; it is read between
      them, never beyond.
    </p>
    <p v-if="sections.length">
      Kept:
      <span v-for="([name, count], k) in sections" :key="name"
        >{{ k ? ', ' : '' }}<b>{{ name }}</b> {{ count }} lines</span
      >.
    </p>
    <label class="label" for="ratings">The table, or paste it here</label>
    <el-input id="ratings" v-model="entry.text" type="textarea" :rows="5" :placeholder="EXAMPLE" />
    <div class="row">
      <el-button type="primary" :disabled="!entry.text.trim()" @click="look">Look the table through</el-button>
    </div>
    <FaultList :faults="problem?.errors ?? []" />
    <LookedThrough v-if="preview" :looked="preview" keep="Keep the table" @keep="keep" />
  </FoldedSheet>
</template>
