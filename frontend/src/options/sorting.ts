import type { Band, FamilyOffer, Figure, Option } from '@/api/types'

export interface Row {
  family: FamilyOffer
  option: Option
}
export const columns = [
  { key: 'speed_error', word: 'Speed off' },
  { key: 'width', word: 'Width' },
  { key: 'shaft_load', word: 'Shaft load' },
  { key: 'weight', word: 'Weight, about' },
  { key: 'yearly_loss', word: 'Lost a year, about' },
  { key: 'parts', word: 'Parts' },
  { key: 'spare', word: 'To spare' },
  { key: 'centre_distance', word: 'Centre distance' },
] as const
export type Column = (typeof columns)[number]['key']

/** All options in one list, smallest of a figure first; a speed error counts either way. */
export function sorted(families: FamilyOffer[], by: Column): Row[] {
  const middle = (f: Figure | Band) => ('low' in f ? (f.low.value + f.high.value) / 2 : f.value)
  const size = (f: Figure | Band) => (by === 'speed_error' ? Math.abs(middle(f)) : middle(f))
  return families
    .flatMap((family) => family.options.map((option) => ({ family, option })))
    .sort((a, b) => size(a.option[by]) - size(b.option[by]))
}
