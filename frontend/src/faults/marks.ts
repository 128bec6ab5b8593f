/** A stroke or filled outline of a fault's drawing, in a frame of 120 by 76. */
export interface Mark {
  d: string
  is: 'line' | 'thick' | 'hair' | 'metal' | 'belt' | 'dark' | 'light' | 'gone'
}
export type Draw = (level: number) => Mark[]

export const mark = (d: string, is: Mark['is'] = 'line'): Mark => ({ d, is })
const n = (v: number) => Math.round(v * 100) / 100
export const path = (...points: [number, number][]) => 'M' + points.map(([x, y]) => `${n(x)} ${n(y)}`).join('L')
export const closed = (...points: [number, number][]) => path(...points) + 'Z'
export const box = (x: number, y: number, w: number, h: number) =>
  closed([x, y], [x + w, y], [x + w, y + h], [x, y + h])
export const circle = (x: number, y: number, r: number) =>
  `M${n(x - r)} ${n(y)}a${n(r)} ${n(r)} 0 1 0 ${n(2 * r)} 0a${n(r)} ${n(r)} 0 1 0 ${n(-2 * r)} 0Z`
export const curve = (x1: number, y1: number, cx: number, cy: number, x2: number, y2: number) =>
  `M${n(x1)} ${n(y1)}Q${n(cx)} ${n(cy)} ${n(x2)} ${n(y2)}`

/** A number out of its place in a row, the same every time: drawings do not flicker. */
export const some = (k: number) => {
  const v = Math.sin(k * 12.9898 + 4.1) * 43758.5453
  return v - Math.floor(v)
}
/** Places from a to b. */
export const along = (a: number, b: number, count: number) =>
  Array.from({ length: count }, (_, k) => a + ((b - a) * (k + 0.5)) / count)
