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

/** Round steps from 0 over a span: 1, 2 or 5 times a power of ten, at most `most` of them. */
export function ticks(high: number, most = 5): number[] {
  if (!(high > 0)) return [0]
  const raw = high / most
  const power = 10 ** Math.floor(Math.log10(raw))
  const step = [1, 2, 5, 10].map((m) => m * power).find((s) => s >= raw) ?? 10 * power
  return Array.from({ length: Math.floor(high / step + 1e-9) + 1 }, (_, k) => k * step)
}

/** Radius of a bubble: its area goes with the power to spare, within what can be seen and touched. */
export const radius = (spare: number): number => Math.min(30, Math.max(13, Math.sqrt(Math.max(spare, 0)) * 3.2))

const shownNumber = (text: string) => Number(text.replace(/,/g, ''))

/** The options on a field of width against pull, in the units that they are shown in. */
export function field(options: Option[], key: (o: Option) => string, w: number, h: number, inset: { left: number; bottom: number; top: number; right: number }) {
  const width = options.map((o) => shownNumber(o.width.number))
  const pull = options.map((o) => shownNumber(o.shaft_load.number))
  const xs = ticks(Math.max(...width, 0) * 1.15)
  const ys = ticks(Math.max(...pull, 0) * 1.15)
  const x1 = Math.max(...width, 0) * 1.15 || 1
  const y1 = Math.max(...pull, 0) * 1.15 || 1
  const px = (v: number) => inset.left + (v / x1) * (w - inset.left - inset.right)
  const py = (v: number) => h - inset.bottom - (v / y1) * (h - inset.bottom - inset.top)
  // Large ones first, so that a small one lies on top and can be touched.
  const bubbles = options
    .map((o, k): Bubble => ({
      key: key(o),
      x: px(width[k] ?? 0),
      y: py(pull[k] ?? 0),
      r: radius(o.drive.spare.value),
      name: o.name,
      label: `${o.name}: ${o.shaft_load.shown} pull, ${o.width.shown} wide, ${o.drive.spare.shown} to spare`,
    }))
    .sort((a, b) => b.r - a.r)
  const text = (v: number) => String(Math.round(v * 1000) / 1000)
  return { bubbles, xs: xs.map((v): Axis => ({ at: px(v), text: text(v) })), ys: ys.map((v): Axis => ({ at: py(v), text: text(v) })) }
}
