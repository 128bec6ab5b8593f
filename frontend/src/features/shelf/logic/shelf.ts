import { api, attempt } from '@/api/client'
import type { SelectInput, ShelfLine } from '@/api/types'

/** What is on the shelf, as the search takes it; undefined where nothing is kept. */
export function stockInput(lines: ShelfLine[]): SelectInput['stock'] {
  if (!lines.length) return undefined
  return {
    belts: lines.filter((l) => l.part === 'belt').map((l) => l.designation),
    sheaves: lines.flatMap((l) =>
      l.part === 'sheave' && l.diameter
        ? [{ groove: l.section as 'B', diameter: l.diameter.value, kind: (l.diameter_kind || 'outside') as 'outside' }]
        : [],
    ),
  }
}

/** The shelf as it is kept; empty when it cannot be read. */
export async function readShelf(units: 'us' | 'si'): Promise<ShelfLine[]> {
  const got = await attempt(api.GET('/api/stock', { params: { query: { units } } }))
  return got.ok ? got.data.lines : []
}
