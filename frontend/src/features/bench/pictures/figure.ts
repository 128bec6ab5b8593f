export type Result = Record<string, unknown> | undefined
export interface Figure {
  value: number
  shown: string
  number: string
}
/** A figure of an answer by its name; nothing where the answer has none. */
export function figureOf(result: Result, name: string): Figure | undefined {
  const f = result?.[name]
  return f && typeof f === 'object' && 'shown' in f ? (f as Figure) : undefined
}
