<script setup lang="ts">
import { computed } from 'vue'

import type { FamilyOffer, Option } from '@/api/types'
import ElevationDrawing from '@/elevation/ElevationDrawing.vue'
import { fit } from '@/elevation/frame'
import { useFrames } from '@/shared/ui/frames'

import { CARD, commonScale, optionKey } from './card'

// The best of each family side by side at one scale: its drawing, its name, three figures, one button.
const props = defineProps<{ families: FamilyOffer[]; picked: string; over?: string; laid?: boolean }>()
const emit = defineEmits<{ take: [family: FamilyOffer, option: Option]; over: [key: string] }>()
const best = computed(() =>
  props.families.flatMap((family) => {
    const option = family.options[0]
    return option ? [{ family, option }] : []
  }),
)
// The kinds of answer are named across the families, and only where they are true.
const named = computed(() => {
  const least = (of: (o: Option) => number) => Math.min(...best.value.map((b) => of(b.option)))
  const size = (o: Option) => o.elevation.width * o.elevation.height
  const [parts, small, light] = [least((o) => o.parts.value), least(size), least((o) => o.weight.high.value)]
  return new Map(
    best.value.map(({ option: o }) => [
      optionKey(o),
      [
        o.parts.value === parts ? 'fewest parts' : '',
        size(o) === small ? 'smallest' : '',
        o.weight.high.value === light ? 'lightest' : '',
      ].filter(Boolean),
    ]),
  )
})
// A drawing a frame: four of them at once would be one long one.
const drawn = useFrames(8)
const scale = computed(() => commonScale(best.value.map((b) => b.option)))
const frame = (o: Option) => fit(o.elevation, CARD.w, CARD.h, CARD.inset, 0, scale.value)
</script>

<template>
  <div class="best" role="group" aria-label="The best of each family">
    <article
      v-for="(b, at) in best"
      :key="optionKey(b.option)"
      class="sheet one"
      :class="{ here: laid && over === optionKey(b.option) }"
    >
      <header>
        <span class="label">{{ b.family.title }}</span>
        <span v-for="k in best.length > 1 ? named.get(optionKey(b.option)) : b.option.kinds" :key="k" class="kind">{{
          k
        }}</span>
      </header>
      <svg :viewBox="`0 0 ${CARD.w} ${CARD.h}`" aria-hidden="true">
        <ElevationDrawing v-if="drawn >= at" :elevation="b.option.elevation" :frame="frame(b.option)" small />
      </svg>
      <p class="figure name">{{ b.option.name }}</p>
      <dl>
        <div>
          <dt>to spare</dt>
          <dd class="figure">{{ b.option.spare.shown }}</dd>
        </div>
        <div>
          <dt>shaft load</dt>
          <dd class="figure">{{ b.option.shaft_load.shown }}</dd>
        </div>
        <div>
          <dt>weight</dt>
          <dd class="figure">{{ b.option.weight.shown }}</dd>
        </div>
      </dl>
      <div class="do">
        <button
          v-if="laid"
          type="button"
          class="way"
          :aria-pressed="over === optionKey(b.option)"
          :aria-label="`Lay ${b.option.name} over what is there`"
          @click="emit('over', optionKey(b.option))"
        >
          Lay it over
        </button>
        <button
          type="button"
          class="way"
          :class="{ filled: picked === optionKey(b.option) }"
          :aria-label="`Take ${b.option.name}`"
          @click="emit('take', b.family, b.option)"
        >
          {{ picked === optionKey(b.option) ? 'Chosen' : 'Take' }}
        </button>
      </div>
    </article>
  </div>
</template>

<style scoped>
.best {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(220px, 100%), 1fr));
  gap: 10px;
}
.one {
  padding: 8px 12px 10px;
  display: grid;
  gap: 3px;
  align-content: start;
}
.one.here {
  outline: 3px solid var(--ink);
  outline-offset: -3px;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
  min-height: 26px;
}
.kind {
  border: 1px solid var(--ink);
  padding: 0 6px;
  font: 600 0.9375rem var(--face-label);
}
svg {
  width: 100%;
  height: 104px;
}
.name {
  font-size: 1.25rem;
}
dl {
  display: flex;
  justify-content: space-between;
  gap: 6px;
  margin: 0;
}
dt {
  color: var(--dim);
  font: 400 0.9375rem var(--face-label);
}
dd {
  margin: 0;
  font-size: 1rem;
  white-space: nowrap;
}
.do {
  display: flex;
  gap: 8px;
}
.do .way {
  flex: 1;
  padding: 0 6px;
}
.way[aria-pressed='true'] {
  background: var(--ink);
  border-color: var(--ink);
  color: var(--sheet);
}
</style>
