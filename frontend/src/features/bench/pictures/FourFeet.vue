<script setup lang="ts">
import type { Result } from './figure'

// A machine from above on its four feet; the foot that lifts is marked where it stands.
const props = defineProps<{ result: Result }>()
const FEET = [
  { name: 'inboard near', x: 220, y: 44 },
  { name: 'outboard near', x: 420, y: 44 },
  { name: 'inboard far', x: 220, y: 182 },
  { name: 'outboard far', x: 420, y: 182 },
]
const soft = (name: string) =>
  Array.isArray(props.result?.feet) && (props.result.feet as { foot: string }[]).some((f) => f.foot === name)
</script>

<template>
  <svg viewBox="0 0 640 226" role="img" aria-label="A machine on its four feet, from above">
    <path d="M236 58h168v110H236z" class="metal" />
    <path d="M236 76h168M236 94h168M236 132h168M236 150h168" class="thin" />
    <path d="M164 103h72v20h-72z" class="metal" />
    <path d="M164 74h30v78h-30z" class="metal" />
    <g v-for="f in FEET" :key="f.name">
      <path :d="`M${f.x - 30} ${f.y - 16}h60v32h-60z`" class="metal" :class="{ soft: soft(f.name) }" />
      <circle :cx="f.x" :cy="f.y" r="8" class="paper thin" />
    </g>
    <text x="320" y="20" text-anchor="middle">near the other machine</text>
    <text x="320" y="222" text-anchor="middle">far from it</text>
    <text x="150" y="176" text-anchor="end" class="dim">inboard</text>
    <text x="470" y="118" class="dim">outboard</text>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
.soft {
  stroke: var(--hot);
  stroke-width: 4;
  stroke-dasharray: 7 4;
}
</style>
