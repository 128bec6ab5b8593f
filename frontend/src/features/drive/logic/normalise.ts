/** One leaf of the input as the server understood it. */
interface Echo {
  value: unknown
  typed: string | null
}

function isEcho(x: unknown): x is Echo {
  return typeof x === 'object' && x !== null && 'typed' in x && 'value' in x
}

/**
 * The input with every text replaced by the number the server read from it, in the core's unit, so that
 * it means the same after the person switches systems.
 */
export function asUnderstood<T>(input: T, echo: Record<string, unknown>): T {
  if (typeof input !== 'object' || input === null) return input
  const out: Record<string, unknown> = {}
  for (const [key, value] of Object.entries(input)) {
    const said = echo[key]
    // What stands on the loop was typed in its own page, where every text was given its unit: it stays as it was typed.
    if (key === 'around') out[key] = value
    else if (isEcho(said)) out[key] = said.typed !== null && typeof said.value === 'number' ? said.value : value
    else if (typeof value === 'object' && value !== null && typeof said === 'object' && said !== null)
      out[key] = asUnderstood(value, said as Record<string, unknown>)
    else out[key] = value
  }
  return out as T
}
