import type { Job, JobStep } from '@/api/types'

/** What fills the screen at once: making safe is one screen, every other step its own. */
export interface Screen {
  key: string
  title: string
  steps: JobStep[]
}
export const SAFE = 'make-safe'
const safety = new Set(['isolate', 'prove'])

/** The screens of a job in its advised order. */
export function screensOf(job: Job): Screen[] {
  const out: Screen[] = []
  for (const s of job.steps) {
    const safe = s.block === job.steps[0]?.block && (safety.has(s.kind) || s.key === 'safe-signed' || s.key === 'tell')
    const last = out[out.length - 1]
    if (safe && last?.key === SAFE) last.steps.push(s)
    else out.push({ key: safe ? SAFE : s.key, title: s.block, steps: [s] })
  }
  return out
}

/** Whether nothing is left to do on a screen; `told` says what waits on this device as well. */
export const isDone = (s: Screen, status: (step: JobStep) => JobStep['status']): boolean =>
  s.steps.every((x) => status(x) !== 'open')

/** The screen to go on with: the first that has something open, the last one where all is done. */
export function nextScreen(screens: Screen[], status: (step: JobStep) => JobStep['status'], from = 0): number {
  const order = [...screens.keys()]
  const open = (k: number) => !isDone(screens[k] as Screen, status)
  return order.slice(from).find(open) ?? order.find(open) ?? Math.max(0, screens.length - 1)
}

/** The next thing to read at a step: after the one at hand, else the first that is needed and missing; `has` says what is read. */
export function nextAsked(step: JobStep, after: string, has: (target: string) => boolean): string | null {
  const asked = step.asked
  const at = asked.findIndex((a) => a.target === after)
  const missing = (a: (typeof asked)[number]) => a.needed && !has(a.target)
  return (asked.slice(at + 1).find(missing) ?? asked.find((a) => a.target !== after && missing(a)))?.target ?? null
}
