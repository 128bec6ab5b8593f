import type { RepeatLine } from '@/api/types'

export interface Block {
  x: number
  width: number
  words: string
  failed: boolean
  open: boolean
}

const spell = (days: number) =>
  days >= 60 ? `${Math.round(days / 30.4)} months` : `${Math.max(Math.round(days / 7), 1)} wk`

/** The loops of a drive as blocks on one axis of so many pixels, the last one still running. */
export function blocksOf(loops: RepeatLine['loops'], width: number, now = Date.now()): Block[] {
  const first = loops[0]
  if (!first) return []
  const from = new Date(first.fitted).getTime()
  const whole = Math.max(now - from, 1)
  return loops.map((l, k) => {
    const a = new Date(l.fitted).getTime()
    const b = l.until ? new Date(l.until).getTime() : now
    const next = loops[k + 1]
    const end = next ? Math.min(b, new Date(next.fitted).getTime()) : b
    return {
      x: ((a - from) / whole) * width,
      width: Math.max(((end - a) / whole) * width, 2),
      words: spell((end - a) / 86_400_000),
      failed: l.failed,
      open: !l.until,
    }
  })
}

/** First days of the months on the same axis, with their letter. */
export function monthsOf(loops: RepeatLine['loops'], width: number, now = Date.now()): { x: number; letter: string }[] {
  const first = loops[0]
  if (!first) return []
  const from = new Date(first.fitted)
  const whole = Math.max(now - from.getTime(), 1)
  const out: { x: number; letter: string }[] = []
  const at = new Date(from.getFullYear(), from.getMonth() + 1, 1)
  while (at.getTime() < now && out.length < 36) {
    out.push({ x: ((at.getTime() - from.getTime()) / whole) * width, letter: 'JFMAMJJASOND'[at.getMonth()] ?? '' })
    at.setMonth(at.getMonth() + 1)
  }
  return out
}
