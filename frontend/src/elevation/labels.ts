import type { Elevation } from '@/api/types'

import type { DimensionLine } from './dimensions'
import type { Frame } from './frame'
import { away, cross, grown, meet, nearest, runsThrough, type Box, type Point, type Segment } from './shapes'

/** A label to be hung: what it is at (`wheel:ID`, `strand:ID`, `centres:ID`) and how large it is. */
export interface Hung {
  key: string
  at: string
  w: number
  h: number
}
export interface Placed {
  key: string
  box: Box
  /** From the label to what it is at; none for a label on its dimension line. */
  leader: Segment | null
}
export interface Layout {
  placed: Placed[]
  /** Labels that found no room: they are listed under the drawing. */
  left: string[]
}
/** Everything that labels keep clear of, pixels. */
export interface Scene {
  w: number
  h: number
  belt: { line: Segment; half: number }[]
  centres: { at: Point; r: number }[]
  wheels: { id: string; at: Point; r: number }[]
  strands: { id: string; line: Segment }[]
  dimensions: { id: string; line: Segment; out: Point; ends: Segment[] }[]
}

/** How the key of a strand's own pull begins. */
export const PULL = 'pull '
const GAP = 4
const EDGE = 4
const FOOT = 22

/** The drawing as labels see it. `thick` is the width that the belt is drawn with. */
export function sceneOf(e: Elevation, f: Frame, lines: DimensionLine[], size: Point, thick: number): Scene {
  const at = (p: Point) => ({ x: f.x(p.x), y: f.y(p.y) })
  const half = thick / 2
  const arcs = e.arcs.flatMap((a) => {
    const n = Math.max(2, Math.ceil(a.sweep_deg / 8))
    const points = Array.from({ length: n + 1 }, (_, k) => {
      const t = ((a.start_deg + (a.turn * a.sweep_deg * k) / n) * Math.PI) / 180
      return at({ x: a.x + a.r * Math.cos(t), y: a.y + a.r * Math.sin(t) })
    })
    return points.slice(1).map((b, k) => ({ line: { a: points[k] ?? b, b }, half }))
  })
  const strands = e.strands.map((s) => ({
    id: s.id,
    line: { a: at({ x: s.x1, y: s.y1 }), b: at({ x: s.x2, y: s.y2 }) },
  }))
  return {
    w: size.x,
    h: size.y,
    // An arm and what pulls it are kept clear of as the belt is.
    belt: [...arcs, ...strands.map((s) => ({ line: s.line, half })), ...armLines(e, at)],
    centres: e.wheels.map((w) => ({ at: at(w), r: Math.min(12, Math.max(5, w.outside_radius * f.scale * 0.3)) })),
    wheels: e.wheels.map((w) => ({ id: w.id, at: at(w), r: w.outside_radius * f.scale })),
    strands,
    dimensions: lines.map((d) => ({
      id: d.id,
      line: { a: at(d.p), b: at(d.q) },
      out: { x: d.out.x, y: -d.out.y },
      ends: [
        { a: at(d.a), b: at(d.p) },
        { a: at(d.b), b: at(d.q) },
      ],
    })),
  }
}

/** Arms with their springs, and guides, as lines that no label covers. */
function armLines(e: Elevation, at: (p: Point) => Point): { line: Segment; half: number }[] {
  const arms = (e.arms ?? []).map((a) => ({
    a: at({ x: a.x1, y: a.y1 }),
    b: at({ x: a.x2, y: a.y2 }),
    pulled: a.pulled,
  }))
  const pins = (e.guides ?? []).map((g) => ({ line: { a: at(g), b: at(g) }, half: 6 }))
  return [
    ...pins,
    ...arms.flatMap(({ a, b, pulled }) => {
      const long = Math.hypot(b.x - a.x, b.y - a.y) || 1
      const m = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }
      const end = { x: m.x + (46 * (b.y - a.y)) / long, y: m.y - (46 * (b.x - a.x)) / long }
      return [{ line: { a, b }, half: 8 }, ...(pulled ? [{ line: { a: m, b: end }, half: 10 }] : [])]
    }),
  ]
}

interface Group {
  at: string
  items: Hung[]
  w: number
  h: number
}
interface Try {
  box: Box
  anchor: Point | null
  cost: number
}

