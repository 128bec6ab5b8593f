import type { DriveInput, Elevation, Units } from '@/api/types'

import { DRIVEN, fresh, said, takeUpOf, wheel, type RouteGuide, type RouteTyped, type RouteWheel } from './wheels'

// A drive that stands on a machine as the editor holds it, and back: its own two wheels keep their sizes.

const KEPT = ['x', 'y', 'along', 'pushed', 'diameter'] as const
type Kept = Record<string, unknown>

const isObject = (v: unknown): v is Kept => typeof v === 'object' && v !== null && !Array.isArray(v)
const listOf = (v: unknown): Kept[] => (Array.isArray(v) ? v.filter(isObject) : [])

/** A kept value as a text that reads back to it: numbers are in the core's units. */
function text(v: unknown, unit: string): string {
  if (typeof v === 'number') return `${Number(v.toPrecision(12))} ${unit}`.trim()
  return typeof v === 'string' ? v : ''
}

/** A length of the drawing as a tape reads it in the person's system. */
export const taped = (mm: number, units: Units): string =>
  units === 'us' ? `${(mm / 25.4).toFixed(2)} in` : `${mm.toFixed(1)} mm`

function wheelOf(w: Kept): RouteWheel {
  const how = w.from_driver !== undefined ? 'tapes' : w.along !== undefined ? 'strand' : 'xy'
  const more = Object.fromEntries(KEPT.map((name) => [name, text(w[name], 'mm')]))
  return wheel(String(w.name), w.role === 'driven' ? 'driven' : 'idler', {
    ...more,
    how,
    from_first: text(w.from_driver, 'mm'),
    from_second: text(w.from_driven, 'mm'),
    above: w.above !== false,
    side: w.side === 'outside' ? 'outside' : 'inside',
    teeth: text(w.teeth, ''),
    power: text(w.power, 'kW'),
  })
}

function takeUp(t: Kept): RouteTyped['take_up'] {
  const by =
    t.hand !== undefined ? 'hand' : t.pull === undefined ? 'nothing' : t.held_by === 'weight' ? 'weight' : 'pull'
  const swings = t.pin_x !== undefined || t.pin_from_driver !== undefined
  return {
    wheel: String(t.wheel ?? ''),
    how: swings ? 'arm' : 'slide',
    direction: text(t.direction, ''),
    pin_how: t.pin_from_driver !== undefined ? 'tapes' : 'xy',
    pin_x: text(t.pin_x, 'mm'),
    pin_y: text(t.pin_y, 'mm'),
    pin_from_first: text(t.pin_from_driver, 'mm'),
    pin_from_second: text(t.pin_from_driven, 'mm'),
    pin_above: t.pin_above !== false,
    low: text(t.low, 'mm'),
    high: text(t.high, 'mm'),
    by,
    pull: text(t.hand ?? t.pull, 'N'),
    hand_arm: text(t.hand_arm, 'mm'),
    wheel_arm: text(t.wheel_arm, 'mm'),
  }
}

/** The editor's route of a drive; where it has only two wheels, they stand as they are drawn. */
export function routeOf(input: DriveInput, drawn: Elevation, units: Units): RouteTyped {
  const around = isObject(input.around) ? input.around : {}
  const more = listOf(around.wheels)
  const at = drawn.wheels.find((w) => w.id === DRIVEN)
  const driven = wheel(DRIVEN, 'driven', {
    x: text(around.driven_x, 'mm') || taped(at?.x ?? 0, units),
    y: text(around.driven_y, 'mm') || taped(at?.y ?? 0, units),
    side: around.driven_side === 'outside' ? 'outside' : 'inside',
  })
  const on = (strand: string) => more.filter((w) => w.between === strand).map(wheelOf)
  const guides: RouteGuide[] = listOf(around.guides).map((g) => ({
    name: String(g.name),
    x: text(g.x, 'mm'),
    y: text(g.y, 'mm'),
    diameter: text(g.diameter, 'mm'),
    side: g.side === 'inside' ? 'inside' : 'outside',
    least: text(g.least, 'mm'),
    most: text(g.most, 'mm'),
  }))
  return {
    ...fresh(),
    wheels: [wheel('driver', 'driver'), ...on('driver-driven'), driven, ...on('driven-driver')],
    guides,
    take_up: isObject(around.take_up) ? takeUp(around.take_up) : fresh().take_up,
    engages: around.engages === true,
  }
}

/** Where a wheel of the editor's list stands in the input's own list: the path that a refusal names. */
export const placeInInput = (r: RouteTyped, k: number): number => {
  const driven = r.wheels.findIndex((w) => w.name === DRIVEN)
  return k < driven ? k - 1 : k - 2
}

/** What the editor says of the loop, for the drive's input; nothing where two wheels are all there is. */
export function aroundOf(r: RouteTyped): Kept | null {
  const driven = r.wheels.findIndex((w) => w.name === DRIVEN)
  const own = r.wheels[driven]
  if (!own) return null
  const plain = r.wheels.length === 2 && !r.guides.length && r.take_up.how === 'none' && !r.engages
  if (plain && own.side === 'inside') return null
  return said({
    driven_x: own.x,
    driven_y: own.y,
    driven_side: own.side === 'outside' ? 'outside' : '',
    wheels: r.wheels.flatMap((w, k) =>
      k === 0 || k === driven
        ? []
        : [
            said({
              name: w.name,
              role: w.role === 'driven' ? 'driven' : 'idler',
              between: k < driven ? 'driver-driven' : 'driven-driver',
              side: w.side,
              diameter: w.diameter,
              teeth: w.teeth === '' ? '' : Number(w.teeth),
              power: w.role === 'driven' ? w.power : '',
              ...(w.how === 'tapes'
                ? { from_driver: w.from_first, from_driven: w.from_second, above: w.above }
                : w.how === 'strand'
                  ? { along: w.along, pushed: w.pushed }
                  : { x: w.x, y: w.y }),
            }),
          ],
    ),
    guides: r.guides.length ? r.guides.map((g) => said({ ...g })) : '',
    take_up: takeUpOf(r.take_up),
    engages: r.engages || '',
  })
}

/** The drive's input with what the editor says of its loop. */
export function withAround(input: DriveInput, r: RouteTyped): DriveInput {
  const around = aroundOf(r)
  const rest = Object.fromEntries(Object.entries(input).filter(([name]) => name !== 'around'))
  return around ? { ...rest, around } : rest
}
