import type { Choice } from '@/api/types'
import type { Field } from '@/forms/schema'
import { keyWords } from '@/shared/format/words'

/** A piece of a card's sentence: words, or a blank for a field with what may be picked in it. */
export type Piece = { words: string } | { field: Field; options?: { key: string; name: string }[] }

const BLANK = /\{([a-z_.0-9]+)(?:\?([^:}]*):([^}]*))?\}/g

/** The field of a path, groups looked into. */
export function fieldAt(path: string, among: readonly Field[]): Field | undefined {
  for (const f of among) {
    if (f.path === path) return f
    if (f.form === 'group' && path.startsWith(f.path + '.')) return fieldAt(path, f.fields)
  }
  return undefined
}

/** The lines of a card's sentence; the server's words, the schema's fields, and what their keys are called. */
export function linesOf(
  sentence: string,
  fields: readonly Field[],
  names: Record<string, Record<string, string>>,
  keyed: (table: 'drivers' | 'driven_machines') => readonly Choice[],
): Piece[][] {
  return sentence.split('|').map((line) => {
    const out: Piece[] = []
    let end = 0
    for (const m of line.matchAll(BLANK)) {
      if (m.index > end) out.push({ words: line.slice(end, m.index) })
      end = m.index + m[0].length
      const field = fieldAt(m[1] ?? '', fields)
      if (!field) continue
      const called = names[field.path] ?? {}
      if (field.form === 'flag')
        out.push({
          field,
          options: [
            { key: '', name: m[2] || 'no' },
            { key: 'yes', name: m[3] || 'yes' },
          ],
        })
      else if (field.form === 'choice')
        out.push({ field, options: field.options.map((key) => ({ key, name: called[key] ?? keyWords(key) })) })
      else if (field.form === 'keyed')
        out.push({ field, options: keyed(field.table).map(({ key, name }) => ({ key, name })) })
      else out.push({ field })
    }
    if (end < line.length) out.push({ words: line.slice(end) })
    return out
  })
}

/** What a blank is called for who hears it: the help of its field, else its name. */
export const saysOf = (f: Field): string => f.help.split(';')[0]?.trim() || keyWords(f.name)

/** Whether everything is said that the answer needs. */
export const complete = (fields: readonly Field[], typed: Record<string, unknown>): boolean =>
  fields.every((f) => !f.needed || (f.form === 'group' ? complete(f.fields, typed) : Boolean(typed[f.path])))
