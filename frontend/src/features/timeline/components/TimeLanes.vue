<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'

import type { TimelineMark, TimelineView, TrendsView } from '@/api/types'
import { clock, shortDate } from '@/shared/format/words'

import { axisOf, grouped, pauses } from '../logic/axis'

// All lanes on one axis of time: blocks are what was on the drive, feet are jobs, crosses failures, rings readings, frames photos.
const props = defineProps<{
  view: TimelineView
  trend: TrendsView['trends'][number] | null
  lanes: string[]
  wide: number
}>()
const emit = defineEmits<{ picked: [marks: TimelineMark[]] }>()
const router = useRouter()
const LEFT = computed(() => (props.wide < 600 ? 66 : 96))
const now = Date.now()
const ends = computed(() => {
  const first = props.view.first ? new Date(props.view.first).getTime() : now
  const latest = props.trend?.latest ?? props.trend?.earliest
  const ahead = latest ? Math.min(new Date(latest).getTime(), now + (now - first) * 0.6) : now
  return { first, last: Math.max(now, ahead) }
})
const axis = computed(() => axisOf(ends.value.first, ends.value.last, LEFT.value, props.wide - 14))
const HIGH: Record<string, number> = { builds: 62, photos: 54 }
const rows = computed(() => {
  let y = 26
  return props.lanes.map((lane) => {
    const high = HIGH[lane] ?? 50
    const row = { lane, y, high, marks: props.view.marks.filter((m) => m.lane === lane) }
    y += high
    return row
  })
})
const lanesEnd = computed(() => rows.value.reduce((y, r) => y + r.high, 26))
const chart = computed(() => {
  const t = props.trend
  if (!t || !t.points.length) return null
  const top = lanesEnd.value + 24
  const base = top + 190
  const values = [...t.points.map((p) => p.value.value), t.limit.value]
  const [low, high] = [Math.min(...values), Math.max(...values)]
  const size = high - low || Math.abs(high) * 0.1 || 1
  const y = (v: number) => base - ((v - low + size * 0.12) / (size * 1.3)) * (base - top)
  return {
    top,
    base,
    limit: y(t.limit.value),
    points: t.points.map((p) => ({ x: axis.value.x(p.at), y: y(p.value.value), words: p.value.shown, at: p.at })),
    cross: t.earliest
      ? {
          a: axis.value.x(t.earliest),
          b: Math.min(axis.value.x(t.latest ?? axis.value.to), props.wide - 14),
        }
      : null,
  }
})
const height = computed(() => (chart.value ? chart.value.base + 34 : lanesEnd.value + 34))
const floor = computed(() => (chart.value ? chart.value.base : lanesEnd.value + 6))
const quiet = computed(() =>
  pauses(props.view.marks).map((p) => ({ x: axis.value.x(p.from), w: axis.value.x(p.to) - axis.value.x(p.from) })),
)
const MARKS: Record<string, string> = { act: '■', watch: '◐' }
function pick(marks: TimelineMark[]) {
  const one = marks[0]
  if (marks.length === 1 && one && one.lane !== 'photos') void router.push(one.link)
  else emit('picked', marks)
}
const say = (marks: TimelineMark[]) =>
  marks.length > 1
    ? `${marks.length} of ${marks[0]?.lane}, ${shortDate(marks[0]?.at ?? '')} to ${shortDate(marks.at(-1)?.at ?? '')}`
    : `${marks[0]?.words}, ${marks[0]?.detail}, ${shortDate(marks[0]?.at ?? '')} ${clock(marks[0]?.at ?? '')}`
</script>

