import type { Problem } from '@/api/types'

import { withLeaf } from './nested'

/** The body to send again: yours with the picked choice at every field that differed, at the version they left. */
export function settled(
  yours: Record<string, unknown>,
  problem: Problem,
  picked: readonly number[],
): Record<string, unknown> {
  let body: Record<string, unknown> = { ...yours, rev: Number(problem.current?.rev ?? 0) }
  problem.differences?.forEach((d, k) => {
    const choice = d.choices[picked[k] ?? 0]
    if (choice && choice.word !== 'yours') body = withLeaf(body, d.path, choice.value ?? undefined)
  })
  return body
}
