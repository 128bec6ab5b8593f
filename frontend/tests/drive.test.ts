import { describe, expect, it } from 'vitest'

import type { Band, Build, Drive, DriveAnswer, Duty, FamilyOffer, Figure, Sheet } from '@/api/types'
import { dutyBody, emptyDuty, fieldsOf, selectInput, serviceFactor } from '@/forms/duty'
import { fixedInput, nothingFixed } from '@/families/v_belt/fixed'
import { compareInput, questions } from '@/forms/questions'
import { sorted } from '@/options/sorting'
import { equalWeights, orderWords } from '@/options/weights'
import { stockInput } from '@/options/stock'
import { figured } from '@/features/drive/logic/figured'
import { driveLabels } from '@/elevation/callOuts'
import { stagesOf } from '@/features/drive/logic/stages'
import { shortDate } from '@/shared/format/words'

const fig = (value: number, shown: string): Figure => {
  const cut = shown.lastIndexOf(' ')
  return {
    value,
    unit: '',
    shown,
    number: shown.slice(0, cut),
    unit_shown: shown.slice(cut + 1),
    step: 's1',
    per: null,
  }
}
const span = (low: string, high: string): Band => ({
  low: fig(parseFloat(low), `${low} x`),
  high: fig(parseFloat(high), high),
  per: null,
  shown: `${low} – ${high}`,
})
const duty = (more: Partial<Duty> = {}): Duty => ({
  id: 'd',
  rev: 1,
  valid_from: '2026-11-23T10:00:00Z',
  power: fig(11.19, '15 hp'),
  driver_speed: fig(1750, '1,750 rpm'),
  driven_speed: fig(640, '640 rpm'),
  ratio: '2.73 : 1 down',
  tolerance: fig(3, '3.0 %'),
  tolerance_origin: 'assumed',
  centre: fig(711.2, '28 in'),
  centre_give: null,
  service_factor: { driver: 'motor-dol', machine: 'fan-over-10-hp', hours_a_day: 16 },
  surroundings: '',
  cube: true,
  entries: {
    power: '15hp',
    driver_speed: '1750',
    driven_speed: '640 rpm',
    tolerance: '',
    centre: '28 in',
    centre_give: '',
  },
  ...more,
})
const build = (more: Partial<Build> = {}): Build =>
  ({
    id: 'b',
    no: 1,
    purpose: 'fitted',
    state: 'frozen',
    family: 'v-belt',
    what: '4 × B90',
    temporary: false,
    ...more,
  }) as Build
const drive = (more: Partial<Drive> = {}): Drive =>
  ({ id: 'x', rev: 1, name: 'Main', duty: duty(), builds: [build()], ...more }) as Drive
const callOut = (
  key: string,
  at: string,
  label: string,
  path: string | null,
  step: string | null,
  clears: string[] = [],
) => ({ key, at, label, number: '5.4', unit: 'in', path, step, clears }) as Sheet['call_outs'][number]
const sheet = (spare: number): Sheet => ({
  family: 'v-belt',
  designation: '4 × B90',
  spare: fig(spare, `${spare} %`),
  set_line: '4.7 – 5.4 lbf at 17/32 in',
  answers: [],
  driven_speed: fig(640, '640 rpm'),
  shaft_load: fig(900, '202 lbf'),
  shaft_load_case: 'running',
  emergency: '',
  beside: {
    width: fig(25, '1 in'),
    weight: span('12', '23 lb'),
    parts: fig(4, '4 '),
    centre_distance: fig(700, '28 in'),
    efficiency: span('93', '96 %'),
    yearly_loss: span('460', '1,200 kWh'),
  },
  setting: { by: 'press', title: '', steps: [], room: '', remark: '' },
  call_outs: [
    callOut('n1', 'wheel:driver', 'driver', 'driver.speed', null),
    callOut('d1', 'wheel:driver', 'pitch dia', 'driver.sheave.diameter', null),
    callOut('a', 'centres:driver-driven', 'centre distance', 'centre_distance', null, ['pitches']),
    callOut('slack', 'strand:driver-driven', 'slack, per belt', null, 's4'),
  ],
})
const answer = (spare: number, notices: { code: string; level: string }[] = []): DriveAnswer =>
  ({ notices, sheet: sheet(spare) }) as unknown as DriveAnswer
