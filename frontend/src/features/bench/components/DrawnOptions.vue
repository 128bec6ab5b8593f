<script setup lang="ts">
import { computed } from 'vue'

import type { Elevation, Figure } from '@/api/types'
import ElevationDrawing from '@/features/drive/components/ElevationDrawing.vue'
import { fit } from '@/features/drive/logic/layout'
import { plainName } from '@/shared/format/words'

// Options of any family: drawn at one scale, with the figures that tell them apart.
interface Option {
  name: string
  elevation: Elevation
  drive?: Record<string, unknown>
  [key: string]: unknown
}
const props = defineProps<{
  options: Option[]
  rejected: { limit: string; count: number }[]
  considered: number
  accepted: number
}>()
const W = 250
const H = 120
const INSET = { left: 8, right: 8, top: 8, bottom: 8 }
const TELLING = ['driven_speed', 'pitches', 'centre_distance', 'spare', 'shaft_pull', 'chain_mass']
const scale = computed(() => Math.min(...props.options.map((o) => fit(o.elevation, W, H, INSET, 0).scale)))
const isFigure = (x: unknown): x is Figure => typeof x === 'object' && x !== null && 'shown' in x
function rows(o: Option) {
  const own = Object.entries(o).filter(([k]) => !k.endsWith('teeth'))
  const inner = TELLING.map((k) => [k, o.drive?.[k]] as const)
  return [...inner, ...own].flatMap(([k, x]) => (isFigure(x) ? [{ name: plainName(k), shown: x.shown }] : []))
}
</script>

<template>
  <section class="drawn">
    <p>
      <strong>{{ accepted.toLocaleString('en-US') }}</strong> of {{ considered.toLocaleString('en-US') }} combinations
      do it; the best of each size are drawn at one scale.
    </p>
    <div class="options">
      <article v-for="o in options" :key="o.name" class="sheet">
        <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="`${o.name}, side view at the scale of all options`">
          <ElevationDrawing :elevation="o.elevation" :frame="fit(o.elevation, W, H, INSET, 0, scale)" small />
        </svg>
        <h3 class="figure">{{ o.name }}</h3>
        <dl>
          <div v-for="r in rows(o)" :key="r.name">
            <dt>{{ r.name }}</dt>
            <dd>{{ r.shown }}</dd>
          </div>
        </dl>
      </article>
    </div>
    <p v-if="rejected.length" class="dim">
      Fell out:
      <span v-for="(r, k) in rejected" :key="r.limit"
        >{{ k ? ', ' : '' }}{{ r.count.toLocaleString('en-US') }} by {{ r.limit }}</span
      >.
    </p>
  </section>
</template>

<style scoped>
.drawn {
  display: grid;
  gap: 12px;
}
.options {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(262px, 1fr));
  gap: 12px;
}
article {
  padding: 8px 12px 12px;
  display: grid;
  gap: 4px;
  align-content: start;
}
svg {
  width: 100%;
  height: 120px;
}
h3 {
  font-size: 19px;
  font-family: var(--face-figure);
}
dl {
  margin: 0;
}
dl div {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  border-bottom: 1px dotted var(--line);
}
dt {
  color: var(--dim);
}
dd {
  margin: 0;
  font: 600 16px var(--face-figure);
  white-space: nowrap;
}
</style>
