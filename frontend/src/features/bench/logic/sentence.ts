import type { Choice } from '@/api/types'
import type { Field } from '@/forms/schema'
import { fieldAt, type Blank, type Part } from '@/forms/sentence'
import { keyWords } from '@/shared/format/words'

const BLANK = /\{([a-z_.0-9]+)(?:\?([^:}]*):([^}]*))?\}/g

/** What a blank is called for who hears it: the help of its field, else its name. */
export const saysOf = (f: Field): string => f.help.split(';')[0]?.trim() || keyWords(f.name)

/** The lines of a card's sentence: the server's words, the schema's fields, and what their keys are called. */
export function linesOf(
  sentence: string,
  fields: readonly Field[],
  names: Record<string, Record<string, string>>,
  keyed: (table: 'drivers' | 'driven_machines') => readonly Choice[],
): Part[][] {
  const blank = (f: Field, no: string | undefined, yes: string | undefined): Blank => {
    const base = { path: f.path, says: saysOf(f), wide: f.form === 'text' ? 5 : 6 }
    const called = names[f.path] ?? {}
    if (f.form === 'flag')
      return {
        ...base,
        options: [
          { key: '', name: no || 'no' },
          { key: 'yes', name: yes || 'yes' },
        ],
      }
    if (f.form === 'choice')
      return { ...base, options: f.options.map((key) => ({ key, name: called[key] ?? keyWords(key) })) }
    if (f.form === 'many')
      return { ...base, many: true, options: f.options.map((key) => ({ key, name: called[key] ?? keyWords(key) })) }
    if (f.form === 'keyed') return { ...base, options: keyed(f.table).map(({ key, name }) => ({ key, name })) }
    return base
  }
  return sentence.split('|').map((line) => {
    const out: Part[] = []
    let end = 0
    for (const m of line.matchAll(BLANK)) {
      if (m.index > end) out.push(line.slice(end, m.index))
      end = m.index + m[0].length
      const field = fieldAt(m[1] ?? '', fields)
      if (field) out.push(blank(field, m[2], m[3]))
    }
    if (end < line.length) out.push(line.slice(end))
    return out
  })
}

/** Every field that the answer cannot do without, groups looked into. */
export const neededOf = (fields: readonly Field[]): string[] =>
  fields.flatMap((f) => (!f.needed ? [] : f.form === 'group' ? neededOf(f.fields) : [f.path]))

/** Whether everything is said that the answer needs: of a part that may be left out nothing, or all that it needs. */
export const complete = (fields: readonly Field[], typed: Record<string, unknown>): boolean =>
  neededOf(fields).every((path) => Boolean(typed[path])) &&
  fields.every(
    (f) =>
      f.form !== 'group' ||
      complete(f.fields, typed) ||
      !Object.entries(typed).some(([path, said]) => said && path.startsWith(f.path + '.')),
  )