const state = (stages: ReturnType<typeof stagesOf>, key: string) => stages.find((s) => s.key === key)

describe('the stages of a drive', () => {
  it('say nothing is known of a new one', () => {
    const stages = stagesOf(drive({ duty: null, builds: [] }), undefined, null)
    expect(stages.map((s) => s.state)).toEqual(['none', 'none', 'none', 'none'])
    expect(state(stages, 'found')?.line).toBe('what is there?')
  })
  it('are fine where the drive is', () => {
    const stages = stagesOf(drive(), build(), answer(12))
    expect(stages.slice(0, 3).map((s) => s.state)).toEqual(['fine', 'fine', 'fine'])
    expect(state(stages, 'tension')?.line).toBe('4.7 – 5.4 lbf at 17/32 in')
  })
  it('watch a temporary fix and an assumption', () => {
    const temporary = build({ temporary: true })
    const stages = stagesOf(
      drive({ builds: [temporary] }),
      temporary,
      answer(5, [{ code: 'assumed', level: 'caution' }]),
    )
    expect(state(stages, 'found')).toMatchObject({ state: 'watch', line: '4 × B90, temporary' })
    expect(state(stages, 'duty')?.state).toBe('watch')
  })
  it('tell a drive that is short from one that must be stopped', () => {
    expect(state(stagesOf(drive(), build(), answer(-6)), 'choose')).toMatchObject({ state: 'watch', line: '6 % short' })
    const danger = answer(-40, [{ code: 'too-few-belts', level: 'danger' }])
    expect(state(stagesOf(drive(), build(), danger), 'choose')?.state).toBe('act')
    expect(state(stagesOf(drive(), build(), null), 'choose')?.state).toBe('act')
  })
  it('do not take a plan for what stands on the machine', () => {
    expect(
      state(stagesOf(drive({ builds: [build({ purpose: 'designed' })] }), build(), answer(3)), 'found')?.state,
    ).toBe('none')
  })
})

describe('the labels of an elevation', () => {
  const labels = driveLabels(sheet(1))
  it('make inputs touchable and answers askable, never both', () => {
    for (const l of labels) expect(Boolean(l.path) !== Boolean(l.step), l.key).toBe(true)
    expect(labels.filter((l) => l.path).map((l) => l.path)).toEqual([
      'driver.speed',
      'driver.sheave.diameter',
      'centre_distance',
    ])
  })
  it('name the wheel they hang on, with number and unit apart', () => {
    expect(labels.find((l) => l.key === 'd1')).toMatchObject({ label: 'pitch dia', number: '5.4', unit: 'in' })
    expect(labels.find((l) => l.key === 'd1')?.named).toBe('driver pitch dia')
  })
})

describe('a line of instruction', () => {
  it('is cut where its figures stand and loses nothing', () => {
    const parts = figured('Free span *33 in*: press by *17/32 in*.')
    expect(parts.filter((p) => p.figure).map((p) => p.text)).toEqual(['33 in', '17/32 in'])
    expect(parts.map((p) => p.text).join('')).toBe('Free span 33 in: press by 17/32 in.')
    expect(figured('No figure here.')).toEqual([{ text: 'No figure here.', figure: false }])
  })
})

describe('options of all families in one list', () => {
  const option = (name: string, error: number, load: number) => ({
    name,
    speed_error: fig(error, ''),
    shaft_load: fig(load, ''),
  })
  const families = [
    { key: 'v-belt', options: [option('B', -2, 900), option('BX', 0.5, 700)] },
    { key: 'flat', options: [option('A-3', 1, 400)] },
    { key: 'none', options: [] },
  ] as unknown as FamilyOffer[]
  it('are sorted by any figure, a speed error either way', () => {
    expect(sorted(families, 'shaft_load').map((r) => r.option.name)).toEqual(['A-3', 'BX', 'B'])
    expect(sorted(families, 'speed_error').map((r) => r.option.name)).toEqual(['BX', 'A-3', 'B'])
    expect(sorted([], 'parts')).toEqual([])
  })
})

