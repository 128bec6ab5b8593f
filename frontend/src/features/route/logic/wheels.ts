import type { Units } from '@/api/types'
import { carryFields, FORCE, LENGTH, POWER } from '@/shared/state/carried'

// A route as a person enters it: every figure as it was typed, wheels in the order in which the loop meets them.
export interface RouteWheel {
  name: string
  role: 'driver' | 'driven' | 'idler' | 'guide'
  how: 'xy' | 'tapes' | 'strand'
  x: string
  y: string
  from_first: string
  from_second: string
  above: boolean
  along: string
  pushed: string
  diameter: string
  teeth: string
  side: 'inside' | 'outside'
  power: string
}
export interface RouteGuide {
  name: string
  x: string
  y: string
  diameter: string
  side: 'inside' | 'outside'
  least: string
  most: string
}
export interface RouteTyped {
  loop: string
  driver_speed: string
  clockwise: boolean
  static_tension: string
  loop_length: string
  engages: boolean
  wheels: RouteWheel[]
  guides: RouteGuide[]
  take_up: {
    wheel: string
    how: 'none' | 'slide' | 'arm'
    direction: string
    pin_how: 'xy' | 'tapes'
    pin_x: string
    pin_y: string
    pin_from_first: string
    pin_from_second: string
    pin_above: boolean
    low: string
    high: string
    by: 'nothing' | 'pull' | 'weight' | 'hand'
    pull: string
    hand_arm: string
    wheel_arm: string
  }
}

/** The driven wheel of a drive that stands on a machine, by its id. */
export const DRIVEN = 'driven'

export const wheel = (name: string, role: RouteWheel['role'], more: Partial<RouteWheel> = {}): RouteWheel => ({
  name,
  role,
  how: 'xy',
  x: '',
  y: '',
  from_first: '',
  from_second: '',
  above: true,
  along: '',
  pushed: '',
  diameter: '',
  teeth: '',
  side: 'inside',
  power: '',
  ...more,
})

/** A driver and one driven wheel with nothing said of them. */
export const fresh = (): RouteTyped => ({
  loop: 'V-belt',
  driver_speed: '',
  clockwise: true,
  static_tension: '',
  loop_length: '',
  engages: false,
  wheels: [wheel('motor', 'driver', { x: '0', y: '0' }), wheel('fan', 'driven', { y: '0' })],
  guides: [],
  take_up: {
    wheel: '',
    how: 'none',
    direction: '',
    pin_how: 'xy',
    pin_x: '',
    pin_y: '',
    pin_from_first: '',
    pin_from_second: '',
    pin_above: true,
    low: '',
    high: '',
    by: 'nothing',
    pull: '',
    hand_arm: '',
    wheel_arm: '',
  },
})

/** A name that no wheel has yet. */
export function freeName(wheels: { name: string }[], word: string): string {
  const names = new Set(wheels.map((w) => w.name))
  if (!names.has(word)) return word
  let k = 2
  while (names.has(`${word} ${k}`)) k++
  return `${word} ${k}`
}

/** The route with one wheel more, before the wheel of a place; a new idler presses from outside, placed by two tapes. */
export function withWheel(r: RouteTyped, role: RouteWheel['role'], at = r.wheels.length): RouteTyped {
  const more: Partial<RouteWheel> = role === 'idler' ? { side: 'outside', how: 'tapes' } : { how: 'tapes' }
  const made = wheel(freeName(r.wheels, role === 'driven' ? 'driven' : role), role, more)
  return { ...r, wheels: [...r.wheels.slice(0, at), made, ...r.wheels.slice(at)] }
}
/** The other wheel that tapes are read from beside the driver: the first one that has x and y. */
export const secondRef = (r: RouteTyped): number => r.wheels.findIndex((w, k) => k > 0 && w.how === 'xy')
/** Without the wheel of a place; the two that tapes are read from stay. */
export function withoutWheel(r: RouteTyped, k: number): RouteTyped {
  if (k === 0 || k === secondRef(r)) return r
  const gone = r.wheels[k]?.name
  const take_up = r.take_up.wheel === gone ? { ...r.take_up, wheel: '', how: 'none' as const } : r.take_up
  return { ...r, wheels: r.wheels.filter((_, n) => n !== k), take_up }
}
/** The wheel of a place on the other face of the loop; the driver stays inside. */
export function turnedOver(r: RouteTyped, k: number): RouteTyped {
  if (k === 0) return r
  return {
    ...r,
    wheels: r.wheels.map((w, n) => (n === k ? { ...w, side: w.side === 'inside' ? 'outside' : 'inside' } : w)),
  }
}
/** A wheel one place earlier in the way of the loop; the driver stays first. */
export function earlier(r: RouteTyped, k: number): RouteTyped {
  if (k < 2) return r
  const wheels = [...r.wheels]
  const [moved] = wheels.splice(k, 1)
  if (moved) wheels.splice(k - 1, 0, moved)
  return { ...r, wheels }
}

