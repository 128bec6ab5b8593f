import type { Option } from '@/api/types'

/** A bubble of the trade-off: where, how large, and what it is. Pixels of a W x H field. */
export interface Bubble {
  key: string
  x: number
  y: number
  r: number
  name: string
  label: string
}
export interface Axis {
  at: number
  text: string
}

/** Round steps within a span: 1, 2 or 5 times a power of ten, at most `most` of them. */
export function ticks(low: number, high: number, most = 5): number[] {
  if (!(high > low)) return [low]
  const raw = (high - low) / most
  const power = 10 ** Math.floor(Math.log10(raw))
  const step = [1, 2, 5, 10].map((m) => m * power).find((s) => s >= raw) ?? 10 * power
  const first = Math.ceil(low / step - 1e-9)
  return Array.from({ length: Math.floor(high / step + 1e-9) - first + 1 }, (_, k) => (first + k) * step)
}

/** A span with room round its ends; figures never go below nothing. */
export function span(values: number[]): [number, number] {
  const low = Math.min(...values)
  const high = Math.max(...values)
  const room = (high - low || Math.abs(high) || 1) * 0.18
  return [Math.max(0, low - room), high + room]
}

const TOUCH = 40
/** Circles that would lie on each other stand side by side, so that each can be read and touched. */
export function apart(bubbles: Bubble[], right: number): Bubble[] {
  const placed: Bubble[] = []
  for (const b of [...bubbles].sort((p, q) => p.x - q.x || p.y - q.y)) {
    let x = b.x
    const near = () => placed.find((p) => Math.hypot(p.x - x, p.y - b.y) < TOUCH)
    for (let hit = near(); hit && x + TOUCH <= right; hit = near())
      x = hit.x + Math.sqrt(Math.max(TOUCH ** 2 - (hit.y - b.y) ** 2, 1)) + 1
    placed.push({ ...b, x })
  }
  return placed
}

/** Radius of a bubble: its area goes with the power to spare, within what can be seen and touched. */
export const radius = (spare: number): number => Math.min(26, Math.max(13, Math.sqrt(Math.max(spare, 0)) * 2.8))

const shownNumber = (text: string) => Number(text.replace(/,/g, ''))

/** The options on a field of width against pull, in the units that they are shown in. */
export function field(
  options: Option[],
  key: (o: Option) => string,
  w: number,
  h: number,
  inset: { left: number; bottom: number; top: number; right: number },
) {
  const width = options.map((o) => shownNumber(o.width.number))
  const pull = options.map((o) => shownNumber(o.shaft_load.number))
  const [x0, x1] = span(width)
  const [y0, y1] = span(pull)
  const px = (v: number) => inset.left + ((v - x0) / (x1 - x0)) * (w - inset.left - inset.right)
  const py = (v: number) => h - inset.bottom - ((v - y0) / (y1 - y0)) * (h - inset.bottom - inset.top)
  // Large ones first, so that a small one lies on top and can be touched.
  const drawn = options.map((o, k): Bubble => ({
    key: key(o),
    x: px(width[k] ?? 0),
    y: py(pull[k] ?? 0),
    r: radius(o.spare.value),
    name: o.name,
    label: `${o.name}: ${o.shaft_load.shown} pull, ${o.width.shown} wide, ${o.spare.shown} to spare`,
  }))
  const bubbles = apart(drawn, w - inset.right).sort((a, b) => b.r - a.r)
  const text = (v: number) => String(Math.round(v * 1000) / 1000)
  return {
    bubbles,
    xs: ticks(x0, x1).map((v): Axis => ({ at: px(v), text: text(v) })),
    ys: ticks(y0, y1).map((v): Axis => ({ at: py(v), text: text(v) })),
  }
}
