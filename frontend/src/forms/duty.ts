import type { Duty, DriveInput, SelectInput, ServiceFactor, Units } from '@/api/types'
import { withLeaf } from '@/shared/format/nested'
import { carryFields, LENGTH, POWER } from '@/shared/state/carried'

/** A duty as typed; empty means left open. */
export interface DutyFields {
  power: string
  driver_speed: string
  driven_speed: string
  tolerance: string
  driver: string
  machine: string
  hours_a_day: string
  chokes: boolean
  assume: string
  centre: string
  centre_give: string
  surroundings: string
}

export const emptyDuty = (): DutyFields => ({
  power: '',
  driver_speed: '',
  driven_speed: '',
  tolerance: '',
  driver: '',
  machine: '',
  hours_a_day: '',
  chokes: false,
  assume: '',
  centre: '',
  centre_give: '',
  surroundings: '',
})

/** The fields of a stored duty: texts that read back to the very value that is kept, as they were typed where they were. */
export function fieldsOf(duty: Duty): DutyFields {
  const s = (duty.service_factor ?? {}) as Record<string, unknown>
  const text = (x: unknown) => (x === undefined || x === null ? '' : String(x))
  return {
    ...duty.entries,
    driver: text(s.driver),
    machine: text(s.machine),
    hours_a_day: text(s.hours_a_day),
    chokes: s.chokes === true,
    assume: text(s.assume),
    surroundings: duty.surroundings,
  }
}

/** The fields with the unit that bare numbers were typed in. */
export const carryDuty = <T extends DutyFields>(f: T, from: Units): T =>
  carryFields<DutyFields>(f, from, { power: POWER, centre: LENGTH, centre_give: LENGTH }) as T

/** The service factor as the calculations take it; undefined where nothing was said. */
export function serviceFactor(f: DutyFields): ServiceFactor | undefined {
  if (f.assume.trim()) return { assume: f.assume }
  if (!f.driver && !f.machine && !f.hours_a_day.trim() && !f.chokes) return undefined
  return {
    driver: f.driver || undefined,
    machine: f.machine || undefined,
    hours_a_day: f.hours_a_day.trim() || undefined,
    chokes: f.chokes || undefined,
  }
}

/** What any search or comparison takes of a duty; `more` is what it is asked beside that. */
export function selectInput<T extends Partial<SelectInput>>(f: DutyFields, more: T): SelectInput & T {
  return {
    power: f.power,
    service_factor: serviceFactor(f),
    driver_speed: f.driver_speed,
    driven_speed: f.driven_speed,
    tolerance: f.tolerance.trim() || undefined,
    centre: { about: f.centre.trim() || undefined, give: f.centre_give.trim() || undefined },
    ...more,
    layout: more.layout ?? { angle: 0, clockwise: true },
  }
}

/** The body that saves a duty. */
export function dutyBody(f: DutyFields, units: Units, rev: number, name: string) {
  return {
    rev,
    units,
    created_by_name: name,
    power: f.power,
    driver_speed: f.driver_speed,
    driven_speed: f.driven_speed,
    tolerance: f.tolerance.trim() || undefined,
    service_factor: serviceFactor(f),
    centre: f.centre.trim() || undefined,
    centre_give: f.centre_give.trim() || undefined,
    surroundings: f.surroundings,
  }
}

/** A drive's input with what a stored duty asks of it: its power, its speeds, how hard it is. */
export function forDuty(input: DriveInput, duty: Duty, speedField: string): DriveInput {
  const tolerance = duty.tolerance_origin === 'assumed' ? undefined : duty.tolerance.value
  const asked = {
    ...input,
    power: duty.power.value,
    service_factor: duty.service_factor ?? undefined,
    wanted: { speed: duty.driven_speed.value, tolerance },
  }
  return withLeaf(asked, speedField, duty.driver_speed.value)
}
