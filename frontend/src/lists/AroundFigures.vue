<script setup lang="ts">
import { computed } from 'vue'

import type { components } from '@/api/schema'

// A loop of many wheels in figures: how it is set and taken up first, then wheel by wheel and strand by strand.
type Around = components['schemas']['AroundOut']
const props = defineProps<{ around: Around }>()
// A figure that was worked opens its working.
const emit = defineEmits<{ how: [step: string, title: string] }>()
const rows = computed(() =>
  props.around.wheels.map((w) => ({ ...w, loaded: props.around.loaded.find((l) => l.wheel === w.wheel) })),
)
const strands = computed(() =>
  props.around.strands.map((s) => ({ ...s, setting: props.around.spans.find((x) => x.strand === s.id) })),
)
const pull = computed(() => {
  const p = props.around.pull
  if (!p) return null
  const ends = [p.now.value, p.set_new.high.value, p.slips_under?.value ?? 0]
  const most = 1.15 * Math.max(...ends)
  const x = (v: number) => 8 + (584 * v) / most
  return { ...p, x, where: p.at === 'hand' ? 'at the lever' : `of the ${p.held_by}` }
})
const MARK = { right: '●', rubs: '■', 'too far': '◐', 'wrong side': '■' }
</script>

<template>
  <section class="sheet set">
    <template v-if="pull">
      <h2>
        Pull {{ pull.where }}: set <b class="figure">{{ pull.set_new.shown }}</b> with a new belt
      </h2>
      <svg
        viewBox="0 0 600 66"
        role="img"
        :aria-label="`Pull ${pull.where}: now ${pull.now.shown}, set ${pull.set_new.shown}`"
      >
        <defs>
          <pattern id="pull-low" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line x1="0" y1="0" x2="0" y2="7" stroke="var(--hot)" stroke-width="1.6" />
          </pattern>
        </defs>
        <rect
          v-if="pull.slips_under"
          x="8"
          y="16"
          :width="pull.x(pull.slips_under.value) - 8"
          height="24"
          fill="url(#pull-low)"
        />
        <rect
          :x="pull.x(pull.set_run_in.low.value)"
          y="28"
          :width="pull.x(pull.set_run_in.high.value) - pull.x(pull.set_run_in.low.value)"
          height="12"
          class="band"
        />
        <rect
          :x="pull.x(pull.set_new.low.value)"
          y="16"
          :width="pull.x(pull.set_new.high.value) - pull.x(pull.set_new.low.value)"
          height="12"
          class="new"
        />
        <path d="M8 41H592" class="axis" />
        <path :d="`M${pull.x(pull.now.value)} 10l-7 -9h14z`" class="now" />
        <text :x="pull.x(pull.now.value)" y="58" text-anchor="middle">now {{ pull.now.shown }}</text>
      </svg>
      <p>
        Run in: <b class="figure">{{ pull.set_run_in.shown }}</b>.
        <template v-if="pull.slips_under"
          >Slips under <b class="figure">{{ pull.slips_under.shown }}</b>.
        </template>
        The most any shaft takes of it: <b class="figure">{{ pull.shaft_load.shown }}</b>.
      </p>
    </template>
    <p v-if="around.travel">
      Take-up:
      <template v-if="around.travel.left_to_tighten"
        ><b class="figure">{{ around.travel.left_to_tighten.shown }}</b> left to tighten,
        <b class="figure">{{ around.travel.left_to_slacken?.shown }}</b> to slacken; </template
      >loops of {{ around.travel.shortest_loop.shown }} to {{ around.travel.longest_loop.shown }} fit.
    </p>
    <p v-if="around.fits.length" class="fits">
      Standard loops on it, and how far from its slack stop each stands:
      <span v-for="f in around.fits" :key="f.designation" :class="{ there: f.on_the_drive }"
        >{{ f.designation }} <b class="figure">{{ f.at?.shown }}</b></span
      >
    </p>
    <p v-if="around.released" :class="{ hot: around.released.drags }">
      Let go: <b class="figure">{{ around.released.slack.shown }}</b> of slack<template v-if="around.released.drags"
        >, too little: it drags</template
      ><template v-else
        >; it hangs <b class="figure">{{ around.released.deep.shown }}</b> between
        {{ around.released.hangs.replace('-', ' and ') }}</template
      >.
    </p>
    <p v-for="o in around.released?.with_belt ?? []" :key="o.by.shown" :class="{ hot: o.drags || !o.engages }">
      A belt {{ o.by.shown.replace('-', '') }} {{ o.by.value < 0 ? 'short' : 'long' }}:
      <b class="figure">{{ o.slack.value > 0 ? o.slack.shown : 'nothing' }}</b> of slack let go{{
        o.drags ? ', it drags' : ''
      }}{{ o.engages ? '' : ', and the take-up does not reach' }}.
    </p>
    <p v-for="g in around.guides" :key="g.guide" :class="{ hot: g.verdict !== 'right' }">
      <span aria-hidden="true">{{ MARK[g.verdict] }}</span> {{ g.guide }}: <b class="figure">{{ g.gap.shown }}</b> from
      the belt at {{ g.beside
      }}<template v-if="g.gap_released">, {{ g.gap_released.shown }} when it is let go</template>;
      {{ g.wanted.shown }} is usual.
      {{
        g.verdict === 'right'
          ? 'Right.'
          : `It ${g.verdict === 'rubs' ? 'rubs' : `is ${g.verdict === 'too far' ? 'too far away' : 'on the wrong side'}`}.`
      }}
    </p>
  </section>
  <section class="sheet">
    <h2>Wheel by wheel</h2>
    <div class="wide" tabindex="0" role="region" aria-label="Wheel by wheel, can be moved sideways">
      <table class="lines">
        <thead>
          <tr>
            <th scope="col">Wheel</th>
            <th scope="col">Speed</th>
            <th scope="col">Arc</th>
            <th scope="col">Power</th>
            <th scope="col">Carries there</th>
            <th scope="col">Grip</th>
            <th scope="col">Pull on its shaft</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="w in rows" :key="w.wheel">
            <td>{{ w.wheel }}<strong v-if="w.wheel === around.first_to_slip"> slips first</strong></td>
            <td class="figure">{{ w.speed.shown }} {{ w.turns === 'clockwise' ? '↻' : '↺' }}</td>
            <td class="figure">{{ w.arc.shown }}</td>
            <td class="figure">{{ w.loaded?.power.shown ?? '–' }}</td>
            <td class="figure">{{ w.loaded?.carries?.shown ?? (w.loaded ? 'not rated' : '–') }}</td>
            <td>
              {{ w.grip_left || (w.loaded?.teeth_engaged ? `${w.loaded.teeth_engaged.number} teeth engaged` : '–') }}
            </td>
            <td class="figure">
              <button
                v-if="w.pull?.step"
                type="button"
                class="opens"
                :aria-label="`How come: pull on ${w.wheel}, ${w.pull.shown}`"
                @click="emit('how', w.pull.step, `pull on ${w.wheel}`)"
              >
                {{ w.pull.shown }}</button><template v-else>{{ w.pull?.shown ?? '–' }}</template
              ><template v-if="w.pulls_towards"> at {{ w.pulls_towards.shown }}</template>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
  <section class="sheet">
    <h2>Strand by strand</h2>
    <div class="wide" tabindex="0" role="region" aria-label="Strand by strand, can be moved sideways">
      <table class="lines">
        <thead>
          <tr>
            <th scope="col">Strand</th>
            <th scope="col">Length</th>
            <th scope="col">Running</th>
            <th scope="col">To set it: press in</th>
            <th scope="col">with, each belt</th>
            <th scope="col">or its note</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in strands" :key="s.id">
            <td>{{ s.strand }}</td>
            <td class="figure">{{ s.length.shown }}</td>
            <td class="figure">
              <button
                v-if="s.tension?.step"
                type="button"
                class="opens"
                :aria-label="`How come: ${s.strand}, ${s.tension.shown}`"
                @click="emit('how', s.tension.step, s.strand)"
              >
                {{ s.tension.shown }}</button><template v-else>{{ s.tension?.shown ?? '–' }}</template>
              {{ s.side === 'between' ? '' : s.side }}
            </td>
            <td class="figure">{{ s.setting?.deflection.shown ?? '–' }}</td>
            <td class="figure">{{ s.setting?.force.shown ?? '–' }}</td>
            <td class="figure">{{ s.setting?.frequency?.shown ?? '–' }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="dim">
      {{ around.bends_in_a_turn }} bends in a turn<template v-if="around.bends_backwards"
        >, {{ around.bends_backwards }} of them backwards</template
      >; {{ Math.round(around.bends_an_hour.value).toLocaleString('en') }} an hour. {{ around.rests_on }}
    </p>
  </section>
</template>

<style scoped>
section {
  padding: 10px 14px 12px;
  min-width: 0;
}
.set {
  display: grid;
  gap: 6px;
}
.set p {
  margin: 0;
}
.wide {
  position: relative;
  overflow-x: auto;
}
td.figure {
  white-space: nowrap;
}
.opens {
  font: inherit;
  color: var(--touch);
  background: none;
  border: 0;
  border-bottom: 2px solid var(--touch);
  min-height: 44px;
  min-width: 44px;
  padding: 0 4px;
  cursor: pointer;
}
svg {
  width: 100%;
  max-width: 820px;
}
.axis {
  stroke: var(--ink);
  stroke-width: 2;
}
.band {
  fill: var(--metal);
}
.new {
  fill: var(--dim);
}
.now {
  fill: var(--ink);
}
text {
  font: 600 15px var(--face-figure);
  fill: var(--ink);
}
.fits {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
}
.there {
  font-weight: 600;
  border-bottom: 3px solid var(--ink);
}
.hot {
  color: var(--hot);
  font-weight: 600;
}
</style>
