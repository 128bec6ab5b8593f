import { api, attempt } from '@/api/client'
import type { RatingLine } from '@/api/types'

/** The shop's own rating table; empty when there is none or it cannot be read. */
export async function readRatings(units: 'us' | 'si'): Promise<RatingLine[]> {
  const got = await attempt(api.GET('/api/ratings', { params: { query: { units } } }))
  return got.ok ? got.data.lines : []
}
