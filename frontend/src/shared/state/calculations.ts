import { api, attempt } from '@/api/client'
import type { CalcLine } from '@/api/types'

let known: CalcLine[] = []

/** All calculations with the schemas that forms are made from; asked for once, empty while nobody answers. */
export async function readCalculations(): Promise<CalcLine[]> {
  if (known.length) return known
  const got = await attempt(api.GET('/api/calc'))
  if (got.ok) known = got.data.calculations
  return known
}
