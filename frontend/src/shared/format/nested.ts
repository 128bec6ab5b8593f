/** A copy of a nested record with one leaf changed; the path is dotted. */
export function withLeaf<T extends object>(input: T, path: string, value: unknown): T {
  const [head = '', ...rest] = path.split('.')
  const record = input as Record<string, unknown>
  const inner = rest.length ? withLeaf((record[head] ?? {}) as object, rest.join('.'), value) : value
  return { ...input, [head]: inner }
}
