import type { Units } from '@/api/types'
import { withUnit } from '@/shared/format/units'
import { plainName } from '@/shared/format/words'

/** The part of JSON Schema that the input models use. */
export interface Schema {
  type?: string
  title?: string
  description?: string
  enum?: string[]
  const?: string
  anyOf?: Schema[]
  items?: Schema
  $ref?: string
  properties?: Record<string, Schema>
  required?: string[]
  default?: unknown
  minimum?: number
  maximum?: number
  'x-kind'?: string
  'x-unit-us'?: string
  'x-unit-si'?: string
  'x-example'?: string
  'x-drive'?: boolean
  'x-choices'?: 'drivers' | 'driven_machines'
}
export type Field =
  | {
      form: 'quantity'
      name: string
      title: string
      path: string
      help: string
      us: string
      si: string
      example: string
      kind: string
      needed: boolean
    }
  | { form: 'choice'; name: string; title: string; path: string; help: string; options: string[]; needed: boolean }
  | {
      form: 'keyed'
      name: string
      title: string
      path: string
      help: string
      table: 'drivers' | 'driven_machines'
      needed: boolean
    }
  | { form: 'many'; name: string; title: string; path: string; help: string; options: string[]; needed: boolean }
  // `on` is how it stands until somebody says.
  | { form: 'flag'; name: string; title: string; path: string; help: string; needed: boolean; on: boolean }
  | { form: 'number'; name: string; title: string; path: string; help: string; needed: boolean }
  | { form: 'text'; name: string; title: string; path: string; help: string; needed: boolean }
  | { form: 'group'; name: string; title: string; path: string; help: string; fields: Field[]; needed: boolean }
  | {
      form: 'rows'
      name: string
      title: string
      path: string
      help: string
      row: (no: number) => Field[]
      plain: boolean
      needed: boolean
    }

function resolve(s: Schema, defs: Record<string, Schema>): Schema {
  if (s.$ref)
    return {
      ...resolve(defs[s.$ref.split('/').pop() ?? ''] ?? {}, defs),
      ...(s.description ? { description: s.description } : {}),
      ...(s.title ? { title: s.title } : {}),
    }
  const real = s.anyOf?.filter((x) => x.type !== 'null') ?? []
  if (!s['x-kind'] && real.length === 1 && real[0]) {
    const inner = resolve(real[0], defs)
    return {
      ...inner,
      title: s.title ?? inner.title,
      description: s.description ?? inner.description,
      'x-choices': s['x-choices'] ?? inner['x-choices'],
    }
  }
  return s
}

/** The words beside a field's label: what only repeats it is no help. */
export function helpBeside({ title, help }: { title: string; help: string }): string {
  const bare = (s: string) =>
    s
      .trim()
      .toLowerCase()
      .replace(/^(it|the|or the) /, '')
  return bare(help) === bare(title) ? '' : help
}
/** The fields of an input model, for a form. Drawing-only layout and ranking weights stay out of it. */
export function fieldsOf(
  schema: Schema & { $defs?: Record<string, Schema> },
  defs = schema.$defs ?? {},
  prefix = '',
): Field[] {
  const hidden = new Set(['layout', 'weights', 'keep'])
  return Object.entries(schema.properties ?? {}).flatMap(([name, raw]): Field[] => {
    if (hidden.has(name)) return []
    const s = resolve(raw, defs)
    // A whole drive is asked from its page, not typed into a form.
    if (s['x-drive']) return []
    const base = {
      name,
      title: raw.title ?? s.title ?? plainName(name),
      path: prefix + name,
      help: raw.description ?? s.description ?? '',
      needed: schema.required?.includes(name) ?? false,
    }
    if (s['x-kind'])
      return [
        {
          form: 'quantity',
          ...base,
          us: s['x-unit-us'] ?? '',
          si: s['x-unit-si'] ?? '',
          example: s['x-example'] ?? '',
          kind: s['x-kind'],
        },
      ]
    if (s.properties) return [{ form: 'group', ...base, fields: fieldsOf(s, defs, base.path + '.') }]
    const item = s.type === 'array' && s.items ? resolve(s.items, defs) : undefined
    if (item?.properties || item?.['x-kind']) {
      const plain = Boolean(item['x-kind'])
      const row = (no: number) =>
        plain
          ? fieldsOf({ properties: { [String(no)]: item } }, defs, base.path + '.').map((f) => ({
              ...f,
              // A list of plain figures: each goes by the list's own name and its place, not by its index.
              name: `${base.name.replace(/s$/, '')} ${no + 1}`,
              title: `${base.title.replace(/s$/, '')} ${no + 1}`,
            }))
          : fieldsOf(item, defs, `${base.path}.${no}.`)
      return [{ form: 'rows', ...base, row, plain }]
    }
    if (s.type === 'array' && s.items?.enum) return [{ form: 'many', ...base, options: s.items.enum }]
    if (s.enum) return [{ form: 'choice', ...base, options: s.enum }]
    if (s['x-choices']) return [{ form: 'keyed', ...base, table: s['x-choices'] }]
    if (s.type === 'boolean') return [{ form: 'flag', ...base, on: s.default === true || raw.default === true }]
    if (s.type === 'integer' || s.type === 'number') return [{ form: 'number', ...base }]
    return [{ form: 'text', ...base }]
  })
}

