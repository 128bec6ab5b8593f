import type { Figure } from '@/api/types'
import type { Blank, Part } from '@/forms/sentence'

// What a person comes with, in one sentence with blanks; each is a calculation of the core and shows its drawing. In a
// path `N` stands for the last round.
export interface MainFigure {
  label: string
  path: string
}
/** A reading that an instrument can give, and the blank it belongs in. */
export interface Meter {
  says: string
  instrument: 'tachometer' | 'clamp'
  target: string
  quantity: 'speed' | 'current'
  path: string
}
export interface Task {
  key: string
  calc: string
  title: string
  asks: string
  sentence: readonly (readonly Part[])[]
  /** Without these nothing is worked. */
  needed: readonly string[]
  /** Of these either all are said or none. */
  together: readonly (readonly string[])[]
  /** What stands in a fresh form. */
  fresh: Readonly<Record<string, string>>
  figures: readonly MainFigure[]
  lists: readonly string[]
  meters: readonly Meter[]
}

const blank = (path: string, says: string, wide = 7): Blank => ({ path, says, wide })
const pick = (path: string, says: string, options: [string, string][]): Blank => ({
  path,
  says,
  options: options.map(([key, name]) => ({ key, name })),
})
const tach = (says: string, target: string, path: string): Meter => ({
  says,
  instrument: 'tachometer',
  target,
  quantity: 'speed',
  path,
})
const GROOVES: [string, string][] = [
  ['', 'no groove: smooth rim'],
  ...['A', 'B', 'C', 'D', '3V', '5V', '8V', 'SPZ', 'SPA', 'SPB', 'SPC', '3L', '4L', '5L'].map((g): [string, string] => [
    g,
    `${g} groove`,
  ]),
]

