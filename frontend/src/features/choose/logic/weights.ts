import type { SelectInput } from '@/api/types'

export type Weights = Required<NonNullable<SelectInput['weights']>>

export const weightNames: { key: keyof Weights; word: string }[] = [
  { key: 'belts', word: 'Fewest belts' },
  { key: 'shaft_load', word: 'Least shaft pull' },
  { key: 'width', word: 'Narrowest' },
  { key: 'speed', word: 'Closest speed' },
  { key: 'stock', word: 'On the shelf' },
]

export const equalWeights = (): Weights => ({ belts: 1, shaft_load: 1, width: 1, speed: 1, stock: 1 })

/** How an order was made, in words: what counts more than the rest, or that all count alike. */
export function orderWords(w: Weights): string {
  const most = Math.max(...Object.values(w))
  const first = weightNames.filter((n) => w[n.key] === most).map((n) => n.word.toLowerCase())
  return first.length >= weightNames.length - 1 && Math.min(w.belts, w.shaft_load, w.width, w.speed) === most
    ? 'equal weights'
    : `${first.join(' and ')} counting most`
}
