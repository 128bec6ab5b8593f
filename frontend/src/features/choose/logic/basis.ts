import { api, attempt } from '@/api/client'
import type { Basis, OwnRating, RatingLine } from '@/api/types'

export const bases: { key: Basis; name: string; group: string }[] = [
  { key: 'ip20-1988', name: 'Association, current edition', group: '' },
  { key: 'ip20-1977', name: 'Association, edition of 1977', group: '' },
  { key: 'old-handbook', name: 'Older handbook formula, cautious', group: '' },
  { key: 'metric-table', name: 'Metric rating tables', group: '' },
  { key: 'own-table', name: 'Your own rating table', group: '' },
]

/** Rating lines as the calculations take them, core units. */
export const ownInput = (lines: RatingLine[]): OwnRating[] =>
  lines.map((l) => ({ section: l.section, diameter: l.diameter.value, speed: l.speed.value, power: l.power.value }))

/** The shop's own rating table; empty when there is none or it cannot be read. */
export async function readRatings(units: 'us' | 'si'): Promise<RatingLine[]> {
  const got = await attempt(api.GET('/api/ratings', { params: { query: { units } } }))
  return got.ok ? got.data.lines : []
}
