import type { SelectInput } from '@/api/types'

export const grooves = [
  'A',
  'B',
  'C',
  'D',
  'E',
  '3V',
  '5V',
  '8V',
  'Z',
  'SPZ',
  'SPA',
  'SPB',
  'SPC',
  '2L',
  '3L',
  '4L',
  '5L',
  'A deep',
  'B deep',
  'C deep',
  'D deep',
  'A in A/B',
  'B in A/B',
  '3V deep',
  '5V deep',
  '8V deep',
] as const
/** Sections with standard sheaves and a public rating. */
export const sections = [
  'A',
  'AX',
  'B',
  'BX',
  'C',
  'CX',
  'D',
  'E',
  '3VX',
  '5V',
  '5VX',
  '8V',
  'Z',
  'SPZ',
  'SPA',
  'SPB',
  'SPC',
] as const

/** Parts that stay, as typed; empty means free. */
export interface FixedFields {
  driver: string
  driven: string
  groove: string
  section: string
  belt: string
}
export const nothingFixed = (): FixedFields => ({ driver: '', driven: '', groove: '', section: '', belt: '' })

type Fixed = NonNullable<SelectInput['fixed']>

/** What the search takes; a sheave without a groove is taken in the groove of the section that stays, else B. */
export function fixedInput(f: FixedFields): Fixed {
  const of = f.section.replace(/X$/, '').replace(/^X/, 'S')
  const groove = (f.groove || of || 'B') as (typeof grooves)[number]
  const wheel = (d: string) => (d.trim() ? { diameter: d, kind: 'outside' as const, groove } : undefined)
  return {
    driver: wheel(f.driver),
    driven: wheel(f.driven),
    section: (f.section || undefined) as Fixed['section'],
    belt: f.belt.trim() || undefined,
  }
}

export const anythingFixed = (f: FixedFields): boolean => Object.values(f).some((v) => v.trim() !== '')

/** Where the refusals of these fields point. */
export const fixedPaths = ['driver', 'driven', 'section', 'belt'].map((n) => `input.fixed.${n}`)
