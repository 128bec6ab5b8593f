import type { Figure } from '@/api/types'

/** One move of the machine as the alignment tells it. */
export interface Move {
  cures: string
  way: string
  says: string
  figure: Figure
  shims: Figure[]
  other_way: string
  besides: string[]
}
/** One of the three faults of a line. */
export interface Fault {
  name: string
  found: Figure
  limit: Figure
  within: boolean
  says: string
}
/** The part of an alignment's answer that is drawn. */
export interface Line {
  faults: Fault[]
  moves: Move[]
  within: boolean
}
