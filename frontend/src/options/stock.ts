import type { ShelfLine, Stock } from '@/api/types'

/** What is on the shelf, as a search takes it; undefined where nothing is kept. */
export function stockInput(lines: ShelfLine[]): Stock | undefined {
  if (!lines.length) return undefined
  return {
    belts: lines.filter((l) => l.part === 'belt').map((l) => l.designation),
    sheaves: lines.flatMap((l) =>
      l.part === 'sheave' && l.diameter
        ? [{ groove: l.section, diameter: l.diameter.value, kind: (l.diameter_kind || 'outside') as 'outside' }]
        : [],
    ),
  }
}
