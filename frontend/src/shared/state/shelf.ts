import { api, attempt } from '@/api/client'
import type { ShelfLine } from '@/api/types'

/** The shelf as it is kept; empty when it cannot be read. */
export async function readShelf(units: 'us' | 'si'): Promise<ShelfLine[]> {
  const got = await attempt(api.GET('/api/stock', { params: { query: { units } } }))
  return got.ok ? got.data.lines : []
}
