import type { Elevation } from '@/api/types'

type Wheel = Elevation['wheels'][number]
type Part = { heading: number; x1: number; y1: number; x2: number; y2: number }

const TURN = 2 * Math.PI
const rad = Math.PI / 180

/** The straight strand from one wheel to the next, or nothing where they stand in each other. */
function tangent(a: Wheel, b: Wheel): Part | null {
  const dx = b.x - a.x
  const dy = b.y - a.y
  const apart = Math.hypot(dx, dy)
  const lift = apart ? (b.turn * b.path_radius - a.turn * a.path_radius) / apart : 2
  if (Math.abs(lift) >= 1) return null
  const heading = Math.atan2(dy, dx) - Math.asin(lift)
  const [nx, ny] = [-Math.sin(heading), Math.cos(heading)]
  return {
    heading,
    x1: a.x - a.turn * a.path_radius * nx,
    y1: a.y - a.turn * a.path_radius * ny,
    x2: b.x - b.turn * b.path_radius * nx,
    y2: b.y - b.turn * b.path_radius * ny,
  }
}

/**
 * The same drive with wheels moved, drawn while a finger moves them: the loop's way only. What is shown at rest comes
 * from the core. Nothing where two neighbours stand in each other.
 */
export function withMoved(e: Elevation, moved: Record<string, { x: number; y: number }>): Elevation | null {
  const wheels = e.wheels.map((w) => ({ ...w, ...(moved[w.id] ?? {}) }))
  const legs = wheels.map((w, k) => {
    const next = wheels[(k + 1) % wheels.length]
    return next ? tangent(w, next) : null
  })
  const arcs: Elevation['arcs'] = []
  const strands: Elevation['strands'] = []
  for (let k = 0; k < wheels.length; k++) {
    const w = wheels[k]
    const leaving = legs[k]
    const arriving = legs[(k + legs.length - 1) % legs.length]
    const before = wheels[(k + 1) % wheels.length]
    const was = e.strands[k]
    if (!w || !leaving || !arriving || !before || !was) return null
    const sweep = (((w.turn * (leaving.heading - arriving.heading)) % TURN) + TURN) % TURN
    arcs.push({
      wheel: w.id,
      x: w.x,
      y: w.y,
      r: w.path_radius,
      turn: w.turn,
      start_deg: (((arriving.heading - (w.turn * Math.PI) / 2) / rad) % 360) + 0,
      sweep_deg: sweep / rad,
    })
    const { x1, y1, x2, y2 } = leaving
    strands.push({ ...was, x1, y1, x2, y2, length: Math.hypot(x2 - x1, y2 - y1) })
  }
  return { ...e, wheels, arcs, strands, dimensions: [] }
}

/** Length of the loop once round, mm. */
export const lengthOf = (e: Elevation): number =>
  e.arcs.reduce((sum, a) => sum + a.r * a.sweep_deg * rad, 0) + e.strands.reduce((sum, s) => sum + s.length, 0)
