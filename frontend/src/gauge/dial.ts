/** A round gauge on a drawing: where it stands, and the value at its full scale. */
export interface Dial {
  x: number
  y: number
  full: number
}

/** The full scale of a gauge that shows a band and a reading well inside it. */
export const gaugeFull = (high: number | undefined, now: number | undefined): number =>
  Math.max((high ?? 1) * 1.5, (now ?? 0) * 1.05)
/** Where the needle stands: degrees from the right, three quarters of a turn from nothing to full scale. */
export const gaugeTurn = (v: number, full: number): number => -225 + (270 * Math.min(Math.max(v, 0), full)) / full
/** The point of a value so far from the middle, as a path has it. */
export function onDial(dial: Dial, v: number, r: number): string {
  const a = (gaugeTurn(v, dial.full) * Math.PI) / 180
  return `${dial.x + r * Math.cos(a)} ${dial.y + r * Math.sin(a)}`
}
/** The arc of a band; empty where one of its ends is not known. */
export function bandOnDial(dial: Dial, low: number | undefined, high: number | undefined, r: number): string {
  if (low === undefined || high === undefined) return ''
  const far = gaugeTurn(high, dial.full) - gaugeTurn(low, dial.full) > 180 ? 1 : 0
  return `M${onDial(dial, low, r)}A${r} ${r} 0 ${far} 1 ${onDial(dial, high, r)}`
}
