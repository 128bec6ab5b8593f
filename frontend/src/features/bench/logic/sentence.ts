import type { Choice } from '@/api/types'
import type { Field } from '@/forms/schema'
import { fieldAt, type Blank, type Part } from '@/forms/sentence'
import { isBare } from '@/shared/format/units'
import { keyWords } from '@/shared/format/words'
import type { Units } from '@/api/types'

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

/** Every field that the answer cannot do without, groups looked into; of a list its first line. */
export const neededOf = (fields: readonly Field[]): string[] =>
  fields.flatMap((f) => {
    if (!f.needed) return []
    return f.form === 'group' ? neededOf(f.fields) : f.form === 'rows' ? neededOf(f.row(0)) : [f.path]
  })

/** Whether everything is said that the answer needs: of a part that may be left out nothing, or all that it needs. */
export const complete = (fields: readonly Field[], typed: Record<string, unknown>): boolean =>
  neededOf(fields).every((path) => Boolean(typed[path])) &&
  fields.every(
    (f) =>
      f.form !== 'group' ||
      complete(f.fields, typed) ||
      !Object.entries(typed).some(([path, said]) => said && path.startsWith(f.path + '.')),
  )

type Typed = Record<string, string | boolean | undefined>
/** What stands in a blank, in words and with its unit; nothing where it is open. */
function saidIn(b: Blank, fields: readonly Field[], typed: Typed, units: Units): string {
  const f = fieldAt(b.path, fields)
  if (b.many)
    return (b.options ?? [])
      .filter((o) => typed[`${b.path}.${o.key}`] === true)
      .map((o) => o.name)
      .join(', ')
  const v = typed[b.path]
  if (f?.form === 'flag') return b.options?.find((o) => o.key === ((v ?? f.on) ? 'yes' : ''))?.name ?? ''
  if (typeof v !== 'string' || !v.trim()) return ''
  if (b.options) return b.options.find((o) => o.key === v)?.name ?? v
  return f?.form === 'quantity' && isBare(v) ? `${v} ${units === 'us' ? f.us : f.si}`.trim() : v
}
/** The sentence as it was said, line by line; a blank that is open is a dash, a line of nothing but open blanks is left out. */
export const saidOf = (
  lines: readonly (readonly Part[])[],
  fields: readonly Field[],
  typed: Typed,
  units: Units,
): string =>
  lines
    .flatMap((line) => {
      const said = line.map((p) => (typeof p === 'string' ? p : saidIn(p, fields, typed, units) || '–'))
      const open = line.every((p, k) => typeof p === 'string' || said[k] === '–')
      return open ? [] : [said.join('').trim()]
    })
    .join(' ')
