<script setup lang="ts">
import { figureOf, type Result } from './figure'

// A flat pulley on its edge; the rise of its middle is drawn ten times too high, to be seen.
const props = defineProps<{ result: Result }>()
const crown = () => figureOf(props.result, 'crown')
</script>

<template>
  <svg
    viewBox="0 0 640 226"
    role="img"
    :aria-label="`A crowned pulley on its edge${crown() ? `: ${crown()?.shown} high` : ''}`"
  >
    <path d="M60 98h520v30H60z" class="metal" />
    <path d="M210 44Q320 20 430 44V182Q320 206 210 182Z" class="metal" />
    <path d="M210 44H430M210 32v12" class="thin dash" />
    <path d="M320 32V44M448 32h40M448 44h40M468 12v20M468 64V44M463 27l5 6 5-6M463 49l5-6 5 6" class="thin" />
    <text v-if="crown()" x="500" y="34" class="big">{{ crown()?.shown }}</text>
    <text x="500" y="58">higher</text>
    <text x="20" y="182" class="dim">drawn too high,</text>
    <text x="20" y="208" class="dim">to be seen</text>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>
