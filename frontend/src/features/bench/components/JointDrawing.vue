<script setup lang="ts">
import { computed } from 'vue'

// The joint from above and from the side. The lap is drawn at the scale of the belt's own thickness; the rest is a fitter's sketch.
const props = defineProps<{ joint: string; thickness: number; width: number; lap: number | null }>()
const W = 520
const H = 252
const TOP = 34
const high = computed(() => Math.min(96, Math.max(56, props.width * 0.6)))
const side = 182
const thick = computed(() => (props.lap ? Math.max(3, Math.min(18, (420 / props.lap) * props.thickness)) : 14))
const lapLength = computed(() =>
  props.lap ? Math.min(420, Math.max(60, (props.lap * thick.value) / Math.max(props.thickness, 0.1))) : 0,
)
const hooks = computed(() => Array.from({ length: 7 }, (_, k) => TOP + 8 + (k * (high.value - 16)) / 6))
const holes = computed(() => Array.from({ length: 5 }, (_, k) => TOP + 10 + (k * (high.value - 20)) / 4))
const kind = computed(() =>
  props.joint.startsWith('lap') || props.joint === 'instrument'
    ? 'lap'
    : props.joint.startsWith('hooks')
      ? 'hooks'
      : props.joint,
)
const mid = W / 2
const gap = computed(() => (kind.value === 'hooks' ? 16 : kind.value === 'weld' || kind.value === 'lap' ? 0 : 3))
</script>

<template>
  <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="`The joint from above and from the side`">
    <g stroke="var(--ink)" stroke-width="1.6" fill="var(--metal)">
      <!-- from above -->
      <template v-if="kind !== 'lap'">
        <rect x="16" :y="TOP" :width="mid - 16 - gap / 2" :height="high" />
        <rect :x="mid + gap / 2" :y="TOP" :width="mid - 16 - gap / 2" :height="high" />
      </template>
      <template v-else>
        <rect x="16" :y="TOP" :width="W - 32" :height="high" />
        <line :x1="mid - lapLength / 2" :x2="mid - lapLength / 2" :y1="TOP" :y2="TOP + high" stroke-dasharray="7 5" />
        <line :x1="mid + lapLength / 2" :x2="mid + lapLength / 2" :y1="TOP" :y2="TOP + high" />
      </template>
      <g v-if="kind === 'hooks'" fill="none" stroke-width="2.2">
        <path
          v-for="(y, k) in hooks"
          :key="k"
          :d="
            k % 2
              ? `M ${mid + gap / 2 + 26} ${y} H ${mid - 4} a 4 4 0 0 0 0 6 H ${mid + gap / 2 + 26}`
              : `M ${mid - gap / 2 - 26} ${y} H ${mid + 4} a 4 4 0 0 1 0 6 H ${mid - gap / 2 - 26}`
          "
        />
        <line :x1="mid" :x2="mid" :y1="TOP - 4" :y2="TOP + high + 4" stroke="var(--ink)" stroke-width="3" />
      </g>
      <g v-if="kind === 'rawhide'">
        <template v-for="(y, k) in holes" :key="k">
          <circle :cx="mid - 14" :cy="y" r="3.2" fill="var(--sheet)" />
          <circle :cx="mid + 14" :cy="y" r="3.2" fill="var(--sheet)" />
          <circle v-if="k < 4" :cx="mid - 32" :cy="y + (high - 20) / 8" r="3.2" fill="var(--sheet)" />
          <circle v-if="k < 4" :cx="mid + 32" :cy="y + (high - 20) / 8" r="3.2" fill="var(--sheet)" />
          <line :x1="mid - 14" :x2="mid + 14" :y1="y" :y2="y" stroke="var(--ink)" stroke-width="5" />
          <line
            v-if="k < 4"
            :x1="mid - 32"
            :x2="mid + 32"
            :y1="y + (high - 20) / 8"
            :y2="y + (high - 20) / 8"
            stroke="var(--ink)"
            stroke-width="5"
          />
        </template>
      </g>
      <g v-if="kind === 'plates'">
        <template v-for="(y, k) in holes" :key="k">
          <rect :x="mid - 34" :y="y - 6" width="68" height="12" rx="6" fill="var(--sheet)" />
          <circle :cx="mid - 22" :cy="y" r="3.4" />
          <circle :cx="mid + 22" :cy="y" r="3.4" />
        </template>
      </g>
      <line v-if="kind === 'weld'" :x1="mid" :x2="mid" :y1="TOP" :y2="TOP + high" stroke-width="3" />
      <!-- from the side -->
      <g v-if="kind === 'lap'">
        <polygon
          :points="`16,${side} ${mid + lapLength / 2},${side} ${mid - lapLength / 2},${side + thick} 16,${side + thick}`"
        />
        <polygon
          :points="`${mid + lapLength / 2},${side} ${W - 16},${side} ${W - 16},${side + thick} ${mid - lapLength / 2},${side + thick}`"
          fill="var(--panel)"
        />
      </g>
      <g v-else>
        <rect x="16" :y="side" :width="mid - 16 - gap / 2" :height="thick" />
        <rect :x="mid + gap / 2" :y="side" :width="mid - 16 - gap / 2" :height="thick" />
      </g>
      <g v-if="kind === 'hooks'" fill="none" stroke-width="2.4">
        <ellipse :cx="mid" :cy="side + thick / 2" rx="26" :ry="thick / 2 - 1" />
        <circle :cx="mid" :cy="side + thick / 2" r="3.4" fill="var(--ink)" stroke="none" />
      </g>
      <g v-if="kind === 'plates'" fill="var(--sheet)">
        <rect :x="mid - 34" :y="side - 6" width="68" height="5" />
        <rect :x="mid - 34" :y="side + thick + 1" width="68" height="5" />
        <line
          v-for="d in [-22, 22]"
          :key="d"
          :x1="mid + d"
          :x2="mid + d"
          :y1="side - 9"
          :y2="side + thick + 6"
          stroke-width="4"
        />
      </g>
      <path
        v-if="kind === 'rawhide'"
        :d="`M ${mid - 32} ${side - 3} H ${mid + 32} M ${mid - 14} ${side + thick + 3} H ${mid + 14}`"
        stroke="var(--ink)"
        stroke-width="5"
      />
      <path
        v-if="kind === 'weld'"
        :d="`M ${mid} ${side - 4} q 5 4 0 8 M ${mid} ${side} V ${side + thick}`"
        fill="none"
        stroke-width="3"
      />
    </g>
    <g class="words" fill="var(--ink)">
      <text x="16" y="24">from above</text>
      <text x="16" :y="side - 12">from the side, pulley below</text>
      <template v-if="kind === 'lap'">
        <line
          :x1="mid - lapLength / 2"
          :x2="mid + lapLength / 2"
          :y1="TOP + high + 12"
          :y2="TOP + high + 12"
          stroke="var(--ink)"
        />
        <text :x="mid" :y="TOP + high + 26" text-anchor="middle">lap</text>
        <path
          :d="`M ${W - 130} ${side + thick + 24} h 84 m -12 -6 l 12 6 l -12 6`"
          fill="none"
          stroke="var(--ink)"
          stroke-width="2"
        />
        <text :x="W - 140" :y="side + thick + 29" text-anchor="end">runs this way: the inner point trails</text>
      </template>
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
}
.words {
  font: 0.9375rem var(--face-label);
}
</style>
