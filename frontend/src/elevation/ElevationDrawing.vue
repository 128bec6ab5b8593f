<script setup lang="ts">
import { computed } from 'vue'

import type { Elevation } from '@/api/types'

import type { DimensionLine } from './dimensions'
import { beltShape } from './beltShape'
import { arcPath, type Frame } from './frame'
import { beltWidth } from './strokes'

// The drive itself: wheels, belt, rotation, centre line. Labels are hung on it by whoever shows it.
const props = defineProps<{ elevation: Elevation; frame: Frame; dimensions?: DimensionLine[]; small?: boolean }>()

const wheels = computed(() =>
  props.elevation.wheels.map((w) => {
    const r = w.outside_radius * props.frame.scale
    const spoked = r > 58 && !toothed(w.profile)
    const hub = Math.max(4, Math.min(r * 0.3, spoked ? 26 : r * 0.34))
    const rim = Math.max(r - Math.max(6, r * 0.09), hub)
    const spokes = spoked ? [90, 162, 234, 306, 378].map((d) => (d * Math.PI) / 180) : []
    return {
      ...w,
      cx: props.frame.x(w.x),
      cy: props.frame.y(w.y),
      r,
      hub,
      rim,
      spokes,
      bore: Math.max(2.5, hub * 0.42),
    }
  }),
)
/** A toothed rim: as many teeth as the sprocket has, rounded between root and tip. */
function teeth(w: { cx: number; cy: number; r: number; path_radius: number; count: number }): string {
  const pitch = w.path_radius * props.frame.scale
  const high = Math.max(Math.abs(w.r - pitch), 1.6)
  const steps = w.count * 8
  const points = Array.from({ length: steps }, (_, k) => {
    const a = (2 * Math.PI * k) / steps
    const r = pitch - high * 0.35 + high * Math.max(-0.65, Math.cos(w.count * a))
    return `${(w.cx + r * Math.cos(a)).toFixed(1)},${(w.cy + r * Math.sin(a)).toFixed(1)}`
  })
  return points.join(' ')
}
const toothed = (profile: string) => profile === 'chain' || profile === 'toothed'
// Links at their true pitch once they are big enough to be told apart.
const links = computed(() => {
  if (!props.elevation.wheels.some((w) => w.profile === 'chain')) return undefined
  const p = props.elevation.pitch * props.frame.scale
  return p > 3.5 ? `${p * 0.72} ${p * 0.28}` : undefined
})
const belt = computed(() => beltWidth(props.elevation, props.frame.scale, props.small))
const shape = computed(() => beltShape(props.elevation, props.frame, belt.value.slack, belt.value.tight))
// What the loop is made of, once its parts are large enough to be told apart.
const made = computed(() => props.elevation.character ?? 'plain')
const pitchPx = computed(() => props.elevation.pitch * props.frame.scale)
const drawn = computed(() =>
  (props.dimensions ?? []).map((d) => {
    const at = (p: { x: number; y: number }) => ({ x: props.frame.x(p.x), y: props.frame.y(p.y) })
    const past = (p: { x: number; y: number }) => ({ x: p.x + d.out.x * 8, y: p.y - d.out.y * 8 })
    const [a, b, p, q] = [at(d.a), at(d.b), at(d.p), at(d.q)]
    return { id: d.id, a, b, p, q, pe: past(p), qe: past(q) }
  }),
)
/** A spring as a mechanic draws one: so many turns between two places. */
function coil(x1: number, y1: number, x2: number, y2: number): string {
  const long = Math.hypot(x2 - x1, y2 - y1) || 1
  const [ux, uy] = [(x2 - x1) / long, (y2 - y1) / long]
  const turns = 7
  const points = Array.from({ length: 2 * turns + 1 }, (_, k) => {
    const along = long * (0.15 + (0.7 * k) / (2 * turns))
    const off = k === 0 || k === 2 * turns ? 0 : k % 2 ? 6 : -6
    return `${(x1 + along * ux - off * uy).toFixed(1)} ${(y1 + along * uy + off * ux).toFixed(1)}`
  })
  return `M ${x1} ${y1} L ${points.join(' L ')} L ${x2} ${y2}`
}
const ghosts = computed(() =>
  props.small
    ? []
    : (props.elevation.ghosts ?? []).map((g) => ({
        x: props.frame.x(g.x),
        y: props.frame.y(g.y),
        r: g.r * props.frame.scale,
      })),
)
const arms = computed(() =>
  (props.elevation.arms ?? []).map((a) => {
    const [x1, y1, x2, y2] = [props.frame.x(a.x1), props.frame.y(a.y1), props.frame.x(a.x2), props.frame.y(a.y2)]
    // What pulls is drawn from the arm's middle across it, away from the loop's middle.
    const [mx, my] = [(x1 + x2) / 2, (y1 + y2) / 2]
    const long = Math.hypot(x2 - x1, y2 - y1) || 1
    const [nx, ny] = [(y2 - y1) / long, -(x2 - x1) / long]
    return {
      ...a,
      x1,
      y1,
      x2,
      y2,
      spring: coil(mx, my, mx + nx * 46, my + ny * 46),
      px: mx + nx * 46,
      py: my + ny * 46,
    }
  }),
)
const pins = computed(() =>
  (props.elevation.guides ?? []).map((g) => ({
    id: g.id,
    x: props.frame.x(g.x),
    y: props.frame.y(g.y),
    r: Math.max(g.r * props.frame.scale, props.small ? 1.5 : 4),
  })),
)
/** The sense of every wheel but the driver, which has its own arrow: a short arc with a head, inside the rim. */
const senses = computed(() =>
  props.small || wheels.value.length < 3
    ? []
    : wheels.value.slice(1).flatMap((w) => {
        if (w.r < 13) return []
        const r = w.r * 0.62
        const sign = w.turn < 0 ? 1 : -1
        const at = (deg: number, k = r) => ({
          x: w.cx + k * Math.cos((deg * Math.PI) / 180),
          y: w.cy + k * Math.sin((deg * Math.PI) / 180),
        })
        const [s, e] = [at(-90 - 50 * sign), at(-90 + 50 * sign)]
        const tangent = ((-90 + 50 * sign + 90 * sign) * Math.PI) / 180
        const tip = { x: e.x + 7 * Math.cos(tangent), y: e.y + 7 * Math.sin(tangent) }
        const [l, o] = [at(-90 + 50 * sign, r - 4), at(-90 + 50 * sign, r + 4)]
        return [
          {
            id: w.id,
            path: `M ${s.x} ${s.y} A ${r} ${r} 0 0 ${sign > 0 ? 1 : 0} ${e.x} ${e.y}`,
            head: `${tip.x},${tip.y} ${l.x},${l.y} ${o.x},${o.y}`,
          },
        ]
      }),
)
const grounds = computed(() => {
  const [a, b] = wheels.value
  // Bearings are drawn under a lying drive of two; where more wheels stand about, nobody knows what carries them.
  if (!a || !b || wheels.value.length > 2 || props.small || Math.abs(a.cy - b.cy) > Math.abs(a.cx - b.cx) * 0.9)
    return []
  return [a, b].map((w) => ({
    x: w.cx,
    y: w.cy + w.r + belt.value.tight + 9,
    half: Math.min(Math.max(w.r * 0.8, 34), 80),
  }))
})
const spin = computed(() => {
  const w = wheels.value[0]
  if (!w || props.small) return null
  // Inside its wheel, so that it never meets a strand; a wheel too small for that has it on its hub's place.
  const r = w.rim > w.hub + 14 ? (w.rim + w.hub) / 2 : Math.max(w.r * 0.62, 7)
  const clockwise = w.turn < 0
  const from = clockwise ? 200 : -20
  const to = clockwise ? 330 : 210
  const at = (deg: number, k = r) => ({
    x: w.cx + k * Math.cos((deg * Math.PI) / 180),
    y: w.cy + k * Math.sin((deg * Math.PI) / 180),
  })
  const s = at(from)
  const e = at(to)
  const tangent = ((to + (clockwise ? 90 : -90)) * Math.PI) / 180
  const tip = { x: e.x + 9 * Math.cos(tangent), y: e.y + 9 * Math.sin(tangent) }
  const l = at(to, r - 5)
  const o = at(to, r + 5)
  return {
    path: `M ${s.x} ${s.y} A ${r} ${r} 0 0 ${clockwise ? 1 : 0} ${e.x} ${e.y}`,
    head: `${tip.x},${tip.y} ${l.x},${l.y} ${o.x},${o.y}`,
  }
})
</script>

