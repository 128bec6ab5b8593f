<script setup lang="ts">
import { computed } from 'vue'

import type { JobLine } from '@/api/types'
import ElevationDrawing from '@/elevation/ElevationDrawing.vue'
import { fit } from '@/elevation/frame'
import { shortDate } from '@/shared/format/words'

// A job that was begun: its drive to scale, how far it is, the way back into it. All of it is one target.
const props = defineProps<{ job: JobLine }>()
const W = 132
const H = 72
const frame = computed(() =>
  props.job.elevation ? fit(props.job.elevation, W, H, { left: 4, right: 4, top: 4, bottom: 4 }, 0) : null,
)
const part = computed(() => (props.job.steps_all ? props.job.steps_done / props.job.steps_all : 0))
</script>

<template>
  <router-link
    :to="`/jobs/${job.id}`"
    class="open-job"
    :aria-label="`Go on: ${job.title}, ${job.machine}, ${job.drive}, ${job.steps_done} of ${job.steps_all} steps`"
  >
    <svg :viewBox="`0 0 ${W} ${H}`" :width="W" :height="H" aria-hidden="true">
      <ElevationDrawing v-if="job.elevation && frame" :elevation="job.elevation" :frame="frame" small />
    </svg>
    <span class="about">
      <strong>{{ job.title }}</strong>
      <span dir="auto">{{ job.machine }} · {{ job.drive }}</span>
      <span class="way-to" aria-hidden="true"><span :style="{ width: `${part * 100}%` }" /></span>
      <span
        ><b class="figure">{{ job.steps_done }}</b> of <b class="figure">{{ job.steps_all }}</b> steps
        <span class="dim">· since {{ shortDate(job.opened_at) }}, {{ job.opened_by || 'nobody named' }}</span></span
      >
    </span>
    <span class="way filled go" aria-hidden="true">Go on</span>
  </router-link>
</template>

<style scoped>
.open-job {
  display: grid;
  grid-template-columns: 132px minmax(0, 1fr) auto;
  gap: 4px 18px;
  align-items: center;
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
  color: var(--ink);
  text-decoration: none;
}
.about {
  display: grid;
  gap: 3px;
}
strong {
  font: 600 1.25rem var(--face-label);
}
.way-to {
  height: 12px;
  max-width: 420px;
  border: 1.5px solid var(--ink);
}
.way-to span {
  display: block;
  height: 100%;
  background: var(--ink);
}
@media (max-width: 700px) {
  .open-job {
    grid-template-columns: 100px minmax(0, 1fr);
    gap: 8px 12px;
  }
  svg {
    width: 100px;
  }
  .go {
    grid-column: 1 / -1;
  }
}
</style>
