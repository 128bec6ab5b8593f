import type { CompareInput, ServiceFactor } from '@/api/types'

import { serviceFactor, type DutyFields } from './duty'

export type Question = NonNullable<CompareInput['asked']>[number]

/** Questions as they are asked in the shop; the server knows how each family answers them. */
export const questions: { key: Question; words: string }[] = [
  { key: 'step', words: 'Must not slip' },
  { key: 'slips', words: 'Must slip when jammed' },
  { key: 'clean', words: 'No oil allowed' },
  { key: 'oil', words: 'Oil about' },
  { key: 'wet', words: 'Washdown, wet' },
  { key: 'heat', words: 'Hot' },
  { key: 'dust', words: 'Dust and grit' },
  { key: 'static', words: 'Static, explosive dust' },
  { key: 'reversing', words: 'Reverses' },
  { key: 'stops', words: 'Stops and starts under load' },
]

/** The comparison that belongs to a duty. */
export function compareInput(f: DutyFields, asked: Question[], layout?: CompareInput['layout']): CompareInput {
  const service: ServiceFactor | undefined = serviceFactor(f)
  return {
    power: f.power,
    service_factor: service,
    driver_speed: f.driver_speed,
    driven_speed: f.driven_speed,
    tolerance: f.tolerance.trim() || undefined,
    centre: { about: f.centre.trim() || undefined, give: f.centre_give.trim() || undefined },
    asked,
    layout: layout ?? { angle: 0, clockwise: true },
    keep: 3,
  }
}
