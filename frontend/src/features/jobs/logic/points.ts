import type { Elevation, JobStep } from '@/api/types'

/** Where on a machine a source of energy is shut off: at which wheel, and how it is drawn. */
export type Sign = 'box' | 'valve' | 'plug' | 'weight' | 'spring' | 'hot' | 'blade' | 'turn' | 'stop' | 'shaft'
const SIGNS: Record<string, { sign: Sign; role: string; falls?: boolean }> = {
  electric: { sign: 'box', role: 'driver' },
  engine: { sign: 'plug', role: 'driver' },
  battery: { sign: 'box', role: 'driver' },
  pto: { sign: 'shaft', role: 'driver' },
  fuel: { sign: 'valve', role: 'driver' },
  hydraulic: { sign: 'valve', role: 'driven' },
  pneumatic: { sign: 'valve', role: 'driven' },
  spring: { sign: 'spring', role: 'idler' },
  gravity: { sign: 'weight', role: 'driven', falls: true },
  backdrive: { sign: 'turn', role: 'driven', falls: true },
  heat: { sign: 'hot', role: 'driven' },
  edges: { sign: 'blade', role: 'driven' },
  other: { sign: 'box', role: 'driven' },
}
export interface Point {
  key: string
  no: number
  x: number
  sign: Sign
  wheel: string
  falls: boolean
}

/** The points of a machine along the picture, by the side of the drive that they belong to; `no` is the row they stand in. */
export function pointsOf(steps: JobStep[], e: Elevation, width: number): Point[] {
  const byRole = (role: string) => e.wheels.find((w) => w.role === role) ?? e.wheels.find((w) => w.role === 'driven')
  const placed = steps.map((s, n) => {
    const of = SIGNS[s.energy] ?? { sign: 'stop' as Sign, role: 'driver' }
    const wheel = byRole(of.role)
    return { key: s.key, no: n + 1, sign: of.sign, wheel: wheel?.id ?? '', at: wheel?.x ?? 0, falls: of.falls ?? false }
  })
  // In one row, each on its own side, evenly spread: no two meet, whatever the machine has.
  const order = [...placed].sort((a, b) => a.at - b.at || a.no - b.no)
  const step = width / Math.max(order.length, 1)
  return order.map((p, k) => ({
    key: p.key,
    no: p.no,
    sign: p.sign,
    wheel: p.wheel,
    falls: p.falls,
    x: step * (k + 0.5),
  }))
}
