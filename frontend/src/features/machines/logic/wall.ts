import type { components } from '@/api/schema'
import type { Elevation } from '@/api/types'
import { grouped } from '@/shared/format/grouped'

export type WallDrive = components['schemas']['WallDrive']
export type WallMachine = components['schemas']['WallMachine']
export type State = 'act' | 'watch' | 'fine' | 'none'

/** A cell of the wall: a drive with its machine, or a machine that has none yet. */
export interface Cell {
  key: string
  machine: WallMachine
  drive: WallDrive | null
  state: State
  why: string
}
export interface Area {
  no: number
  name: string
  cells: Cell[]
  counts: Record<State, number>
}

export const STATES: readonly { key: State; word: string }[] = [
  { key: 'act', word: 'act now' },
  { key: 'watch', word: 'watch' },
  { key: 'fine', word: 'fine' },
  { key: 'none', word: 'not known' },
]
const asState = (s: string): State => (s === 'act' || s === 'watch' || s === 'fine' ? s : 'none')

export function cellsOf(machines: readonly WallMachine[]): Cell[] {
  return machines.flatMap((machine): Cell[] =>
    machine.drives.length
      ? machine.drives.map((drive) => ({
          key: drive.id,
          machine,
          drive,
          state: asState(drive.state),
          why: drive.why,
        }))
      : [{ key: machine.id, machine, drive: null, state: 'none', why: 'no drive yet' }],
  )
}
const count = (cells: readonly Cell[]): Record<State, number> => {
  const out = { act: 0, watch: 0, fine: 0, none: 0 }
  for (const c of cells) out[c.state]++
  return out
}

const byArea = (cells: readonly Cell[]) => grouped(cells, (c) => c.machine.area)

/**
 * Areas in the order of the walk, each with what hangs in it; an area may come again where the walk comes back to it.
 * An area counts all that it has (`every`), also while only the first of it stand.
 */
export function areasOf(cells: readonly Cell[], every: readonly Cell[] = cells): Area[] {
  const all = new Map(byArea(every))
  return byArea(cells).map(([name, own], k) => ({
    no: k + 1,
    name: name || 'No area',
    cells: own,
    counts: count(all.get(name) ?? own),
  }))
}

/** One scale for the whole wall, pixels to the mm; what is wider than a row is drawn at half, and it says so. */
export const SCALE = 0.095
const MARGIN = 7
/** A row of the wall is no higher than this, in px. */
const TALLEST = 220
export function thumbSize(
  e: Elevation,
  most: number,
  at?: number,
): { w: number; h: number; scale: number; part: number } {
  let part = 1
  while (!at && (e.width * SCALE * part + 2 * MARGIN > most || e.height * SCALE * part > TALLEST) && part > 1 / 16)
    part /= 2
  const scale = at ?? SCALE * part
  return { w: Math.max(e.width * scale + 2 * MARGIN, 64), h: e.height * scale + MARGIN + 10, scale, part }
}
/** How a part of the scale is said. */
export const partWords = (part: number): string => (part === 1 ? '' : `drawn at 1/${Math.round(1 / part)}`)

/** The one scale, pixels to the mm, at which every drive of a machine fits a cell so wide and high; none is drawn too large. */
export function oneScale(of: readonly Elevation[], wide: number, high: number): number {
  const each = of.map((e) => Math.min((wide - 2 * MARGIN) / e.width, (high - MARGIN - 10) / e.height))
  return Math.min(4 * SCALE, ...each)
}
