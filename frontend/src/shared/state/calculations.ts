import { api, attempt, type Outcome } from '@/api/client'
import type { CalcLine } from '@/api/types'

let known: CalcLine[] = []

/** All calculations with the schemas that forms are made from; asked for once, empty while nobody answers. */
export async function readCalculations(): Promise<CalcLine[]> {
  if (known.length) return known
  const got = await attempt(api.GET('/api/calc'))
  if (got.ok) known = got.data.calculations
  return known
}

const lines = new Map<string, CalcLine>()
/** One calculation by its name, asked for once. */
export async function askCalculation(name: string): Promise<Outcome<CalcLine>> {
  const had = lines.get(name) ?? known.find((c) => c.name === name)
  if (had) return { ok: true, data: had }
  const got = await attempt(api.GET('/api/calc/{name}', { params: { path: { name } } }))
  if (got.ok) lines.set(name, got.data)
  return got
}
/** The same; undefined where there is none of that name, or nobody answers. */
export async function readCalculation(name: string): Promise<CalcLine | undefined> {
  const got = await askCalculation(name)
  return got.ok ? got.data : undefined
}
