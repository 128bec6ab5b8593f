import type { Typed } from '../forms'
import type { VBeltSelect } from './types'

/** Parts that stay, as typed; empty means free. */
export const nothingFixed = (): Typed => ({ driver: '', driven: '', groove: '', section: '', belt: '' })

type Fixed = NonNullable<VBeltSelect['fixed']>
type Wheel = NonNullable<Fixed['driver']>

/** What the search takes. */
export function fixedInput(f: Typed): Fixed {
  // Left open, it is the groove of the belt or section that stays: the server's to say.
  const groove = (f.groove || undefined) as Wheel['groove']
  const wheel = (d = '') => (d.trim() ? ({ diameter: d, kind: 'outside', groove } as Wheel) : undefined)
  return {
    driver: wheel(f.driver),
    driven: wheel(f.driven),
    section: (f.section || undefined) as Fixed['section'],
    belt: f.belt?.trim() || undefined,
  }
}

/** Where the refusals of these fields point. */
export const fixedPaths = ['driver', 'driven', 'section', 'belt'].map((n) => `input.fixed.${n}`)
