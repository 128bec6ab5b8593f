import type { Handbook } from '@/api/types'

type Table = Pick<Handbook['tables'][number], 'columns' | 'rows'>

/** A table at a glance: curves over its first column of numbers, or a bar for each row; null where it has no numbers. */
export type Sketch = { kind: 'curves'; lines: [number, number][][] } | { kind: 'bars'; bars: number[] } | null

const MOST_LINES = 4
const MOST_BARS = 40
const LEAST_ROWS = 4

const numbers = (t: Table, column: number): (number | null)[] =>
  t.rows.map((r) => (typeof r[column] === 'number' ? (r[column] as number) : null))
const isNumber = (of: (number | null)[]): of is number[] => of.every((x) => x !== null)
const rises = (of: number[]): boolean => of.every((x, k) => k === 0 || x > (of[k - 1] as number))

/** All between 0 and 1: how far up from the least to the greatest of them; zero stays in where they come near it. */
function scaled(all: number[]): (x: number) => number {
  const high = Math.max(...all)
  const least = Math.min(...all)
  const low = least > 0 && least < high / 2 ? 0 : least
  return (x) => (high === low ? 0.5 : (x - low) / (high - low))
}

export function sketchOf(t: Table): Sketch {
  if (t.rows.length < LEAST_ROWS) return null
  const columns = t.columns.map((c, k) => ({ unit: c.unit, values: numbers(t, k) }))
  const whole = columns.flatMap((c) => (isNumber(c.values) ? [{ ...c, values: c.values }] : []))
  const first = whole[0]
  if (!first) return null
  const over = whole.slice(1)
  if (over.length && rises(first.values)) {
    // Curves of the same unit share a scale: only those beside the first that are in its unit.
    const same = over.filter((c) => c.unit === over[0]?.unit).slice(0, MOST_LINES)
    const y = scaled(same.flatMap((c) => c.values))
    const x = scaled(first.values)
    return {
      kind: 'curves',
      lines: same.map((c) => c.values.map((v, k): [number, number] => [x(first.values[k] as number), y(v)])),
    }
  }
  const of = first.values.slice(0, MOST_BARS)
  const least = Math.min(0, ...of)
  const high = Math.max(...of)
  return high > least ? { kind: 'bars', bars: of.map((v) => (v - least) / (high - least)) } : null
}

/** How sure a subject is: its tables and formulas by their confidence, the surest first. */
export function sureness(of: readonly { confidence: string }[]): { word: string; count: number; part: number }[] {
  return ['high', 'medium', 'low'].flatMap((word) => {
    const count = of.filter((x) => x.confidence === word).length
    return count ? [{ word, count, part: count / of.length }] : []
  })
}
