import type { Notice } from '@/api/types'

/** An answer without the sentences that its remarks say already: a reason stands once, under its own caution. */
export function unremarked(result: Record<string, unknown>, notices: readonly Notice[]): Record<string, unknown> {
  const said = notices.flatMap((n) => [n.text, n.action]).join('\n')
  return Object.fromEntries(
    Object.entries(result).filter(([, x]) => typeof x !== 'string' || x.length < SENTENCE || !said.includes(x)),
  )
}
// Words as short as this are a name or a state, and may well stand in a remark too.
const SENTENCE = 20
