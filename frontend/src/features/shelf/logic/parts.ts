import type { ShelfLine } from '@/api/types'

/** What a part is called. */
export const says = (l: ShelfLine): string =>
  l.part === 'sheave'
    ? `${l.section} sheave, ${l.diameter?.shown ?? ''} ${l.diameter_kind}`
    : l.part === 'belt'
      ? l.designation
      : `${l.designation} (${l.part})`

/** Fewer than are wanted: to be bought again. */
export const short = (l: ShelfLine): boolean => l.low !== null && l.low !== undefined && l.count < l.low

/** A loop that no drive takes: it lies there for nothing. */
export const idle = (l: ShelfLine): boolean =>
  ['belt', 'toothed belt', 'flat belt', 'chain'].includes(l.part) && !l.drives

/** What to buy, as lines to take along: how many of what, no maker's name. */
export const shopping = (lines: ShelfLine[]): string[] =>
  lines.filter(short).map((l) => `${(l.low ?? 0) - l.count} × ${says(l)}`)
