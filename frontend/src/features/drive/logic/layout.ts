import type { Elevation } from '@/api/types'

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
export interface Point {
  x: number
  y: number
}

/** The unit vector across the line of centres that points down the page (or right, for an upright drive). */
export function across(e: Elevation): Point {
  const [a, b] = [e.wheels[0], e.wheels[1]]
  if (!a || !b) return { x: 0, y: 1 }
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1
  const n = { x: -(b.y - a.y) / length, y: -(b.x - a.x) / length }
  const flip = n.y < -0.35 || (Math.abs(n.y) <= 0.35 && n.x < 0) ? -1 : 1
  return { x: n.x * flip, y: n.y * flip }
}

/** Screen transform that fits the drive and its dimension line into a box; a screen matter, not one of the trade. */
export function fit(
  e: Elevation,
  width: number,
  height: number,
  inset: Insets,
  dimension: number,
  cap = Infinity,
): Frame {
  const n = across(e)
  const reach = Math.max(...e.wheels.map((w) => w.outside_radius))
  let frame = { left: e.left, top: e.bottom + e.height, right: e.left + e.width, bottom: e.bottom }
  let scale = 1
  for (let round = 0; round < 3; round++) {
    const wide = Math.max(width - inset.left - inset.right, 40)
    const high = Math.max(height - inset.top - inset.bottom, 40)
    scale = Math.min(wide / (frame.right - frame.left), high / (frame.top - frame.bottom), cap)
    if (!dimension) break
    const off = reach + dimension / scale
    const ends = e.wheels.slice(0, 2).map((w) => ({ x: w.x + n.x * off, y: w.y - n.y * off }))
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

export interface Box {
  x: number
  y: number
  w: number
  h: number
}

/** Move each box to the nearest free height, so that none overlaps one before it; all stay inside the height. */
export function unstack(boxes: Box[], height: number): Box[] {
  const gap = 4
  const placed: Box[] = []
  const free = (b: Box) =>
    !placed.some((p) => b.x < p.x + p.w && p.x < b.x + b.w && b.y < p.y + p.h + gap && p.y < b.y + b.h + gap)
  for (const b of boxes) {
    const heights = [b.y, ...placed.flatMap((p) => [p.y + p.h + gap, p.y - b.h - gap])]
      .filter((y) => y >= 0 && y + b.h <= height)
      .sort((p, q) => Math.abs(p - b.y) - Math.abs(q - b.y))
    const y = heights.find((h) => free({ ...b, y: h }))
    placed.push(y === undefined ? b : { ...b, y })
  }
  return placed
}
