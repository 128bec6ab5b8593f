import type { Elevation } from '@/api/types'

import type { Frame } from './frame'

/** A place along the loop, pixels: where its line lies, which way is outward of the travel's left, how wide it is there. */
interface Spot {
  x: number
  y: number
  nx: number
  ny: number
  w: number
}
export interface BeltShape {
  /** The loop as one filled shape, from thick to thin over its arcs. */
  outline: string
  /** Its line once round, for what is spaced along it. */
  line: string
  /** Its face that lies in the grooves or on the teeth: where cogs and teeth stand. */
  inner: string
  /** Its back: where tabs stand. */
  outer: string
}

const RAD = Math.PI / 180
const STEP_DEG = 5
const place = (x: number, y: number): string => `${x.toFixed(1)} ${y.toFixed(1)}`

/** The strands and arcs in the order of travel; nothing where the drawing does not close. */
function inOrder(e: Elevation): { strand: Elevation['strands'][number]; arc: Elevation['arcs'][number] }[] | null {
  const out: { strand: Elevation['strands'][number]; arc: Elevation['arcs'][number] }[] = []
  let strand = e.strands[0]
  for (let k = 0; k < e.strands.length && strand; k++) {
    const at: string = strand.before
    const arc = e.arcs.find((a) => a.wheel === at)
    if (!arc) return null
    out.push({ strand, arc })
    strand = e.strands.find((s) => s.after === at)
  }
  return out.length && out.length === e.strands.length && strand === out[0]?.strand ? out : null
}

/** The belt once round as one shape. `slack` and `tight` are the widths of the least and the most pulled strand. */
export function beltShape(e: Elevation, f: Frame, slack: number, tight: number): BeltShape | null {
  const order = inOrder(e)
  if (!order) return null
  const width = (share: number | undefined) => slack + (share ?? 0) * (tight - slack)
  const spots: Spot[] = []
  for (const [k, { strand, arc }] of order.entries()) {
    const w = width(strand.share)
    const then = width(order[(k + 1) % order.length]?.strand.share)
    const [x1, y1, x2, y2] = [f.x(strand.x1), f.y(strand.y1), f.x(strand.x2), f.y(strand.y2)]
    const long = Math.hypot(x2 - x1, y2 - y1) || 1
    const [nx, ny] = [(y2 - y1) / long, -(x2 - x1) / long]
    spots.push({ x: x1, y: y1, nx, ny, w }, { x: x2, y: y2, nx, ny, w })
    const steps = Math.max(2, Math.ceil(arc.sweep_deg / STEP_DEG))
    for (let n = 0; n <= steps; n++) {
      const t = n / steps
      const deg = (arc.start_deg + arc.turn * arc.sweep_deg * t) * RAD
      const [ox, oy] = [Math.cos(deg), -Math.sin(deg)]
      // Outward of the wheel is to the right of travel where it turns counter-clockwise, to the left else.
      const side = arc.turn > 0 ? 1 : -1
      spots.push({
        x: f.x(arc.x + arc.r * Math.cos(arc.start_deg * RAD + (deg - arc.start_deg * RAD))),
        y: f.y(arc.y + arc.r * Math.sin(deg)),
        nx: side * ox,
        ny: side * oy,
        // The pull falls evenly along the arc as it is drawn: one shape without a step.
        w: w + (then - w) * t,
      })
    }
  }
  // Which side is the loop's inside: the area that its line goes round, screen y downward.
  const area = spots.reduce((sum, p, k) => {
    const q = spots[(k + 1) % spots.length] ?? p
    return sum + p.x * q.y - q.x * p.y
  }, 0)
  const [n1, n2] = [spots[0], spots[1]]
  if (!n1 || !n2) return null
  const off = (by: (s: Spot) => number) =>
    'M' + spots.map((s) => place(s.x + by(s) * s.nx, s.y + by(s) * s.ny)).join('L') + 'Z'
  const left = off((s) => s.w / 2)
  const right = off((s) => -s.w / 2)
  // The normals point to the left of travel on the screen; a loop whose area is negative there runs with its inside left.
  const insideLeft = area < 0
  return {
    outline: left + right,
    line: off(() => 0),
    inner: insideLeft ? left : right,
    outer: insideLeft ? right : left,
  }
}
