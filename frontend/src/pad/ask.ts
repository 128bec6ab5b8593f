import { shallowRef } from 'vue'

/** A number that is asked on the pad: whose it is, what stands there, and in which units it may be given. */
export interface Asked {
  label: string
  /** What stands in the field now, as it was typed. */
  value: string
  /** The unit of a bare number; the others go round when it is pressed. */
  unit: string
  units?: readonly string[]
  /** What was there before, to be put back. */
  before?: string
  sign?: boolean
  set?: string
}
export type Given = { typed: string } | { letters: true } | null
interface Open extends Asked {
  answer: (given: Given) => void
}

export const open = shallowRef<Open | null>(null)

/** Asks a number on the pad. What was typed, its unit with it where it is not the usual one; null when it is put away. */
export function askNumber(asked: Asked): Promise<Given> {
  open.value?.answer(null)
  return new Promise((resolve) => {
    open.value = {
      ...asked,
      answer: (given) => {
        open.value = null
        resolve(given)
      },
    }
  })
}

// Other units that a tape, a gauge or a plate may be in; the first is the one that a bare number has.
const ALSO: Record<string, readonly string[]> = {
  in: ['mm', 'ft'],
  mm: ['in', 'cm'],
  lbf: ['N', 'kgf'],
  N: ['lbf', 'kgf'],
  hp: ['kW'],
  kW: ['hp'],
  rpm: [],
  'ft/min': ['m/s'],
  'm/s': ['ft/min'],
  lb: ['kg'],
  kg: ['lb'],
  'lbf·ft': ['N·m'],
  'N·m': ['lbf·ft'],
}
export const unitsBeside = (unit: string): readonly string[] => [unit, ...(ALSO[unit] ?? [])]
/** Where a tape reads fractions, and where a sign means something. */
export const hasFractions = (unit: string): boolean => unit === 'in' || unit === 'ft' || unit === ''

/** The last touch was a finger or a glove: then numbers are asked on the pad. */
export const byTouch = (e: Event): boolean => 'pointerType' in e && (e as PointerEvent).pointerType === 'touch'