/** The route with the unit that its bare numbers were typed in: at the switch of units a figure stays what it was. */
export function inUnitsOf(r: RouteTyped, from: Units): RouteTyped {
  const wheels = r.wheels.map((w) =>
    carryFields(w, from, {
      x: LENGTH,
      y: LENGTH,
      from_first: LENGTH,
      from_second: LENGTH,
      along: LENGTH,
      pushed: LENGTH,
      diameter: LENGTH,
      power: POWER,
    }),
  )
  const guides = r.guides.map((g) =>
    carryFields(g, from, { x: LENGTH, y: LENGTH, diameter: LENGTH, least: LENGTH, most: LENGTH }),
  )
  const take_up = carryFields(r.take_up, from, {
    pin_x: LENGTH,
    pin_y: LENGTH,
    pin_from_first: LENGTH,
    pin_from_second: LENGTH,
    low: LENGTH,
    high: LENGTH,
    hand_arm: LENGTH,
    wheel_arm: LENGTH,
    pull: FORCE,
  })
  return { ...carryFields(r, from, { loop_length: LENGTH, static_tension: FORCE }), wheels, guides, take_up }
}

export const said = (o: Record<string, unknown>) => Object.fromEntries(Object.entries(o).filter(([, v]) => v !== ''))

/** Whether a wheel's place is said. */
const placed = (w: RouteWheel): boolean =>
  Boolean(w.how === 'tapes' ? w.from_first && w.from_second : w.how === 'strand' ? w.along && w.pushed : w.x && w.y)

/** Whether what takes up is said, or nothing does. */
export function takenUp(t: RouteTyped['take_up']): boolean {
  const pin = t.pin_how === 'tapes' ? t.pin_from_first && t.pin_from_second : t.pin_x && t.pin_y
  return (
    t.how === 'none' ||
    Boolean(
      t.wheel &&
      t.low &&
      t.high &&
      (t.how === 'slide' ? t.direction : pin) &&
      (t.by === 'nothing' || t.pull) &&
      (t.by !== 'hand' || t.hand_arm) &&
      // On a slide the lever's other arm cannot be seen from the drawing.
      (t.by !== 'hand' || t.how === 'arm' || t.wheel_arm),
    )
  )
}

/** Whether enough is said to be worked: a speed, and for every wheel its size and its place. */
export const whole = (r: RouteTyped): boolean =>
  Boolean(
    r.driver_speed && takenUp(r.take_up) && r.wheels.every((w, k) => w.name && w.diameter && (k === 0 || placed(w))),
  )
/** The same on a drive, whose own two wheels have their sizes. */
export const wholeAround = (r: RouteTyped): boolean =>
  takenUp(r.take_up) &&
  r.wheels.every((w, k) => k === 0 || (placed(w) && (w.name === DRIVEN || (w.name && (w.diameter || w.teeth))))) &&
  r.guides.every((g) => g.name && g.x && g.y && g.diameter)

/** What takes up as the calculations ask it; nothing where nothing does. */
export function takeUpOf(t: RouteTyped['take_up']): Record<string, unknown> | '' {
  if (t.how === 'none') return ''
  const pin =
    t.pin_how === 'tapes'
      ? { pin_from_driver: t.pin_from_first, pin_from_driven: t.pin_from_second, pin_above: t.pin_above }
      : { pin_x: t.pin_x, pin_y: t.pin_y }
  return said({
    wheel: t.wheel,
    low: t.low,
    high: t.high,
    ...(t.how === 'slide' ? { direction: t.direction } : pin),
    ...(t.by === 'pull' || t.by === 'weight' ? { pull: t.pull, held_by: t.by === 'weight' ? 'weight' : 'spring' } : {}),
    ...(t.by === 'hand' ? { hand: t.pull, hand_arm: t.hand_arm, wheel_arm: t.wheel_arm, held_by: 'lever' } : {}),
  })
}

/** The calculation's input; what was not said is left out. */
export function inputOf(r: RouteTyped): Record<string, unknown> {
  const t = r.take_up
  return said({
    loop: r.loop,
    driver_speed: r.driver_speed,
    clockwise: r.clockwise,
    // A loop that is pulled is not set as well: what was typed there waits.
    static_tension: t.how === 'none' || t.by === 'nothing' ? r.static_tension : '',
    loop_length: r.loop_length,
    engages: r.engages,
    wheels: r.wheels.map((w, k) =>
      said({
        name: w.name,
        role: w.role,
        diameter: w.diameter,
        side: w.side,
        power: w.role === 'driven' ? w.power : '',
        ...(w.how === 'tapes' && k > 0
          ? { from_first: w.from_first, from_second: w.from_second, above: w.above }
          : { x: w.x || '0', y: w.y || '0' }),
      }),
    ),
    take_up: takeUpOf(t),
  })
}

/** A drive to try it on: an engine, a blower, and a lever idler that makes a clutch of the belt. */
export const example = (): RouteTyped => ({
  ...fresh(),
  driver_speed: '3600',
  // The lever presses on the slack strand, which leaves the driver.
  clockwise: false,
  wheels: [
    wheel('engine', 'driver', { x: '0', y: '0', diameter: '3 in' }),
    wheel('lever idler', 'idler', {
      how: 'tapes',
      from_first: '10.3 in',
      from_second: '11 in',
      above: false,
      side: 'outside',
      diameter: '3 in',
    }),
    wheel('blower', 'driven', { x: '20 in', y: '0', diameter: '9 in', power: '3 hp' }),
  ],
  take_up: {
    wheel: 'lever idler',
    how: 'arm',
    direction: '',
    pin_how: 'xy',
    pin_x: '4 in',
    pin_y: '-8 in',
    pin_from_first: '',
    pin_from_second: '',
    pin_above: true,
    low: '-2 in',
    high: '5 in',
    by: 'hand',
    pull: '18 lbf',
    hand_arm: '16 in',
    wheel_arm: '8 in',
  },
})
