import type { TimelineMark } from '@/api/types'

export interface Axis {
  from: number
  to: number
  x: (at: string | number) => number
  ticks: { x: number; words: string }[]
}
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
const DAY = 86_400_000

/** One axis of time for all lanes: from the first thing that happened to a little after now, or as far as something is foretold. */
export function axisOf(first: number, last: number, left: number, right: number): Axis {
  const pad = Math.max((last - first) * 0.02, DAY)
  const from = first - pad
  const to = last + pad
  const x = (at: string | number) => left + ((new Date(at).getTime() - from) / (to - from)) * (right - left)
  const months = (to - from) / (30.4 * DAY)
  const every = months <= 8 ? 1 : months <= 30 ? 3 : 12
  const at = new Date(new Date(from).getFullYear(), new Date(from).getMonth() + 1, 1)
  const ticks: Axis['ticks'] = []
  while (at.getTime() < to && ticks.length < 60) {
    if (at.getMonth() % every === 0) {
      const year = String(at.getFullYear()).slice(2)
      ticks.push({
        x: x(at.getTime()),
        words: `${MONTHS[at.getMonth()]}${at.getMonth() === 0 || !ticks.length ? ` ${year}` : ''}`,
      })
    }
    at.setMonth(at.getMonth() + 1)
  }
  return { from, to, x, ticks }
}

/** Marks of a lane that lie closer than a finger's width are one, with their number; the newest speaks for them. */
export function grouped(marks: TimelineMark[], axis: Axis, apart: number): { x: number; marks: TimelineMark[] }[] {
  const out: { x: number; marks: TimelineMark[] }[] = []
  for (const m of [...marks].reverse()) {
    const x = axis.x(m.at)
    const last = out.at(-1)
    if (last && x - last.x < apart) last.marks.push(m)
    else out.push({ x, marks: [m] })
  }
  return out
}

/** What stood at a moment: the last of each lane up to then. */
export function standing(marks: TimelineMark[], at: number): { lane: string; mark: TimelineMark }[] {
  const lanes = [...new Set(marks.map((m) => m.lane))].filter((l) => l !== 'photos')
  return lanes.flatMap((lane) => {
    const before = marks.filter((m) => m.lane === lane && new Date(m.at).getTime() <= at)
    // Newest first: what has ended by then does not stand any more.
    const mark = before.find((m) => lane !== 'builds' || !m.until || new Date(m.until).getTime() > at)
    return mark ? [{ lane, mark }] : []
  })
}

/** Pauses in which nothing at all happened: longer than a season's worth, and far longer than what is usual here. */
export function pauses(marks: TimelineMark[]): { from: number; to: number }[] {
  const times = marks
    .filter((m) => m.lane !== 'builds')
    .map((m) => new Date(m.at).getTime())
    .sort((a, b) => a - b)
  // Marks of one visit are one: only what lies between visits counts.
  const gaps = times.map((t, k) => ({ from: t, to: times[k + 1] ?? t })).filter((g) => g.to - g.from > DAY)
  const usual = gaps.map((g) => g.to - g.from).sort((a, b) => a - b)[Math.floor(gaps.length / 2)] ?? 0
  return gaps.filter((g) => g.to - g.from > Math.max(90 * DAY, 2.5 * usual))
}
