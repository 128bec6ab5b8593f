import type { Sheet } from '@/api/types'

import { PULL } from './labels'

/** A figure that hangs on the drawing, in the person's own words. */
export interface Label {
  key: string
  /** Where: `wheel:ID`, `strand:ID` or `centres:ID` of the elevation. */
  at: string
  label: string
  /** The same with its wheel's name, where it does not stand beside it. */
  named?: string
  number: string
  unit: string
  path?: string
  step?: string | null
  assumed?: boolean
}

/** What hangs on the elevation: the family's call-outs, each named by its wheel. */
export function driveLabels(sheet: Sheet): Label[] {
  // The family's own two strands are those of the plain drive: round more wheels each strand says its own.
  const own = sheet.call_outs
    .filter((c) => !(sheet.around && c.at.startsWith('strand:')))
    .map((c) => {
      const { label } = c
      const [kind = '', id = ''] = c.at.split(':')
      const named = kind !== 'wheel' ? label : label === id ? `${label} speed` : `${id.replaceAll('-', ' ')} ${label}`
      return { ...c, label, named, path: c.path ?? undefined }
    })
  // Round more than two wheels every strand has its own pull, and every further wheel its name.
  const strands = (sheet.around?.strands ?? []).flatMap((s): Label[] =>
    s.tension
      ? [
          {
            key: `${PULL}${s.id}`,
            at: `strand:${s.id}`,
            label: s.strand,
            step: s.tension.step,
            number: s.tension.number,
            unit: `${s.tension.unit_shown}${sheet.around?.members === 1 ? '' : ' in all'}`,
          },
        ]
      : [],
  )
  return [...own, ...strands]
}

/** How large a label is on the screen, pixels; by its letters, so that it can be placed before it is drawn. */
export const sizeOf = (l: Label): { w: number; h: number } => ({
  w: Math.max(44, Math.max(l.label.length * 6.9, l.number.length * 12.2 + l.unit.length * 8.2 + 8) + 4),
  h: 54,
})
