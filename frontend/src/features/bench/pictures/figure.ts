import type { Scene } from '@/api/types'

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
/** The drawing that comes with an answer. */
export function sceneOf(result: Result): Scene | undefined {
  const x = result?.picture
  return typeof x === 'object' && x !== null && 'items' in x ? (x as Scene) : undefined
}
