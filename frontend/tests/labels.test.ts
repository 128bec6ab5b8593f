import { describe, expect, it } from 'vitest'

import type { Elevation } from '@/api/types'
import { sizeOf, type Label } from '@/elevation/callOuts'
import { dimensionLines } from '@/elevation/dimensions'
import { fit } from '@/elevation/frame'
import { hang, sceneOf, type Layout } from '@/elevation/labels'
import { beltWidth } from '@/elevation/strokes'

import elevations from './fixtures/elevations.json'

// Random drives of two to six wheels as the core draws them, level to upright. What may not lie on what is checked
// point by point along belt, leaders and lines, not by the geometry that the placing itself uses.
const drives = elevations as unknown as Elevation[]
const label = (key: string, at: string, label: string, number: string, unit: string): Label => ({
  key,
  at,
  label,
  number,
  unit,
})
function labelsOf(e: Elevation): Label[] {
  const tight = e.strands.find((s) => s.side === 'tight')
  const slack = e.strands.find((s) => s.side === 'slack' && s.id !== tight?.id)
  const plain = e.wheels.length === 2
  return [
    ...e.wheels.flatMap((w) => [
      ...(plain || w.role !== 'idler' ? [label(`n-${w.id}`, `wheel:${w.id}`, w.id, '1,750', 'rpm')] : []),
      label(`d-${w.id}`, `wheel:${w.id}`, 'sheave datum dia', '14 11/16', 'in'),
    ]),
    ...(plain ? [label('a', `centres:${e.dimensions[0]?.id}`, 'centres', '34 7/32', 'in')] : []),
    ...(tight ? [label('t', `strand:${tight.id}`, 'tight, per belt', '80.9', 'lbf')] : []),
    ...(slack ? [label('s', `strand:${slack.id}`, 'slack, per belt', '35.0', 'lbf')] : []),
  ]
}
const WIDE = { w: 868, h: 408 }
function laidOut(e: Elevation, labels = labelsOf(e)) {
  const named = labels.flatMap((l) => (l.at.startsWith('centres:') ? [l.at.slice(8)] : []))
  const dimension = named.length ? 44 : 0
  const inset = { left: 136, right: 136, top: 30, bottom: 30 }
  const f = fit(e, WIDE.w, WIDE.h, inset, dimension, Infinity, named)
  const lines = dimension ? dimensionLines(e, 32 / f.scale, named) : []
  const thick = beltWidth(e, f.scale).tight
  const scene = sceneOf(e, f, lines, { x: WIDE.w, y: WIDE.h }, thick)
  const layout = hang(
    labels.map((l) => ({ key: l.key, at: l.at, ...sizeOf(l) })),
    scene,
  )
  return { f, lines, thick, layout, labels }
}
type XY = readonly [number, number]
const along = (a: XY, b: XY): XY[] => {
  const n = Math.max(2, Math.ceil(Math.hypot(a[0] - b[0], a[1] - b[1])))
  return Array.from({ length: n + 1 }, (_, k) => [a[0] + ((b[0] - a[0]) * k) / n, a[1] + ((b[1] - a[1]) * k) / n])
}
const within = ([x, y]: XY, b: Layout['placed'][number]['box'], by: number) =>
  x > b.x - by && x < b.x + b.w + by && y > b.y - by && y < b.y + b.h + by

function clashes(e: Elevation): string[] {
  const { f, lines, thick, layout } = laidOut(e)
  const at = (x: number, y: number): XY => [f.x(x), f.y(y)]
  const belt = [
    ...e.strands.flatMap((s) => along(at(s.x1, s.y1), at(s.x2, s.y2))),
    ...e.arcs.flatMap((a) =>
      Array.from({ length: 181 }, (_, k) => {
        const t = ((a.start_deg + (a.turn * a.sweep_deg * k) / 180) * Math.PI) / 180
        return at(a.x + a.r * Math.cos(t), a.y + a.r * Math.sin(t))
      }),
    ),
  ]
  const dims = lines.flatMap((d) => along(at(d.p.x, d.p.y), at(d.q.x, d.q.y)))
  const found: string[] = []
  for (const [k, p] of layout.placed.entries()) {
    const { box } = p
    if (box.x < 0 || box.y < 0 || box.x + box.w > WIDE.w || box.y + box.h > WIDE.h) found.push(`${p.key} is outside`)
    if (belt.some((q) => within(q, box, thick / 2))) found.push(`${p.key} lies on the belt`)
    if (e.wheels.some((w) => within(at(w.x, w.y), box, 4))) found.push(`${p.key} hides a shaft`)
    if (dims.some((q) => within(q, box, 0))) found.push(`${p.key} lies on a dimension line`)
    for (const o of layout.placed) {
      const l = o.leader
      if (l && o !== p && along([l.a.x, l.a.y], [l.b.x, l.b.y]).some((q) => within(q, box, 0)))
        found.push(`${p.key} lies on the leader of ${o.key}`)
    }
    for (const o of layout.placed.slice(k + 1)) {
      const b = o.box
      if (box.x < b.x + b.w && b.x < box.x + box.w && box.y < b.y + b.h && b.y < box.y + box.h)
        found.push(`${p.key} lies on ${o.key}`)
    }
  }
  return found
}

describe('labels on a drawing of any wheels', () => {
  it.each(drives.map((e, k) => [k, `${e.wheels.length} wheels`, e] as const))(
    '%i, %s: clash with nothing',
    (_k, _n, e) => {
      expect(clashes(e)).toEqual([])
    },
  )
  it('hang every figure of two wheels, whatever way they lean, and nearly all of more', () => {
    let hung = 0
    let left = 0
    for (const e of drives) {
      const { layout, labels } = laidOut(e)
      expect(layout.placed.length + layout.left.length).toBe(labels.length)
      if (e.wheels.length === 2) expect(layout.left).toEqual([])
      hung += layout.placed.length
      left += layout.left.length
    }
    expect(left / (hung + left)).toBeLessThan(0.05)
  })
  it('lead from a label to the wheel or strand that it is about', () => {
    for (const e of drives) {
      const { f, layout, labels } = laidOut(e)
      for (const p of layout.placed) {
        const where = labels.find((l) => l.key === p.key)?.at ?? ''
        const w = e.wheels.find((x) => `wheel:${x.id}` === where)
        const s = e.strands.find((x) => `strand:${x.id}` === where)
        if (p.leader && w)
          expect(Math.hypot(p.leader.b.x - f.x(w.x), p.leader.b.y - f.y(w.y))).toBeCloseTo(w.outside_radius * f.scale)
        if (p.leader && s) {
          const a: XY = [f.x(s.x1), f.y(s.y1)]
          const b: XY = [f.x(s.x2), f.y(s.y2)]
          const off = Math.abs((b[0] - a[0]) * (p.leader.b.y - a[1]) - (b[1] - a[1]) * (p.leader.b.x - a[0]))
          expect(off / Math.hypot(b[0] - a[0], b[1] - a[1])).toBeLessThan(0.5)
        }
      }
    }
  })
  it('leave what finds no room to be listed, and lay nothing on anything', () => {
    const e = drives[0]!
    const many = Array.from({ length: 60 }, (_, k) =>
      label(`x${k}`, 'wheel:driver', 'a long label of a wheel', '123', 'rpm'),
    )
    const { layout } = laidOut(e, many)
    expect(layout.left.length).toBeGreaterThan(0)
    expect(new Set([...layout.placed.map((p) => p.key), ...layout.left]).size).toBe(60)
  })
})
