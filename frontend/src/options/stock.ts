import type { ShelfLine, Stock } from '@/api/types'

/** What is on the shelf, as a search takes it; undefined where nothing is kept. */
export function stockInput(lines: ShelfLine[]): Stock | undefined {
  // A part of which none is left stays on the list to be bought again: a search cannot take it.
  const there = lines.filter((l) => l.count > 0)
  if (!there.length) return undefined
  return {
    belts: there.filter((l) => l.part === 'belt').map((l) => l.designation),
    sheaves: there.flatMap((l) =>
      l.part === 'sheave' && l.diameter
        ? [{ groove: l.section, diameter: l.diameter.value, kind: (l.diameter_kind || 'outside') as 'outside' }]
        : [],
    ),
  }
}