const middle = (s: Segment, t: number): Point => ({ x: s.a.x + (s.b.x - s.a.x) * t, y: s.a.y + (s.b.y - s.a.y) * t })
const boxAt = (c: Point, dir: Point, w: number, h: number, off: number): Box => {
  // The box's side nearest to the point stands `off` from it, whatever way the direction goes.
  const reach = Math.min(w / 2 / (Math.abs(dir.x) || 1e-9), h / 2 / (Math.abs(dir.y) || 1e-9))
  return { x: c.x + dir.x * (off + reach) - w / 2, y: c.y + dir.y * (off + reach) - h / 2, w, h }
}

/** Where a group could stand, the most natural places cheapest. */
function tries(g: Group, s: Scene): Try[] {
  const [kind = '', id = ''] = g.at.split(':')
  const out: Try[] = []
  if (kind === 'centres') {
    const d = s.dimensions.find((x) => x.id === id)
    if (!d) return []
    for (const t of [0.5, 0.4, 0.6, 0.3, 0.7, 0.2, 0.8])
      for (const [sign, off] of [
        [1, 5],
        [-1, 5],
        [1, 16],
        [-1, 16],
        [1, 36],
      ] as const) {
        const c = middle(d.line, t)
        const dir = { x: d.out.x * sign, y: d.out.y * sign }
        const cost = Math.abs(t - 0.5) * 60 + off + (sign < 0 ? 6 : 0)
        out.push({ box: boxAt(c, dir, g.w, g.h, off), anchor: off > 5 ? c : null, cost })
      }
    return out
  }
  if (kind === 'strand') {
    const line = s.strands.find((x) => x.id === id)?.line
    if (!line) return []
    const length = Math.hypot(line.b.x - line.a.x, line.b.y - line.a.y) || 1
    const n = { x: -(line.b.y - line.a.y) / length, y: (line.b.x - line.a.x) / length }
    const mid = middle(line, 0.5)
    const hub = s.wheels.reduce((p, w) => ({ x: p.x + w.at.x / s.wheels.length, y: p.y + w.at.y / s.wheels.length }), {
      x: 0,
      y: 0,
    })
    const outward = (mid.x - hub.x) * n.x + (mid.y - hub.y) * n.y > 0 ? 1 : -1
    for (const t of [0.5, 0.42, 0.58, 0.34, 0.66, 0.26, 0.74, 0.18, 0.82, 0.1, 0.9])
      for (const off of [12, 26, 44, 70, 110, 160])
        for (const sign of [outward, -outward])
          for (const turn of [0, 0.6, -0.6, 1.1, -1.1]) {
            const dir = {
              x: sign * (n.x * Math.cos(turn) - n.y * Math.sin(turn)),
              y: sign * (n.x * Math.sin(turn) + n.y * Math.cos(turn)),
            }
            const c = middle(line, t)
            const cost = Math.abs(t - 0.5) * 40 + off + Math.abs(turn) * 12 + (sign === outward ? 0 : 5)
            out.push({ box: boxAt(c, dir, g.w, g.h, off), anchor: c, cost })
          }
    return out
  }
  const wheel = s.wheels.find((x) => x.id === id)
  if (!wheel) return []
  // Beside its wheel all round, and in the columns at both edges, where there is always some height left.
  for (let k = 0; k < 36; k++) {
    const dir = { x: Math.cos((k * Math.PI) / 18), y: Math.sin((k * Math.PI) / 18) }
    for (const off of [14, 30, 54, 90, 140, 200]) {
      const box = boxAt(wheel.at, dir, g.w, g.h, wheel.r + off)
      out.push({ box, anchor: rimToward(wheel, box), cost: off + Math.abs(dir.y) * 8 })
    }
  }
  for (let y = EDGE; y + g.h <= s.h - EDGE; y += 14)
    for (const x of [EDGE + 8, s.w - g.w - EDGE - 8]) {
      const box = { x, y, w: g.w, h: g.h }
      out.push({ box, anchor: rimToward(wheel, box), cost: 30 + Math.max(away(box, wheel.at) - wheel.r, 0) })
    }
  return out
}
function rimToward(wheel: { at: Point; r: number }, box: Box): Point {
  const to = nearest(box, wheel.at)
  const d = Math.hypot(to.x - wheel.at.x, to.y - wheel.at.y) || 1
  return { x: wheel.at.x + ((to.x - wheel.at.x) / d) * wheel.r, y: wheel.at.y + ((to.y - wheel.at.y) / d) * wheel.r }
}

