import type { components } from '@/api/schema'

type Target = components['schemas']['TensionTargetOut']
export type Axis = Target['axis']
export type Cliff = Target['cliffs'][number]

/** A reading on the scale: whose it is, what the gauge showed, where it stands (N in one belt). */
export interface Pointer {
  key: string
  name: string
  number: string
  at: number
  state: 'fine' | 'watch' | 'act'
  /** One of an earlier day is drawn hollow. */
  earlier?: boolean
}
export interface Step {
  key: string
  side: 'below' | 'above'
  label: string
  number: string
  at: number
  /** How high its hatching stands: the worse, the higher. */
  high: number
  /** The row that its words stand in. */
  row: number
}

/** Both ends of the scale as a staircase: from the band outward each limit stands higher, and its words a row further up. */
export function staircase(cliffs: readonly Cliff[], axis: Axis): { steps: Step[]; beyond: Cliff[] } {
  const known = cliffs.filter((c) => c.at)
  const on = (c: Cliff) => (c.at?.tension.value ?? 0) >= axis.low && (c.at?.tension.value ?? 0) <= axis.high
  const side = (s: 'below' | 'above') =>
    known
      .filter((c) => c.side === s && on(c))
      .sort((a, b) => ((a.at?.tension.value ?? 0) - (b.at?.tension.value ?? 0)) * (s === 'below' ? -1 : 1))
      .map((c, n, all) => ({
        key: c.key,
        side: s,
        label: c.label,
        number: (c.at?.deflection_force ?? c.at?.tension)?.number ?? '',
        at: c.at?.tension.value ?? 0,
        high: 22 + n * 14,
        row: all.length - 1 - n,
      }))
  return { steps: [...side('below'), ...side('above')], beyond: known.filter((c) => !on(c)) }
}

/** Pointers in rows, so that no two numbers stand on each other. */
export function inRows(
  pointers: readonly Pointer[],
  x: (n: number) => number,
  wide: number,
): (Pointer & { row: number })[] {
  const ends: number[] = []
  return [...pointers]
    .sort((a, b) => a.at - b.at)
    .map((p) => {
      const left = x(p.at) - wide / 2
      let row = ends.findIndex((e) => e <= left)
      if (row < 0) row = ends.length
      ends[row] = left + wide
      return { ...p, row }
    })
}

type Tick = Axis['rulers'][number]['ticks'][number]
/** The marks of a ruler with as many numbers as have room: every second, fifth or tenth of them, the round ones. */
export function numbered(ticks: readonly Tick[], x: (n: number) => number, letter: number): Tick[] {
  const said = ticks.filter((t) => t.number)
  const [first, second] = said
  if (!first || !second) return [...ticks]
  const value = (t: Tick) => Number(t.number.replace(/[^\d.]/g, ''))
  const step = value(second) - value(first)
  const wide = Math.max(...said.map((t) => t.number.length)) * letter + 6
  const every = EVERY.find((k) => (x(second.at) - x(first.at)) * k >= wide) ?? EVERY[EVERY.length - 1] ?? 1
  return ticks.map((t) => (t.number && Math.round(value(t) / step) % every ? { ...t, number: '' } : t))
}
const EVERY = [1, 2, 5, 10, 20]