export const TASKS: readonly Task[] = [
  {
    key: 'slow',
    calc: 'pulley-for-speed',
    title: 'It turns too slowly',
    asks: 'The machine turns at the wrong speed: which wheel, how much to turn off, what it was really.',
    sentence: [
      [
        'It turns at',
        blank('rounds.N.driven.0', 'speed of the machine now'),
        'and must turn at',
        blank('target', 'wanted speed'),
        '.',
      ],
      ['The driver turns at', blank('rounds.N.driver.0', 'speed of the driver'), '.'],
      [
        'The',
        pick('wheel', 'which wheel is changed', [
          ['driver', 'driver'],
          ['driven', 'driven wheel'],
        ]),
        'measures',
        blank('rounds.N.diameter', 'diameter over the rim'),
        'over the rim,',
        pick('groove', 'its groove', GROOVES),
        '.',
      ],
    ],
    needed: ['target', 'rounds.N.driven.0', 'rounds.N.driver.0', 'rounds.N.diameter'],
    together: [],
    fresh: { wheel: 'driver', groove: 'B' },
    figures: [
      { label: 'Make it', path: 'diameter' },
      { label: 'Give or take', path: 'give_or_take' },
      { label: 'Turn off, on the radius', path: 'cuts.off_radius' },
    ],
    lists: ['ways'],
    meters: [
      tach('Tachometer, machine', 'it', 'rounds.N.driven.0'),
      tach('Tachometer, driver', 'driver', 'rounds.N.driver.0'),
    ],
  },
  {
    key: 'air',
    calc: 'adjustable-sheave',
    title: 'More air',
    asks: 'A fan on an adjustable sheave: how many turns, what speed, and where the motor says stop.',
    sentence: [
      [
        'The fan turns at',
        blank('speed_now', 'speed of the fan now'),
        'and should turn at',
        blank('target', 'wanted speed'),
        '; the motor at',
        blank('driver_speed', 'speed of the motor'),
        '.',
      ],
      [
        'Its adjustable driver, belt',
        pick(
          'section',
          'belt section',
          ['A', 'AX', 'B', 'BX', '3L', '4L', '5L'].map((s): [string, string] => [s, s]),
        ),
        ', is',
        blank('driver.closed', 'pitch diameter closed'),
        'closed and',
        blank('driver.turns_now', 'turns open now', 5),
        'turns open; the driven sheave is',
        blank('driven_fixed', 'pitch diameter of the driven sheave'),
        '.',
      ],
      [
        'The clamp reads',
        blank('motor.amps', 'amps now', 5),
        'A, the plate says',
        blank('motor.full_load_amps', 'amps on the plate', 5),
        'A, without load',
        blank('motor.no_load_amps', 'amps without load', 5),
        'A.',
      ],
    ],
    needed: ['target', 'speed_now', 'driver_speed', 'section', 'driver.closed', 'driven_fixed'],
    together: [['motor.amps', 'motor.full_load_amps']],
    fresh: { section: 'A', machine: 'fan', 'driver.turns_now': '0' },
    figures: [
      { label: 'Turns open', path: 'turns' },
      { label: 'Fan speed', path: 'speed' },
      { label: 'Amps then', path: 'amps.expected' },
    ],
    lists: ['settings'],
    meters: [
      tach('Tachometer, fan', 'it', 'speed_now'),
      { says: 'Clamp meter', instrument: 'clamp', target: 'it', quantity: 'current', path: 'motor.amps' },
    ],
  },
  {
    key: 'steps',
    calc: 'step-pulleys',
    title: 'Two speeds from one belt',
    asks: 'Step pulleys for a bench machine: both cones, so that one belt fits every step.',
    sentence: [
      [
        'The motor turns at',
        blank('driver_speed', 'speed of the motor'),
        ', the shafts are',
        blank('centres', 'centre distance'),
        'apart.',
      ],
      [
        'From',
        blank('lowest', 'lowest speed'),
        'to',
        blank('highest', 'highest speed'),
        'in',
        blank('steps', 'how many steps', 4),
        'steps.',
      ],
      [
        'The smallest driver step is',
        blank('first', 'diameter of the first step'),
        ', sizes are made in',
        blank('made_in', 'sizes are made in steps of', 6),
        '.',
      ],
    ],
    needed: ['driver_speed', 'centres', 'lowest', 'highest', 'steps', 'first'],
    together: [],
    fresh: { steps: '3', belt: 'open' },
    figures: [
      { label: 'Belt', path: 'belt_length' },
      { label: 'Most slack', path: 'most_slack' },
    ],
    lists: ['steps'],
    meters: [],
  },
  {
    key: 'gears',
    calc: 'retrofit',
    title: 'Instead of gears',
    asks: 'Gears replaced by a belt of one or two ranges, and which way the machine then turns.',
    sentence: [
      [
        'The driver turns at',
        blank('driver_speed', 'speed of the driver'),
        ', the shafts can be',
        blank('centres', 'centre distance'),
        'apart.',
      ],
      [
        'Low range: gears of',
        blank('gears.0.pinion', 'teeth of the low pinion', 4),
        'to',
        blank('gears.0.gear', 'teeth of the low gear', 4),
        'teeth; high range',
        blank('gears.1.pinion', 'teeth of the high pinion', 4),
        'to',
        blank('gears.1.gear', 'teeth of the high gear', 4),
        '.',
      ],
      [
        'First pulley',
        blank('first', 'diameter of the first pulley'),
        ', made in',
        blank('made_in', 'sizes are made in steps of', 6),
        '. No faster than',
        blank('safe_speed', 'greatest safe speed of the tool'),
        '; thread',
        pick('thread', 'thread that holds the tool', [
          ['none', 'none'],
          ['right', 'right-hand'],
          ['left', 'left-hand'],
        ]),
        '.',
      ],
    ],
    needed: ['driver_speed', 'centres', 'gears.0.pinion', 'gears.0.gear', 'first'],
    together: [['gears.1.pinion', 'gears.1.gear']],
    fresh: { thread: 'none', belt: 'open' },
    figures: [
      { label: 'Direction', path: 'direction' },
      { label: 'Belt', path: 'belt_length' },
    ],
    lists: ['ranges'],
    meters: [],
  },
  {
    key: 'stages',
    calc: 'drive-stages',
    title: 'Slower than one drive does',
    asks: 'Two or three drives with a jackshaft between, in real sizes of every family.',
    sentence: [
      [
        'Take',
        blank('power', 'power'),
        'from',
        blank('driver_speed', 'speed of the driver'),
        'to',
        blank('driven_speed', 'wanted speed'),
        'in',
        pick('stages', 'how many stages', [
          ['2', 'two stages'],
          ['3', 'three stages'],
        ]),
        ', each about',
        blank('centre.about', 'centre distance of each'),
        'long.',
      ],
      ['Service factor', blank('service_factor.assume', 'service factor', 5), '.'],
    ],
    needed: ['power', 'driver_speed', 'driven_speed', 'centre.about'],
    together: [],
    fresh: { stages: '2', 'service_factor.assume': '1.3' },
    figures: [
      { label: 'Ratio', path: 'ratio' },
      { label: 'Passed on', path: 'passed_on' },
    ],
    lists: ['ways'],
    meters: [],
  },
]

