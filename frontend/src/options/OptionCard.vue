<script setup lang="ts">
import { computed } from 'vue'

import type { Option } from '@/api/types'
import ElevationDrawing from '@/elevation/ElevationDrawing.vue'
import { fit } from '@/elevation/frame'

import { CARD } from './card'

// One drive of any family: drawn at the scale of all options, its figures; in full also what only its family has and
// what speaks for it.
const props = defineProps<{ option: Option; scale: number; picked: boolean; no?: number; full?: boolean }>()
const emit = defineEmits<{ pick: []; work: [] }>()
const frame = computed(() => fit(props.option.elevation, CARD.w, CARD.h, CARD.inset, 0, props.scale))
const rows = computed(() => {
  const o = props.option
  return [
    { label: 'driven speed', shown: o.driven_speed.shown, also: `${o.speed_error.number} %` },
    ...(props.full ? o.more.map((m) => ({ ...m, also: '' })) : []),
    { label: 'centre distance', shown: o.centre_distance.shown, also: '' },
    { label: 'shaft load', shown: o.shaft_load.shown, also: '' },
    { label: 'width', shown: o.width.shown, also: '' },
    { label: 'weight, about', shown: o.weight.shown, also: '' },
    { label: 'efficiency', shown: o.efficiency.shown, also: '' },
    {
      label: 'lost a year, about',
      shown: o.yearly_loss.shown,
      also: o.yearly_cost ? `= ${o.yearly_cost.shown}` : '',
    },
    { label: 'to spare', shown: o.spare.shown, also: '' },
  ]
})
</script>

<template>
  <article class="option" :class="{ picked }" tabindex="-1">
    <svg
      :viewBox="`0 0 ${CARD.w} ${CARD.h}`"
      role="img"
      :aria-label="`${option.name}, side view at the scale of all options`"
    >
      <ElevationDrawing :elevation="option.elevation" :frame="frame" small />
    </svg>
    <h3 class="figure">
      {{ option.name }}
    </h3>
    <p v-if="no" class="no">
      choice <b>{{ no }}</b>
    </p>
    <p class="kinds">{{ option.kinds.join(', ') }}</p>
    <p class="dim telling">{{ option.telling }}</p>
    <dl>
      <div v-for="r in rows" :key="r.label">
        <dt>{{ r.label }}</dt>
        <dd :class="{ words: r.shown.length > 18 }">
          {{ r.shown }}<small v-if="r.also"> {{ r.also }}</small>
        </dd>
      </div>
    </dl>
    <p v-if="full && option.reasons.length" class="reasons">{{ option.reasons.join(' · ') }}</p>
    <el-button text :aria-label="`How come these figures? ${option.name}`" @click="emit('work')"
      >How come these figures?</el-button
    >
    <el-button
      :aria-pressed="picked"
      :aria-label="`${picked ? 'Chosen' : 'Take this one'}: ${option.name}`"
      @click="emit('pick')"
      >{{ picked ? 'Chosen' : 'Take this one' }}</el-button
    >
  </article>
</template>

<style scoped>
.option {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 3px;
  align-content: start;
  padding: 4px 8px 10px;
  border: 1px solid var(--line);
  background: var(--sheet);
}
.picked {
  outline: 3px solid var(--ink);
}
svg {
  width: 100%;
  height: 118px;
}
h3 {
  font-size: 1.25rem;
  font-family: var(--face-figure);
  line-height: 1.15;
}
.no {
  font: 600 0.9375rem var(--face-label);
}
.kinds {
  min-height: 24px;
  font-weight: 600;
}
.telling,
.reasons {
  font-size: 0.9375rem;
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
  font: 600 1rem var(--face-figure);
  white-space: nowrap;
}
/* What is said in words takes a second line where it must. */
dd.words {
  white-space: normal;
  text-align: right;
  font: 600 0.9375rem/1.2 var(--face-text);
}
dd small {
  font-weight: 400;
  font-size: 0.875rem;
  margin-left: 8px;
}
</style>
