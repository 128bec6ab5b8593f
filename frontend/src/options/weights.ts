import type { Weights } from '@/api/types'

export const weightNames: { key: keyof Weights; word: string }[] = [
  { key: 'parts', word: 'Fewest parts' },
  { key: 'size', word: 'Smallest wheels' },
  { key: 'width', word: 'Narrowest' },
  { key: 'weight', word: 'Lightest' },
  { key: 'shaft_load', word: 'Least shaft load' },
  { key: 'speed', word: 'Closest speed' },
  { key: 'spare', word: 'Usual spare' },
  { key: 'common', word: 'Common wheels' },
  { key: 'stock', word: 'On the shelf' },
]

export const equalWeights = (): Weights => ({
  parts: 1,
  size: 1,
  width: 1,
  weight: 1,
  shaft_load: 1,
  speed: 1,
  spare: 1,
  common: 1,
  stock: 1,
})

/** How an order was made, in words: what counts more than the rest, or the three kinds of answer and then all alike. */
export function orderWords(w: Weights): string {
  const values = Object.values(w)
  const most = Math.max(...values)
  if (
    values.every((v) => v === most) ||
    (w.stock === 0 && weightNames.every((n) => n.key === 'stock' || w[n.key] === most))
  )
    return 'fewest parts, smallest and lightest first, then all counting alike'
  return `${weightNames
    .filter((n) => w[n.key] === most)
    .map((n) => n.word.toLowerCase())
    .join(' and ')} counting most`
}
