import type { CompareInput } from '@/api/types'

import { selectInput, type DutyFields } from './duty'

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
export const compareInput = (f: DutyFields, asked: Question[], layout?: CompareInput['layout']): CompareInput =>
  selectInput(f, { asked, layout, keep: 3 })
