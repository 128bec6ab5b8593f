import type { CalcLine, Units } from '@/api/types'

import { carryTyped, typedOf, type Field } from './schema'

/**
 * The example of a calculation as a person would type it. Its figures stand in inches: to who works in millimetres they say
 * so. Of a list to pick from each picked one is a mark.
 */
export function exampleOf(calc: CalcLine, fields: Field[], units: Units): Record<string, string | boolean | undefined> {
  const given = calc.example.input as Record<string, unknown>
  const picked = fields.flatMap((f) =>
    f.form === 'many'
      ? ((given[f.name] as string[] | undefined) ?? []).map((o): [string, true] => [`${f.path}.${o}`, true])
      : [],
  )
  const many = new Set(fields.filter((f) => f.form === 'many').map((f) => f.name))
  const typed = typedOf(Object.fromEntries(Object.entries(given).filter(([name]) => !many.has(name))))
  return { ...(units === 'us' ? typed : carryTyped(fields, typed, 'us')), ...Object.fromEntries(picked) }
}