describe('weights', () => {
  it('are said in words, all alike or what counts most', () => {
    expect(orderWords(equalWeights())).toContain('fewest parts, smallest and lightest first')
    expect(orderWords({ ...equalWeights(), stock: 0 })).toContain('fewest parts, smallest and lightest first')
    expect(orderWords({ ...equalWeights(), shaft_load: 4 })).toBe('least shaft load counting most')
  })
})

describe('the shelf', () => {
  it('goes to the search as belts and sheaves, or not at all', () => {
    const lines = [
      {
        id: null,
        line: 2,
        part: 'belt',
        section: 'B',
        designation: 'B90',
        diameter: null,
        diameter_kind: '',
        count: 4,
      },
      {
        id: null,
        line: 3,
        part: 'sheave',
        section: 'B',
        designation: '',
        diameter: fig(146, '5 3/4 in'),
        diameter_kind: 'outside',
        count: 1,
      },
    ]
    expect(stockInput([])).toBeUndefined()
    expect(stockInput(lines)).toEqual({ belts: ['B90'], sheaves: [{ groove: 'B', diameter: 146, kind: 'outside' }] })
  })
})

describe('the comparison of a duty', () => {
  it('asks what was ticked and leaves open what nobody said', () => {
    const f = { ...emptyDuty(), power: '5hp', driver_speed: '1160', driven_speed: '400', centre: '30' }
    expect(compareInput(f, ['step', 'dust'])).toMatchObject({
      asked: ['step', 'dust'],
      tolerance: undefined,
      service_factor: undefined,
      centre: { about: '30' },
    })
    expect(compareInput(f, [], { angle: 20, clockwise: false }).layout).toEqual({ angle: 20, clockwise: false })
    expect(new Set(questions.map((q) => q.key)).size).toBe(questions.length)
  })
})

describe('a duty', () => {
  it('comes back from what was stored, assumptions left open', () => {
    const f = fieldsOf(duty())
    expect(f).toMatchObject({
      power: '15hp',
      driver_speed: '1750',
      tolerance: '',
      centre: '28 in',
      hours_a_day: '16',
      machine: 'fan-over-10-hp',
    })
    expect(fieldsOf(duty({ service_factor: null }))).toMatchObject({ driver: '', hours_a_day: '' })
  })
  it('leaves out what nobody said, so that the server assumes it in the open', () => {
    const f = { ...emptyDuty(), power: '15hp', driver_speed: '1750', driven_speed: '640', centre: '28' }
    expect(serviceFactor(f)).toBeUndefined()
    expect(selectInput(f, {})).toMatchObject({
      tolerance: undefined,
      centre: { about: '28', give: undefined },
      service_factor: undefined,
    })
    expect(dutyBody(f, 'us', 3, 'N. Dray')).toMatchObject({
      rev: 3,
      units: 'us',
      tolerance: undefined,
      created_by_name: 'N. Dray',
    })
  })
  it('takes a known service factor before the tables', () => {
    expect(serviceFactor({ ...emptyDuty(), assume: '1.4', machine: 'generator' })).toEqual({ assume: '1.4' })
    expect(serviceFactor({ ...emptyDuty(), machine: 'grain-auger', chokes: true })).toMatchObject({
      machine: 'grain-auger',
      chokes: true,
      hours_a_day: undefined,
    })
  })
})

describe('parts that stay', () => {
  it('are nothing at first', () => {
    expect(fixedInput(nothingFixed())).toEqual({
      driver: undefined,
      driven: undefined,
      section: undefined,
      belt: undefined,
    })
  })
  it('leave the groove of a sheave to the server where nobody said it', () => {
    const f = { ...nothingFixed(), driver: '5 3/8', section: '5VX' }
    expect(fixedInput(f)).toMatchObject({
      driver: { diameter: '5 3/8', kind: 'outside', groove: undefined },
      section: '5VX',
    })
    expect(fixedInput({ ...f, groove: 'A' }).driver?.groove).toBe('A')
  })
})

it('dates are short and the same for everybody', () => {
  expect(shortDate('2026-12-04')).toMatch(/^[34] Dec 2026$/)
})
