import type { Elevation } from '@/api/types'

import { dimensionLines } from './dimensions'
import type { Point } from './shapes'

export interface Frame {
  scale: number
  x: (mm: number) => number
  y: (mm: number) => number
}
export interface Insets {
  left: number
  right: number
  top: number
  bottom: number
}

/** Screen transform that fits the drive and its dimension lines into a box; a screen matter, not one of the trade. */
export function fit(
  e: Elevation,
  width: number,
  height: number,
  inset: Insets,
  dimension: number,
  cap = Infinity,
  named?: string[],
): Frame {
  let frame = { left: e.left, top: e.bottom + e.height, right: e.left + e.width, bottom: e.bottom }
  let scale = 1
  for (let round = 0; round < 3; round++) {
    const wide = Math.max(width - inset.left - inset.right, 40)
    const high = Math.max(height - inset.top - inset.bottom, 40)
    scale = Math.min(wide / (frame.right - frame.left), high / (frame.top - frame.bottom), cap)
    if (!dimension) break
    const ends = dimensionLines(e, dimension / scale, named).flatMap((d): Point[] => [d.p, d.q])
    frame = {
      left: Math.min(e.left, ...ends.map((p) => p.x)),
      right: Math.max(e.left + e.width, ...ends.map((p) => p.x)),
      top: Math.max(e.bottom + e.height, ...ends.map((p) => p.y)),
      bottom: Math.min(e.bottom, ...ends.map((p) => p.y)),
    }
  }
  const dx = inset.left + (width - inset.left - inset.right - (frame.right - frame.left) * scale) / 2
  const dy = inset.top + (height - inset.top - inset.bottom - (frame.top - frame.bottom) * scale) / 2
  return { scale, x: (mm) => dx + (mm - frame.left) * scale, y: (mm) => dy + (frame.top - mm) * scale }
}

/** An SVG arc of belt on a wheel: degrees counter-clockwise, y up, swept in the sense of `turn`. */
export function arcPath(a: Elevation['arcs'][number], f: Frame): string {
  const rad = Math.PI / 180
  const end = a.start_deg + a.turn * a.sweep_deg
  const at = (deg: number) => `${f.x(a.x + a.r * Math.cos(deg * rad))} ${f.y(a.y + a.r * Math.sin(deg * rad))}`
  const r = a.r * f.scale
  return `M ${at(a.start_deg)} A ${r} ${r} 0 ${a.sweep_deg > 180 ? 1 : 0} ${a.turn > 0 ? 0 : 1} ${at(end)}`
}