export const taskOf = (key: string): Task | undefined => TASKS.find((t) => t.key === key)
export const taskOfCalc = (calc: string): Task | undefined => TASKS.find((t) => t.calc === calc)

/** A path with the last round put in. */
export const inRound = (path: string, round: number): string => path.replace('.N.', `.${round}.`)

/** What a dotted path of an answer shows: a figure, a band, or words. */
export function shownAt(result: Record<string, unknown>, path: string): { shown: string; step: string | null } | null {
  let x: unknown = result
  for (const name of path.split('.'))
    x = typeof x === 'object' && x !== null ? (x as Record<string, unknown>)[name] : null
  if (typeof x === 'string') return { shown: x, step: null }
  if (typeof x === 'object' && x !== null && 'shown' in x) {
    const figure = x as Figure
    return { shown: figure.shown, step: figure.step ?? null }
  }
  return null
}

export interface PlateLine {
  setting: string
  speed: string
  note: string
}
type Shown = { shown: string; value: number }
const text = (x: unknown): string => (x as Shown | null)?.shown ?? ''
const rpm = (x: unknown): string => `${Math.round((x as Shown).value * 10) / 10} rpm`

/** The lines of a speed plate that an answer gives; none where it is about one speed. */
export function plateOf(calc: string, result: Record<string, unknown>): PlateLine[] {
  const rows = (name: string) => (result[name] ?? []) as Record<string, unknown>[]
  if (calc === 'step-pulleys')
    return rows('steps').map((s, k) => ({
      setting: `step ${k + 1}: ${text(s.driver)} to ${text(s.driven)}`,
      speed: rpm(s.speed),
      note: '',
    }))
  if (calc === 'retrofit')
    return rows('ranges').map((r, k) => ({
      setting: `${['low', 'high'][k] ?? `range ${k + 1}`} range: ${text(r.driver)} to ${text(r.driven)}`,
      speed: rpm(r.after),
      note: result.direction === 'as before' ? '' : String(result.direction),
    }))
  if (calc === 'adjustable-sheave')
    return rows('settings')
      .filter((s) => !s.over_plate)
      .map((s) => ({
        setting: [s.driver_turns, s.driven_turns].filter(Boolean).map(text).join(' and ') + ' open',
        speed: rpm(s.speed),
        note: s.here ? 'set' : '',
      }))
  return []
}

export interface PutOn {
  wheel: 'driver' | 'driven'
  outside: number
  measured: 'outside' | 'pitch'
}
/** The wheels that an answer puts on the drive: which, its size in mm, and which diameter that is. Of steps the first pair. */
export function wheelsOf(
  calc: string,
  typed: Record<string, string | boolean | undefined>,
  result: Record<string, unknown>,
): PutOn[] {
  const mm = (x: unknown) => (x as Shown).value
  if (calc === 'pulley-for-speed')
    return [
      { wheel: typed.wheel === 'driven' ? 'driven' : 'driver', outside: mm(result.diameter), measured: 'outside' },
    ]
  if (calc === 'adjustable-sheave') {
    // Only what can be set is set: the fixed sheave stays as it is.
    const set = ((result.settings ?? []) as Record<string, unknown>[]).find((s) => s.here)
    return (['driver', 'driven'] as const).flatMap((wheel) =>
      set?.[`${wheel}_turns`] ? [{ wheel, outside: mm(set[wheel]), measured: 'pitch' as const }] : [],
    )
  }
  const rows = (result[calc === 'step-pulleys' ? 'steps' : 'ranges'] ?? []) as Record<string, unknown>[]
  const first = ['step-pulleys', 'retrofit'].includes(calc) ? rows[0] : undefined
  return first
    ? (['driver', 'driven'] as const).map((wheel) => ({ wheel, outside: mm(first[wheel]), measured: 'pitch' }))
    : []
}
