<script setup lang="ts">
import { computed } from 'vue'

import { figureOf, type Result } from './figure'

// A flat belt across: dashed as it was, solid as it is; with an answer the loss is drawn in its true share, thick and wide alike.
const props = defineProps<{ result: Result }>()
const left = computed(() => figureOf(props.result, 'left'))
const share = computed(() => Math.sqrt(Math.min(Math.max((left.value?.value ?? 86) / 100, 0.2), 1)))
const NEW = { w: 420, h: 84, x: 110, y: 70 }
const now = computed(() => ({ w: NEW.w * share.value, h: NEW.h * share.value }))
</script>

<template>
  <svg viewBox="0 0 640 220" role="img" :aria-label="`A flat belt across${left ? `: ${left.shown} left` : ''}`">
    <rect :x="NEW.x" :y="NEW.y" :width="NEW.w" :height="NEW.h" class="thin dash" />
    <rect :x="NEW.x + (NEW.w - now.w) / 2" :y="NEW.y + NEW.h - now.h" :width="now.w" :height="now.h" class="metal" />
    <path
      :d="`M${NEW.x + (NEW.w - now.w) / 2} ${NEW.y + NEW.h + 10}v18M${NEW.x + (NEW.w + now.w) / 2} ${NEW.y + NEW.h + 10}v18M${
        NEW.x + (NEW.w - now.w) / 2
      } ${NEW.y + NEW.h + 20}h${now.w}`"
      class="thin"
    />
    <path
      :d="`M${NEW.x - 26} ${NEW.y + NEW.h - now.h}h18M${NEW.x - 26} ${NEW.y + NEW.h}h18M${NEW.x - 17} ${NEW.y + NEW.h}v-${now.h}`"
      class="thin"
    />
    <text x="320" y="54" text-anchor="middle" class="dim">dashed: as it was new</text>
    <text x="320" :y="NEW.y + NEW.h - now.h / 2 + 6" text-anchor="middle">at its worst place</text>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>