/** What a place lies on that it must not; the drawing's foot is kept for its scale. */
function blocked(box: Box, s: Scene, placed: { box: Box; leader: Segment | null }[]): boolean {
  if (box.x < EDGE || box.y < EDGE || box.x + box.w > s.w - EDGE || box.y + box.h > s.h - EDGE) return true
  if (box.y + box.h > s.h - FOOT && box.x < 150) return true
  return (
    s.belt.some((b) => runsThrough(b.line, grown(box, b.half + 2))) ||
    s.centres.some((c) => away(box, c.at) < c.r + 2) ||
    s.dimensions.some((d) => runsThrough(d.line, grown(box, 2)) || d.ends.some((x) => runsThrough(x, grown(box, 1)))) ||
    placed.some((p) => meet(box, p.box, GAP) || (p.leader !== null && runsThrough(p.leader, grown(box, 2))))
  )
}

/** How much of a wheel a place covers, as a cost: it may where there is no room beside it. */
const covers = (box: Box, s: Scene): number =>
  s.wheels.reduce((sum, w) => sum + Math.max(0, w.r - away(box, w.at)) * 0.8 + (away(box, w.at) < w.r ? 30 : 0), 0)

/**
 * Hang labels on a drawing: none on the belt, a wheel's centre, a dimension line, a leader or another label. Labels of
 * one place stand together. What finds no room is left over, never laid on something.
 */
export function hang(labels: Hung[], s: Scene): Layout {
  const groups = grouped(labels)
  let best: { order: Group[]; layout: Layout } | undefined
  let order = groups
  // Who finds no room goes first in the next round, apart if it is a group.
  for (let round = 0; round < 12; round++) {
    const { layout, failed } = once(order, s)
    if (!best || layout.left.length < best.layout.left.length) best = { order, layout }
    if (!failed.length) break
    const first = failed.flatMap((g) => (round % 3 === 2 && g.items.length > 1 ? g.items.map((i) => alone(i)) : [g]))
    order = [...first, ...order.filter((g) => !failed.includes(g))]
  }
  return best?.layout ?? { placed: [], left: [] }
}
const alone = (i: Hung): Group => ({ at: i.at, items: [i], w: i.w, h: i.h })
function grouped(labels: Hung[]): Group[] {
  const found: Group[] = []
  for (const l of labels) {
    const g = found.find((x) => x.at === l.at)
    if (!g) found.push(alone(l))
    else {
      g.items.push(l)
      g.w = Math.max(g.w, l.w)
      g.h += l.h + GAP
    }
  }
  // A strand's own pull has its whole length to stand at: it goes where the others leave room.
  const rank = (g: Group) =>
    g.items[0]?.key.startsWith(PULL) ? 3 : ['centres', 'strand', 'wheel'].indexOf(g.at.split(':')[0] ?? '')
  return found.sort((a, b) => rank(a) - rank(b))
}
function once(order: Group[], s: Scene): { layout: Layout; failed: Group[] } {
  const taken: { box: Box; leader: Segment | null }[] = []
  const layout: Layout = { placed: [], left: [] }
  const failed: Group[] = []
  for (const g of order) {
    let best: { t: Try; leader: Segment | null; cost: number } | undefined
    for (const t of tries(g, s)) {
      if ((best && t.cost >= best.cost) || blocked(t.box, s, taken)) continue
      const leader = t.anchor ? { a: nearest(t.box, t.anchor), b: t.anchor } : null
      if (leader && taken.some((p) => runsThrough(leader, grown(p.box, 1)))) continue
      const crossed = leader
        ? s.belt.filter((b) => cross(short(leader), b.line)).length * 25 +
          taken.filter((p) => p.leader && cross(leader, p.leader)).length * 40
        : 0
      const cost = t.cost + crossed + covers(t.box, s)
      if (!best || cost < best.cost) best = { t, leader, cost }
    }
    if (!best) {
      failed.push(g)
      layout.left.push(...g.items.map((i) => i.key))
      continue
    }
    taken.push({ box: best.t.box, leader: best.leader })
    let y = best.t.box.y
    for (const [k, i] of g.items.entries()) {
      layout.placed.push({
        key: i.key,
        box: { x: best.t.box.x, y, w: i.w, h: i.h },
        leader: k === 0 ? best.leader : null,
      })
      y += i.h + GAP
    }
  }
  return { layout, failed }
}
/** A leader without its end: where it touches what it is at, it crosses nothing. */
const short = (l: Segment): Segment => ({ a: l.a, b: middle(l, 0.9) })