/** How many lines of a list hold something. */
export function rowsTyped(path: string, typed: Record<string, string | boolean | undefined>): number {
  const held = Object.entries(typed).filter(([k, v]) => k.startsWith(path + '.') && v !== undefined && v !== '')
  return Math.max(0, ...held.map(([k]) => Number(k.slice(path.length + 1).split('.')[0]) + 1))
}

/** The body from flat typed values: empty ones are left out, and so are groups nobody touched. */
export function bodyOf(
  fields: Field[],
  typed: Record<string, string | boolean | undefined>,
): Record<string, unknown> | undefined {
  const out: Record<string, unknown> = {}
  for (const f of fields) {
    if (f.form === 'group') {
      const inner = bodyOf(f.fields, typed)
      if (inner) out[f.name] = inner
      continue
    }
    if (f.form === 'many') {
      const chosen = f.options.filter((o) => typed[`${f.path}.${o}`] === true)
      if (chosen.length) out[f.name] = chosen
      continue
    }
    if (f.form === 'rows') {
      const lines = Array.from({ length: rowsTyped(f.path, typed) }, (_, no) => {
        const line = bodyOf(f.row(no), typed)
        // A plain line has one field, whatever it is called.
        return f.plain ? Object.values(line ?? {})[0] : line
      }).filter((line) => line !== undefined)
      if (lines.length) out[f.name] = lines
      continue
    }
    const v = typed[f.path]
    if (f.form === 'flag') {
      // Only what differs from how it stands by itself is said.
      if (typeof v === 'boolean' && v !== f.on) out[f.name] = v
      continue
    }
    if (v === undefined || v === '' || v === false) continue
    out[f.name] = f.form === 'number' ? (Number.isFinite(Number(v)) ? Number(v) : v) : v
  }
  return Object.keys(out).length ? out : undefined
}

/** Flat typed values with the unit that their bare numbers were typed in. */
export function carryTyped(
  fields: Field[],
  typed: Record<string, string | boolean | undefined>,
  from: Units,
): typeof typed {
  const out = { ...typed }
  for (const f of fields) {
    if (f.form === 'group') Object.assign(out, carryTyped(f.fields, out, from))
    else if (f.form === 'rows') {
      for (let no = 0; no < rowsTyped(f.path, out); no++) Object.assign(out, carryTyped(f.row(no), out, from))
    } else if (f.form === 'quantity') {
      const v = out[f.path]
      if (typeof v === 'string') out[f.path] = withUnit(v, from === 'us' ? f.us : f.si)
    }
  }
  return out
}

/** Flat typed values from an example's nested input. */
export function typedOf(input: Record<string, unknown>, prefix = ''): Record<string, string | boolean> {
  return Object.assign(
    {},
    ...Object.entries(input).map(([k, v]) => {
      if (v === null || v === undefined) return {}
      if (typeof v === 'object') return typedOf(v as Record<string, unknown>, `${prefix}${k}.`)
      return { [prefix + k]: typeof v === 'boolean' ? v : String(v) }
    }),
  ) as Record<string, string | boolean>
}
