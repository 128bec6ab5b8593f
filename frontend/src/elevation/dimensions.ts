import type { Elevation } from '@/api/types'

import type { Point } from './shapes'

/** A dimension as it is drawn, mm: from shaft to shaft, its line beside the drive. */
export interface DimensionLine {
  id: string
  a: Point
  b: Point
  p: Point
  q: Point
  /** The unit vector from the shafts to the line, y up. */
  out: Point
}

/** The unit vector across a line that points down the page (or right, for an upright one); y up. */
export function across(a: Point, b: Point): Point {
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1
  const n = { x: -(b.y - a.y) / length, y: (b.x - a.x) / length }
  const flip = n.y > 0.35 || (Math.abs(n.y) <= 0.35 && n.x < 0) ? -1 : 1
  return { x: n.x * flip, y: n.y * flip }
}

/**
 * Dimension lines `off` mm outside every wheel beside them, each further out than the one before it on its side;
 * only those that are named, else the first one.
 */
export function dimensionLines(e: Elevation, off: number, named?: string[]): DimensionLine[] {
  const wanted = named ? e.dimensions.filter((d) => named.includes(d.id)) : e.dimensions.slice(0, 1)
  const lines: DimensionLine[] = []
  for (const d of wanted) {
    const a = { x: d.x1, y: d.y1 }
    const b = { x: d.x2, y: d.y2 }
    const length = Math.hypot(b.x - a.x, b.y - a.y) || 1
    const u = { x: (b.x - a.x) / length, y: (b.y - a.y) / length }
    const down = across(a, b)
    const reach = (n: Point) =>
      Math.max(
        ...e.wheels
          .filter((w) => {
            const along = (w.x - a.x) * u.x + (w.y - a.y) * u.y
            return along > -w.outside_radius && along < length + w.outside_radius
          })
          .map((w) => (w.x - a.x) * n.x + (w.y - a.y) * n.y + w.outside_radius),
      )
    const up = { x: -down.x, y: -down.y }
    // Where another wheel sticks out below, the line stands on the other side.
    const out = reach(up) < reach(down) - 1e-6 ? up : down
    const stacked = lines.filter((l) => l.out.x * out.x + l.out.y * out.y > 0.5).length
    const far = reach(out) + off * (1 + stacked)
    lines.push({
      id: d.id,
      a,
      b,
      out,
      p: { x: a.x + out.x * far, y: a.y + out.y * far },
      q: { x: b.x + out.x * far, y: b.y + out.y * far },
    })
  }
  return lines
}
