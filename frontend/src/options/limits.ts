import type { Limits } from '@/api/types'

/** What motor, shafts and room allow, as typed; empty means no limit. */
export interface LimitFields {
  belts: string
  driver_outside: string
  driven_outside: string
  width: string
  motor: boolean
  frame: string
  driver_shaft: string
  driven_shaft: string
  shaft_load: string
}
export const noLimits = (): LimitFields => ({
  belts: '',
  driver_outside: '',
  driven_outside: '',
  width: '',
  motor: false,
  frame: '',
  driver_shaft: '',
  driven_shaft: '',
  shaft_load: '',
})

/** What the search takes. What is no count goes out as typed, so that the server can say what is wrong with it. */
export function limitsInput(f: LimitFields): Limits {
  const text = (s: string) => s.trim() || undefined
  const count = Number(f.belts)
  return {
    belts: f.belts.trim() === '' ? undefined : Number.isFinite(count) ? count : (f.belts as unknown as number),
    driver_outside: text(f.driver_outside),
    driven_outside: text(f.driven_outside),
    width: text(f.width),
    motor: f.motor || f.frame.trim() ? { frame: text(f.frame) } : undefined,
    driver_shaft: text(f.driver_shaft),
    driven_shaft: text(f.driven_shaft),
    shaft_load: text(f.shaft_load),
  } as Limits
}

export const anyLimit = (f: LimitFields): boolean =>
  Object.values(f).some((v) => (typeof v === 'string' ? v.trim() !== '' : v))

/** Where the refusals of these fields point. */
export const limitPaths = [
  'belts',
  'driver_outside',
  'driven_outside',
  'width',
  'motor',
  'driver_shaft',
  'driven_shaft',
  'shaft_load',
].map((n) => `input.limits.${n}`)