<template>
  <g>
    <defs v-if="!small || pins.length">
      <pattern id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="6" stroke="var(--line)" stroke-width="2" />
      </pattern>
      <pattern id="bore" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="4" stroke="var(--ink)" stroke-width="1.6" />
      </pattern>
    </defs>
    <g v-for="(g, k) in grounds" :key="'g' + k">
      <line :x1="g.x - g.half" :x2="g.x + g.half" :y1="g.y" :y2="g.y" stroke="var(--ink)" stroke-width="1.6" />
      <rect :x="g.x - g.half" :y="g.y" :width="g.half * 2" height="8" fill="url(#hatch)" />
    </g>
    <g v-for="(g, k) in ghosts" :key="'t' + k" fill="none" stroke="var(--dim)" stroke-dasharray="5 5">
      <circle :cx="g.x" :cy="g.y" :r="g.r" />
      <path :d="`M ${g.x - 6} ${g.y} H ${g.x + 6} M ${g.x} ${g.y - 6} V ${g.y + 6}`" stroke-dasharray="none" />
    </g>
    <g v-for="a in arms" :key="'m' + a.wheel" fill="none" stroke="var(--ink)">
      <line :x1="a.x1" :y1="a.y1" :x2="a.x2" :y2="a.y2" :stroke-width="small ? 2 : 7" stroke-linecap="round" />
      <line
        v-if="!small"
        :x1="a.x1"
        :y1="a.y1"
        :x2="a.x2"
        :y2="a.y2"
        stroke="var(--metal)"
        stroke-width="4"
        stroke-linecap="round"
      />
      <circle :cx="a.x1" :cy="a.y1" :r="small ? 2 : 6" fill="var(--sheet)" stroke-width="2" />
      <path v-if="a.pulled && !small" :d="a.spring" stroke-width="2" />
      <path v-if="a.pulled && !small" :d="`M ${a.px - 7} ${a.py - 7} L ${a.px + 7} ${a.py + 7}`" stroke-width="3" />
    </g>
    <g v-for="p in pins" :key="'p' + p.id" stroke="var(--ink)" stroke-width="1.4">
      <circle :cx="p.x" :cy="p.y" :r="p.r" fill="url(#bore)" />
    </g>
    <g v-for="(w, k) in wheels" :key="'w' + k" stroke="var(--ink)" stroke-width="1.2">
      <polygon v-if="toothed(w.profile)" :points="teeth(w)" fill="var(--metal)" />
      <circle v-else :cx="w.cx" :cy="w.cy" :r="w.r" fill="var(--metal)" :stroke-width="small ? 1 : 1.8" />
      <circle
        v-if="!small && !toothed(w.profile)"
        :cx="w.cx"
        :cy="w.cy"
        :r="w.rim"
        :fill="w.spokes.length ? 'var(--sheet)' : 'var(--metal)'"
      />
      <template v-for="s in w.spokes" :key="s">
        <line
          v-for="o in [-0.05, 0.05]"
          :key="o"
          :x1="w.cx + w.hub * 0.98 * Math.cos(s + o * 3)"
          :y1="w.cy - w.hub * 0.98 * Math.sin(s + o * 3)"
          :x2="w.cx + w.rim * Math.cos(s + o)"
          :y2="w.cy - w.rim * Math.sin(s + o)"
        />
      </template>
      <circle :cx="w.cx" :cy="w.cy" :r="w.hub" fill="var(--metal)" />
      <circle :cx="w.cx" :cy="w.cy" :r="w.bore" fill="var(--sheet)" />
      <circle v-if="!small" :cx="w.cx" :cy="w.cy" :r="w.bore" fill="url(#bore)" stroke-width="2" />
    </g>
    <g v-if="shape" fill="none">
      <template v-if="made === 'rollers' && pitchPx > 2.2">
        <path :d="shape.line" stroke="var(--belt)" :stroke-width="Math.max(belt.slack, 1.4)" />
        <path
          :d="shape.line"
          stroke="var(--belt)"
          stroke-linecap="round"
          :stroke-width="Math.max(pitchPx * 0.62, 2)"
          :stroke-dasharray="`0 ${pitchPx}`"
        />
        <path
          v-if="pitchPx > 7"
          :d="shape.line"
          stroke="var(--sheet)"
          stroke-linecap="round"
          :stroke-width="pitchPx * 0.26"
          :stroke-dasharray="`0 ${pitchPx}`"
        />
        <!-- The strand that pulls has its plates drawn full. -->
        <line
          v-for="s in elevation.strands.filter((x) => x.side === 'tight')"
          :key="s.id"
          :x1="frame.x(s.x1)"
          :y1="frame.y(s.y1)"
          :x2="frame.x(s.x2)"
          :y2="frame.y(s.y2)"
          stroke="var(--belt)"
          :stroke-width="Math.max(pitchPx * 0.5, belt.tight * 0.6)"
        />
      </template>
      <template v-else>
        <path
          v-if="made === 'teeth' && pitchPx > 2.2"
          :d="shape.inner"
          stroke="var(--belt)"
          :stroke-width="Math.max(pitchPx * 0.5, 2.4)"
          :stroke-dasharray="`${pitchPx * 0.5} ${pitchPx * 0.5}`"
        />
        <path
          v-if="made === 'link'"
          :d="shape.outer"
          stroke="var(--belt)"
          :stroke-width="small ? 2.6 : 6"
          :stroke-dasharray="small ? '1.6 3.4' : '4 8'"
        />
        <path :d="shape.outline" fill="var(--belt)" fill-rule="evenodd" />
        <path
          v-if="made === 'cogged' && !small"
          :d="shape.inner"
          stroke="var(--sheet)"
          stroke-width="3"
          stroke-dasharray="2 6"
        />
      </template>
    </g>
    <g v-else fill="none" stroke="var(--belt)">
      <path
        v-for="(a, k) in elevation.arcs"
        :key="'a' + k"
        :d="arcPath(a, frame)"
        :stroke-width="belt.arc"
        :stroke-dasharray="links"
      />
      <line
        v-for="(s, k) in elevation.strands"
        :key="'s' + k"
        :x1="frame.x(s.x1)"
        :y1="frame.y(s.y1)"
        :x2="frame.x(s.x2)"
        :y2="frame.y(s.y2)"
        :stroke-width="belt.slack + (s.share ?? 0) * (belt.tight - belt.slack)"
        :stroke-dasharray="links"
      />
    </g>
    <g v-for="d in drawn" :key="d.id" stroke="var(--dim)" stroke-width="1" fill="none">
      <line :x1="d.a.x" :y1="d.a.y" :x2="d.b.x" :y2="d.b.y" stroke-dasharray="14 4 3 4" />
      <line :x1="d.a.x" :y1="d.a.y" :x2="d.pe.x" :y2="d.pe.y" />
      <line :x1="d.b.x" :y1="d.b.y" :x2="d.qe.x" :y2="d.qe.y" />
      <line :x1="d.p.x" :y1="d.p.y" :x2="d.q.x" :y2="d.q.y" />
      <line
        v-for="p in [d.p, d.q]"
        :key="p.x + p.y"
        :x1="p.x - 5"
        :y1="p.y - 5"
        :x2="p.x + 5"
        :y2="p.y + 5"
        stroke="var(--ink)"
        stroke-width="2.2"
      />
    </g>
    <g v-for="s in senses" :key="'s' + s.id" stroke="var(--ink)" fill="none" stroke-width="1.6">
      <path :d="s.path" />
      <polygon :points="s.head" fill="var(--ink)" stroke="none" />
    </g>
    <g v-if="spin" stroke="var(--ink)" fill="none" stroke-width="2">
      <path :d="spin.path" />
      <polygon :points="spin.head" fill="var(--ink)" stroke="none" />
    </g>
  </g>
</template>
