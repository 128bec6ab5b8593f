import { isoDay } from '@/shared/format/words'

export interface Period {
  key: string
  word: string
  since: string
  until: string
}

const day = (y: number, m: number, d: number) => new Date(y, m, d)

/** The periods a shop reports on, seen from a day: this month and the last, this quarter and the last, this year and the last. */
export function periods(now: Date): Period[] {
  const y = now.getFullYear()
  const m = now.getMonth()
  const q = Math.floor(m / 3) * 3
  const made = (key: string, word: string, since: Date, until: Date) => ({
    key,
    word,
    since: isoDay(since),
    until: isoDay(until),
  })
  return [
    made('month', 'This month', day(y, m, 1), now),
    made('last-month', 'Last month', day(y, m - 1, 1), day(y, m, 0)),
    made('quarter', 'This quarter', day(y, q, 1), now),
    made('last-quarter', 'Last quarter', day(y, q - 3, 1), day(y, q, 0)),
    made('year', 'This year', day(y, 0, 1), now),
    made('last-year', 'Last year', day(y - 1, 0, 1), day(y - 1, 11, 31)),
  ]
}

/** 12.50 ¤; the person's own sign stands for ¤ (`ownWords`). */
export const money = (x: number): string =>
  `${x.toLocaleString('en-US', { minimumFractionDigits: 2, maximumFractionDigits: 2 })} ¤`
