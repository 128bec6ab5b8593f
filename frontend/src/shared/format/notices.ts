import type { Notice } from '@/api/types'

const WEIGHT = { danger: 0, caution: 1, info: 2 } as const

/** What was taken because nobody said it: a word to put right, not a remark among the others. */
export const isAssumption = (n: Notice): boolean => n.code.endsWith('assumed')

/** Remarks with what can hurt first; without what was assumed. */
export const bySeverity = (notices: readonly Notice[]): Notice[] =>
  notices.filter((n) => !isAssumption(n)).sort((a, b) => WEIGHT[a.level] - WEIGHT[b.level])
