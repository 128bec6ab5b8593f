<script setup lang="ts">
import { figureOf, type Result } from './figure'

// The power that the machine takes, and under it what the drive is sized for.
const props = defineProps<{ result: Result }>()
const factor = () => figureOf(props.result, 'factor')
const long = () => 220 * Math.min(factor()?.value ?? 1.3, 2.4)
</script>

<template>
  <svg
    viewBox="0 0 640 170"
    role="img"
    :aria-label="`Power of the machine and power it is sized for${factor() ? `: ${factor()?.number} times` : ''}`"
  >
    <text x="20" y="26">the power it takes</text>
    <rect x="20" y="36" width="220" height="34" class="metal" />
    <text x="20" y="104">the power it is sized for</text>
    <rect x="20" y="114" :width="long()" height="34" class="solid" />
    <path d="M240 28V158" class="thin dash" />
    <text :x="28 + long()" y="139" class="big">{{ factor() ? `× ${factor()?.number}` : '' }}</text>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>
