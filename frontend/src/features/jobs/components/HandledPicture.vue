<script setup lang="ts">
import { computed } from 'vue'

import type { Elevation, JobStep } from '@/api/types'
import ElevationDrawing from '@/elevation/ElevationDrawing.vue'
import { fit } from '@/elevation/frame'
import HandledMark from '@/elevation/HandledMark.vue'
import { stepWords } from '../logic/words'

// The drive to scale with the part that this step is about marked and named.
const props = defineProps<{ elevation: Elevation; handled: JobStep['handled'] }>()
const word = computed(() => stepWords(props.handled.words))
const frame = computed(() => fit(props.elevation, 366, 170, { left: 24, right: 24, top: 18, bottom: 32 }, 0))
</script>

<template>
  <svg
    viewBox="0 0 366 170"
    role="img"
    :aria-label="word ? `The drive, to scale; marked: ${word}` : 'The drive, to scale'"
    class="sheet drawing picture"
  >
    <HandledMark :elevation="elevation" :frame="frame" :handled="handled" />
    <ElevationDrawing :elevation="elevation" :frame="frame" small />
    <text v-if="word" x="358" y="163" text-anchor="end" class="here">here: {{ word }}</text>
    <text v-else x="358" y="163" text-anchor="end" class="away">away from the drive</text>
  </svg>
</template>

<style scoped>
.drawing {
  width: 100%;
  max-height: 30vh;
}
.here {
  font: 600 17px var(--face-label);
  fill: var(--ink);
}
.away {
  font: 500 16px var(--face-label);
  fill: var(--dim);
}
</style>
