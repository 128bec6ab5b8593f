<script setup lang="ts">
import { computed } from 'vue'

import type { Primitive, Scene } from '@/api/types'
import WideBox from '@/shared/ui/WideBox.vue'

// A scene of the core in the page's own colours: the same drawing that is printed.
const props = defineProps<{ scene: Scene }>()
const up = (y: number) => props.scene.height - y
const at = (p: Primitive, k = 0): [number, number] => [p.points[k]?.[0] ?? 0, up(p.points[k]?.[1] ?? 0)]
const outline = (p: Primitive) => p.points.map((_, k) => at(p, k).join(',')).join(' ')
function arc(p: Primitive): string {
  const [x, y] = at(p)
  const [a, b] = [p.start_deg, p.start_deg + p.sweep_deg].map((d) => (d * Math.PI) / 180) as [number, number]
  const place = (t: number) => `${x + p.r * Math.cos(t)} ${y - p.r * Math.sin(t)}`
  return `M ${place(a)} A ${p.r} ${p.r} 0 ${Number(Math.abs(p.sweep_deg) > 180)} ${Number(p.sweep_deg < 0)} ${place(b)}`
}
// Its words stay legible: where the screen is narrower than that the picture is moved sideways.
const LEGIBLE = 10
const least = computed(() => {
  const sizes = props.scene.items.flatMap((p) => (p.text ? [p.size] : []))
  return sizes.length ? `${Math.round((props.scene.width * LEGIBLE) / Math.min(...sizes))}px` : '0'
})
const anchors: Record<string, string> = { left: 'start', middle: 'middle', right: 'end' }
</script>

<template>
  <WideBox class="scene-box">
    <svg
      class="scene"
      :style="{ minWidth: least }"
      :viewBox="`0 0 ${scene.width} ${scene.height}`"
      role="img"
      :aria-label="scene.title"
    >
      <template v-for="(p, k) in scene.items" :key="k">
        <line
          v-if="p.kind === 'line'"
          :x1="at(p)[0]"
          :y1="at(p)[1]"
          :x2="at(p, 1)[0]"
          :y2="at(p, 1)[1]"
          :class="p.pen"
        />
        <circle v-else-if="p.kind === 'circle'" :cx="at(p)[0]" :cy="at(p)[1]" :r="p.r" :class="[p.pen, p.fill]" />
        <path v-else-if="p.kind === 'arc'" :d="arc(p)" :class="[p.pen, 'none']" />
        <polygon v-else-if="p.kind === 'shape'" :points="outline(p)" :class="[p.pen, p.fill]" />
        <text
          v-else
          :x="at(p)[0]"
          :y="at(p)[1]"
          :font-size="p.size"
          :text-anchor="anchors[p.align]"
          :class="['words', `in-${p.face}`, { bold: p.bold }]"
        >
          {{ p.text }}
        </text>
      </template>
    </svg>
  </WideBox>
</template>

<style scoped>
/* Its least width is its own matter: the page round it is no wider for it. */
.scene-box {
  contain: inline-size;
  width: 100%;
}
.scene {
  width: 100%;
  display: block;
}
line,
circle,
path,
polygon {
  stroke: var(--ink);
  stroke-linecap: round;
}
.hair {
  stroke-width: 0.15;
}
.thin,
.dashed {
  stroke-width: 0.25;
}
.dashed {
  stroke-dasharray: 1.6 1.1;
}
.thick {
  stroke-width: 0.5;
}
.heavy {
  stroke-width: 1;
}
.none {
  fill: none;
}
.paper {
  fill: var(--sheet);
}
.grey {
  fill: var(--panel);
}
.ink {
  fill: var(--ink);
}
.words {
  fill: var(--ink);
  font-family: var(--face-text);
}
.in-label {
  font-family: var(--face-label);
  font-weight: 500;
}
.in-figure {
  font-family: var(--face-figure);
}
.bold {
  font-weight: 600;
}
</style>
