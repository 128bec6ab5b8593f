<script setup lang="ts">
import type { Plate } from '@/api/types'
import { useSettings } from '@/shared/state/settings'

// What can be done at a drive that stands on a machine: a job, the question why it failed, the tag that stays there.
defineProps<{ id: string; plate: Plate; around?: boolean }>()
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
    <router-link :to="`/drives/${id}/change`" class="key job">Change the drive</router-link>
    <router-link v-if="around" :to="`/drives/${id}/way`" class="key job">Is it on right?</router-link>
    <router-link v-if="!plate.rows.length" :to="`/drives/${id}/speeds`" class="key job">Speeds</router-link>
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
    <p v-if="plate.rows.length" class="speeds">
      <router-link :to="`/drives/${id}/speeds`">Speeds</router-link>
      <span v-for="r in plate.rows" :key="r.setting + r.speed.shown"
        ><strong class="figure">{{ r.speed.shown }}</strong
        >&ensp;{{ r.setting }}</span
      >
    </p>
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
.speeds {
  flex-basis: 100%;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  align-items: baseline;
  margin: 0;
}
.speeds a,
.tag a {
  display: inline-grid;
  place-items: center;
  min-height: 44px;
  padding: 0 8px;
}
</style>
