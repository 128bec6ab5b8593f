<script setup lang="ts">
import type { Band, Figure } from '@/api/types'

import JointDrawing from './JointDrawing.vue'

// The card of a job by hand: drawing where there is one, the work in order, the cautions first.
interface Card {
  joint?: string
  name: string
  thickness?: Figure
  width?: Figure
  lap_short?: Figure | null
  lap_long?: Figure | null
  hooks_for?: Band | null
  card: string[]
  cautions: string[]
}
defineProps<{
  card: Card
  /** The joint is drawn beside the question already. */
  drawn?: boolean
}>()
</script>

<template>
  <section class="sheet card">
    <h2>{{ card.name }}</h2>
    <div class="pair">
      <div>
        <JointDrawing
          v-if="!drawn && card.joint && card.thickness && card.width"
          :joint="card.joint"
          :thickness="card.thickness.value"
          :width="card.width.value"
          :lap="card.lap_long?.value ?? null"
        />
        <p v-if="card.lap_short">
          Lap <b class="figure">{{ card.lap_short.shown }}</b><template
            v-if="card.lap_long && card.lap_long.value > card.lap_short.value"
          >
            to <b class="figure">{{ card.lap_long.shown }}</b></template
          >
        </p>
        <p v-if="card.hooks_for">
          Hooks made for belts <b class="figure">{{ card.hooks_for.shown }}</b>
        </p>
        <ul class="cautions">
          <li v-for="c in card.cautions" :key="c">{{ c }}</li>
        </ul>
      </div>
      <ol>
        <li v-for="s in card.card" :key="s">{{ s }}</li>
      </ol>
    </div>
  </section>
</template>

<style scoped>
.card {
  padding: 12px 16px;
  display: grid;
  gap: 8px;
}
.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(340px, 100%), 1fr));
  gap: 8px 24px;
}
ol {
  padding-left: 24px;
  margin: 0;
}
li {
  margin-bottom: 6px;
}
.cautions {
  margin: 0;
  padding: 8px 8px 2px 28px;
  border-left: 5px solid var(--hot);
}
</style>