<template>
  <svg :viewBox="`0 0 ${wide} ${height}`" class="lanes" role="group" :aria-label="`Timeline of ${view.title}`">
    <defs>
      <pattern id="pause" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="7" stroke="var(--line)" stroke-width="1.6" />
      </pattern>
      <pattern id="ahead" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="6" stroke="var(--ink)" stroke-width="1" />
      </pattern>
    </defs>
    <g v-for="(q, k) in quiet" :key="'q' + k">
      <rect :x="q.x" y="26" :width="q.w" :height="floor - 26" fill="url(#pause)" />
      <text v-if="q.w > 90" :x="q.x + q.w / 2" y="20" text-anchor="middle" class="small">nothing written down</text>
    </g>
    <g v-for="r in rows" :key="r.lane">
      <text x="2" :y="r.y + r.high / 2 + 5" class="lane">{{ r.lane }}</text>
      <line :x1="LEFT" :x2="wide - 14" :y1="r.y + r.high" :y2="r.y + r.high" class="rule" />
      <template v-if="r.lane === 'builds'">
        <g
          v-for="(m, k) in r.marks"
          :key="k"
          role="link"
          tabindex="0"
          class="touch"
          :aria-label="say([m])"
          @click="pick([m])"
          @keydown.enter="pick([m])"
        >
          <rect
            :x="axis.x(m.at)"
            :y="r.y + 18"
            :width="Math.max(axis.x(m.until ?? now) - axis.x(m.at), 3)"
            height="28"
            class="block"
            :class="{ on: !m.until, temporary: m.grade === 'watch' }"
          />
          <text
            v-if="axis.x(m.until ?? now) - axis.x(m.at) > 9 * m.words.length"
            :x="(axis.x(m.at) + axis.x(m.until ?? now)) / 2"
            :y="r.y + 37"
            text-anchor="middle"
            class="inside"
          >
            {{ m.words }}
          </text>
        </g>
      </template>
      <template v-else>
        <g
          v-for="(g, k) in grouped(r.marks, axis, r.lane === 'photos' ? 46 : 30)"
          :key="k"
          role="link"
          tabindex="0"
          class="touch"
          :aria-label="say(g.marks)"
          @click="pick(g.marks)"
          @keydown.enter="pick(g.marks)"
        >
          <rect :x="g.x - 22" :y="r.y + 2" width="44" :height="r.high - 4" class="field" />
          <path v-if="r.lane === 'failures'" :d="`M${g.x - 8} ${r.y + 16} l16 16 m0 -16 l-16 16`" class="cross" />
          <circle v-else-if="r.lane === 'readings'" :cx="g.x" :cy="r.y + 24" r="6" class="ring" />
          <image
            v-else-if="r.lane === 'photos' && g.marks[0]?.photo"
            :href="`/api/photos/${g.marks[0].photo}/small`"
            :x="g.x - 19"
            :y="r.y + 8"
            width="38"
            height="38"
            preserveAspectRatio="xMidYMid slice"
            class="photo"
          />
          <text
            v-else-if="r.lane === 'findings'"
            :x="g.x"
            :y="r.y + 31"
            text-anchor="middle"
            class="grade"
            :class="g.marks[0]?.grade"
          >
            {{ MARKS[g.marks[0]?.grade ?? ''] ?? '●' }}
          </text>
          <path v-else :d="`M${g.x} ${r.y + 12} v24 m-7 0 h14`" class="foot" />
          <text v-if="g.marks.length > 1" :x="g.x + 11" :y="r.y + 20" class="count">{{ g.marks.length }}</text>
        </g>
      </template>
    </g>
    <template v-if="chart && trend">
      <text x="2" :y="chart.top + 4" class="lane">{{ trend.label.split(' ')[0] }}</text>
      <text x="2" :y="chart.top + 20" class="small">{{ trend.limit.unit_shown }}</text>
      <line :x1="LEFT" :x2="wide - 14" :y1="chart.limit" :y2="chart.limit" class="limit" />
      <text :x="LEFT + 4" :y="chart.limit - 5" class="small strong">limit {{ trend.limit.shown }}</text>
      <rect
        v-if="chart.cross"
        :x="chart.cross.a"
        :y="Math.min(chart.limit, chart.base)"
        :width="Math.max(chart.cross.b - chart.cross.a, 3)"
        :height="Math.max(chart.base - chart.limit, 4)"
        fill="url(#ahead)"
      />
      <rect
        v-if="chart.cross"
        :x="chart.cross.a"
        :y="chart.base - 9"
        :width="Math.max(chart.cross.b - chart.cross.a, 3)"
        height="9"
        class="when"
      />
      <polyline :points="chart.points.map((p) => `${p.x},${p.y}`).join(' ')" class="line" />
      <circle v-for="(p, k) in chart.points" :key="k" :cx="p.x" :cy="p.y" r="5" class="ring" />
      <text
        v-for="(p, k) in chart.points.slice(-1)"
        :key="'w' + k"
        :x="p.x - 8"
        :y="p.y - 10"
        text-anchor="end"
        class="small strong"
      >
        {{ p.words }}
      </text>
    </template>
    <line :x1="LEFT" :x2="wide - 14" :y1="floor" :y2="floor" class="axis" />
    <g v-for="(t, k) in axis.ticks" :key="'t' + k">
      <line :x1="t.x" :x2="t.x" :y1="floor" :y2="floor + 6" class="axis" />
      <text v-if="t.x > LEFT + 8" :x="t.x" :y="floor + 22" text-anchor="middle" class="small">{{ t.words }}</text>
    </g>
    <line :x1="axis.x(now)" :x2="axis.x(now)" y1="26" :y2="floor" class="now" />
    <text :x="axis.x(now)" y="18" text-anchor="middle" class="small strong">today</text>
  </svg>
</template>

<style scoped>
.lanes {
  width: 100%;
  display: block;
}
.lane {
  font: 600 17px var(--face-label);
  fill: var(--ink);
}
.small {
  font: 500 14px var(--face-label);
  fill: var(--dim);
}
.strong {
  fill: var(--ink);
  font-weight: 600;
}
.rule {
  stroke: var(--line);
}
.touch {
  cursor: pointer;
}
.touch:focus-visible .field,
.touch:focus-visible .block,
.touch:hover .field {
  stroke: var(--touch);
  stroke-width: 3;
}
.field {
  fill: transparent;
  stroke: none;
}
.block {
  fill: var(--metal);
  stroke: var(--ink);
  stroke-width: 1.4;
}
.block.on {
  fill: var(--sheet);
}
.block.temporary {
  stroke-dasharray: 5 4;
  fill: var(--sheet);
}
.inside {
  font: 600 15px var(--face-label);
  fill: var(--touch);
}
.foot {
  stroke: var(--touch);
  stroke-width: 2.4;
  fill: none;
}
.cross {
  stroke: var(--ink);
  stroke-width: 3.4;
  fill: none;
}
.ring {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 2;
}
.grade {
  font-size: 20px;
  fill: var(--ink);
}
.grade.act {
  fill: var(--hot);
}
.photo {
  outline: 2px solid var(--touch);
}
.count {
  font: 600 14px var(--face-figure);
  fill: var(--ink);
}
.limit {
  stroke: var(--ink);
  stroke-dasharray: 8 5;
  stroke-width: 1.4;
}
.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
}
.when {
  fill: var(--ink);
}
.axis {
  stroke: var(--ink);
  stroke-width: 1.6;
}
.now {
  stroke: var(--ink);
  stroke-width: 2;
}
</style>
