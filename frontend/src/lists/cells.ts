import type { Figure } from '@/api/types'

/** A value of a line as its cell shows it: a figure or a band as it is shown, yes and no in words, nothing as nothing. */
export function cellText(x: unknown): string {
  if (typeof x === 'object' && x !== null && !Array.isArray(x) && 'shown' in x) return (x as Figure).shown
  if (typeof x === 'boolean') return x ? 'yes' : 'no'
  return typeof x === 'string' || typeof x === 'number' ? String(x) : ''
}
