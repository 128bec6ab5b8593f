export interface Point {
  x: number
  y: number
}
export interface Box extends Point {
  w: number
  h: number
}
export interface Segment {
  a: Point
  b: Point
}

/** Do two boxes touch or come nearer than a gap? */
export const meet = (a: Box, b: Box, gap = 0): boolean =>
  a.x < b.x + b.w + gap && b.x < a.x + a.w + gap && a.y < b.y + b.h + gap && b.y < a.y + a.h + gap

/** A box made larger all round. */
export const grown = (b: Box, by: number): Box => ({ x: b.x - by, y: b.y - by, w: b.w + 2 * by, h: b.h + 2 * by })

/** Does a line run through a box? By clipping it at the box's four sides. */
export function runsThrough(s: Segment, b: Box): boolean {
  let from = 0
  let to = 1
  const d = { x: s.b.x - s.a.x, y: s.b.y - s.a.y }
  for (const [p, q] of [
    [-d.x, s.a.x - b.x],
    [d.x, b.x + b.w - s.a.x],
    [-d.y, s.a.y - b.y],
    [d.y, b.y + b.h - s.a.y],
  ] as const) {
    if (p === 0) {
      if (q <= 0) return false
      continue
    }
    const t = q / p
    if (p < 0) from = Math.max(from, t)
    else to = Math.min(to, t)
  }
  return from < to
}

/** Do two lines cross? */
export function cross(s: Segment, t: Segment): boolean {
  const side = (p: Point, u: Segment) => (u.b.x - u.a.x) * (p.y - u.a.y) - (u.b.y - u.a.y) * (p.x - u.a.x)
  return side(s.a, t) * side(s.b, t) < 0 && side(t.a, s) * side(t.b, s) < 0
}

/** The point of a box that is nearest to a point. */
export const nearest = (b: Box, p: Point): Point => ({
  x: Math.min(Math.max(p.x, b.x), b.x + b.w),
  y: Math.min(Math.max(p.y, b.y), b.y + b.h),
})

/** How far a box is from a point. */
export function away(b: Box, p: Point): number {
  const n = nearest(b, p)
  return Math.hypot(n.x - p.x, n.y - p.y)
}
