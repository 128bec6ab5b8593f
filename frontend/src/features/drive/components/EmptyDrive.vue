<script setup lang="ts">
import { computed } from 'vue'

import type { Drive } from '@/api/types'

// A drive of which nothing is known but, it may be, what it must do: two dashed wheels in the ratio of the speeds, what is
// asked of each, and what is still to be found out as open blanks. Two ways on.
const props = defineProps<{ duty: Drive['duty'] }>()
const emit = defineEmits<{ choose: []; duty: []; found: [] }>()

const W = 720
const H = 330
const MIDDLE = 158
const LARGE = 104
const ratio = computed(() => (props.duty ? props.duty.driver_speed.value / props.duty.driven_speed.value : 1.8))
/** Both wheels in their ratio, the larger as large as there is room. */
const wheels = computed(() => {
  const down = ratio.value >= 1
  const small = LARGE / (down ? ratio.value : 1 / ratio.value)
  return down
    ? { driver: { x: 130, r: small }, driven: { x: 590, r: LARGE } }
    : { driver: { x: 130, r: LARGE }, driven: { x: 590, r: small } }
})
/** The two straight strands: where a line touches both circles on the same side. */
const strands = computed(() => {
  const { driver: a, driven: b } = wheels.value
  const d = b.x - a.x
  const lean = (a.r - b.r) / d
  const up = Math.sqrt(1 - lean * lean)
  const on = (w: { x: number; r: number }, side: number) => `${w.x + w.r * lean} ${MIDDLE - side * w.r * up}`
  return [1, -1].map((side) => `M${on(a, side)}L${on(b, side)}`)
})
const says = computed(() =>
  props.duty
    ? `Driver at ${props.duty.driver_speed.shown}, driven at ${props.duty.driven_speed.shown}, ${props.duty.ratio}, ${props.duty.power.shown}. Wheels and belt are not known yet.`
    : 'Nothing is known of it yet: neither wheels nor belt, neither speeds nor power.',
)
</script>

<template>
  <section class="sheet empty" aria-labelledby="empty-title">
    <h2 id="empty-title">Nothing drawn yet</h2>
    <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="says">
      <g fill="none" stroke="var(--dim)" stroke-width="2" stroke-dasharray="9 7">
        <circle v-for="w in [wheels.driver, wheels.driven]" :key="w.x" :cx="w.x" :cy="MIDDLE" :r="w.r" />
        <path v-for="s in strands" :key="s" :d="s" />
      </g>
      <g stroke="var(--dim)" stroke-width="1.4">
        <path
          v-for="w in [wheels.driver, wheels.driven]"
          :key="w.x"
          :d="`M${w.x - 7} ${MIDDLE}h14M${w.x} ${MIDDLE - 7}v14`"
        />
        <path
          :d="`M${wheels.driver.x} ${MIDDLE + 12}V296M${wheels.driven.x} ${MIDDLE + 12}V296`"
          stroke-dasharray="2 4"
        />
        <path :d="`M${wheels.driver.x} 288H${wheels.driven.x}`" />
        <path :d="`M${wheels.driver.x} 288l10-4v8ZM${wheels.driven.x} 288l-10-4v8Z`" fill="var(--dim)" stroke="none" />
      </g>
      <g v-for="w in ['driver', 'driven'] as const" :key="w" text-anchor="middle">
        <text :x="wheels[w].x" :y="MIDDLE - wheels[w].r - (wheels[w].r < LARGE ? 26 : 12)" class="figure">
          <tspan class="word">{{ w }}</tspan>
          {{ duty ? duty[w === 'driver' ? 'driver_speed' : 'driven_speed'].shown : '? rpm' }}
        </text>
      </g>
      <text :x="(wheels.driver.x + wheels.driven.x) / 2" y="280" text-anchor="middle" class="figure">
        {{ duty?.centre ? `about ${duty.centre.shown}` : 'how far apart?' }}
      </text>
      <text
        v-if="duty"
        :x="(wheels.driver.x + wheels.driven.x) / 2 + (wheels.driver.r - wheels.driven.r) / 2"
        :y="MIDDLE - 4"
        text-anchor="middle"
        class="great"
      >
        {{ duty.ratio }}
      </text>
      <text
        :x="(wheels.driver.x + wheels.driven.x) / 2 + (wheels.driver.r - wheels.driven.r) / 2"
        :y="MIDDLE + (duty ? 30 : 6)"
        text-anchor="middle"
        class="word"
      >
        {{ duty ? `${duty.power.shown}, which belt?` : 'which belt?' }}
      </text>
    </svg>
    <p>
      <template v-if="duty"
        >The wheels stand in the ratio of the speeds; their sizes are not known. Choose a drive, or write down the one
        that is there: it is then drawn to scale.</template
      >
      <template v-else
        >Write down what is on it, or say what it must do and choose a drive. It is then drawn here to scale.</template
      >
    </p>
    <div class="row">
      <el-button type="primary" @click="duty ? emit('choose') : emit('duty')">{{
        duty ? 'Choose a drive for it' : 'Say what it must do'
      }}</el-button>
      <el-button @click="emit('found')">Write down what is there</el-button>
    </div>
  </section>
</template>

<style scoped>
.empty {
  padding: 12px 18px;
  display: grid;
  grid-template-rows: auto 1fr auto auto;
  gap: 6px;
  justify-items: start;
}
svg {
  width: 100%;
  max-height: 330px;
  justify-self: center;
}
.word {
  font: 500 17px var(--face-label);
  fill: var(--dim);
}
.figure {
  font: 600 20px var(--face-figure);
  fill: var(--ink);
}
.great {
  font: 600 25px var(--face-figure);
  fill: var(--ink);
}
@media (max-width: 700px) {
  .word {
    font-size: 27px;
  }
  .figure {
    font-size: 31px;
  }
  .great {
    font-size: 36px;
  }
}
</style>
