import type { Field } from './schema'

/** A question as a sentence: words, and blanks for its fields. */
export type Part = string | Blank
export interface Blank {
  /** Field of the calculation. */
  path: string
  /** What it is, for who hears it. */
  says: string
  wide?: number
  /** What may be picked in it; else something is typed. */
  options?: readonly { key: string; name: string }[]
  /** Several of them may be picked. */
  many?: boolean
}

/** The field of a path; groups and lists are looked into. */
export function fieldAt(path: string, among: readonly Field[]): Field | undefined {
  for (const f of among) {
    if (f.path === path) return f
    if (f.form === 'group' && path.startsWith(f.path + '.')) return fieldAt(path, f.fields)
    if (f.form === 'rows' && path.startsWith(f.path + '.'))
      return fieldAt(path, f.row(Number(path.slice(f.path.length + 1).split('.')[0])))
  }
  return undefined
}
