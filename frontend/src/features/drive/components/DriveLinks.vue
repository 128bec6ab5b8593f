<script setup lang="ts">
import { useSettings } from '@/shared/state/settings'

// What can be done at a drive that stands on a machine: a job, the question why it failed, the tag that stays there.
defineProps<{ id: string }>()
const settings = useSettings()
const TAGS = [
  { size: '100x50', words: '100 × 50 mm' },
  { size: '4x2in', words: '4 × 2 in' },
  { size: 'round60', words: 'round 60 mm' },
]
</script>

<template>
  <div class="at">
    <router-link :to="`/drives/${id}/jobs`" class="key job">Job at this drive</router-link>
    <router-link :to="`/drives/${id}/why`" class="key job">Why did it fail?</router-link>
    <router-link :to="`/drives/${id}/timeline`" class="key job">Timeline</router-link>
    <router-link :to="{ path: '/files', query: { drive: id } }" class="key job">Record as a file</router-link>
    <span class="tag"
      >Tag for the machine
      <a
        v-for="t in TAGS"
        :key="t.size"
        :href="`/api/drives/${id}/tag.pdf?size=${t.size}&units=${settings.units}`"
        target="_blank"
        rel="noopener"
        >{{ t.words }}</a
      ></span
    >
    <span class="tag"
      >Drawing
      <a
        v-for="k in ['pdf', 'svg', 'dxf']"
        :key="k"
        :href="`/api/drives/${id}/drawing.${k}?units=${settings.units}`"
        target="_blank"
        rel="noopener"
        >{{ k.toUpperCase() }}</a
      ></span
    >
  </div>
</template>

<style scoped>
.job {
  justify-self: start;
  min-height: 48px;
  display: grid;
  place-items: center;
  text-decoration: none;
}
.at {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: center;
}
.tag a {
  display: inline-grid;
  place-items: center;
  min-height: 44px;
  padding: 0 8px;
}
</style>
