import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'

import type { Band, CompareAnswer, Elevation, FamilyOffer, Figure, Option, Sheet } from '@/api/types'
import CrossSection from '@/features/bench/components/CrossSection.vue'
import JointCard from '@/features/bench/components/JointCard.vue'
import RecordTables from '@/lists/RecordTables.vue'
import { bodyOf, fieldsOf } from '@/forms/schema'
import FamilyBoard from '@/options/FamilyBoard.vue'
import FitnessBar from '@/options/FitnessBar.vue'
import MannerTable from '@/options/MannerTable.vue'
import AnswerColumn from '@/features/drive/components/AnswerColumn.vue'
import TensionStage from '@/features/drive/components/TensionStage.vue'

const fig = (value: number, shown: string): Figure => ({
  value,
  unit: '',
  shown,
  number: shown.split(' ')[0] ?? '',
  unit_shown: '',
  step: 's1',
  per: null,
})
const elevation: Elevation = {
  family: 'roller-chain',
  wheels: [
    {
      id: 'driver',
      role: 'driver',
      x: 0,
      y: 0,
      outside_radius: 50,
      path_radius: 48,
      turn: -1,
      profile: 'chain',
      count: 19,
    },
    {
      id: 'driven',
      role: 'driven',
      x: 400,
      y: 0,
      outside_radius: 120,
      path_radius: 118,
      turn: -1,
      profile: 'chain',
      count: 45,
    },
  ],
  arcs: [],
  strands: [
    {
      id: 'driver-driven',
      after: 'driver',
      before: 'driven',
      x1: 0,
      y1: 48,
      x2: 400,
      y2: 118,
      side: 'slack',
      length: 406,
    },
  ],
  thickness: 12,
  pitch: 15.9,
  dimensions: [{ id: 'driver-driven', x1: 0, y1: 0, x2: 400, y2: 0, length: 400 }],
  left: -60,
  bottom: -130,
  width: 590,
  height: 260,
}
const span = (low: string, high: string): Band => ({
  low: fig(parseFloat(low), `${low} x`),
  high: fig(parseFloat(high), high),
  per: null,
  shown: `${low} – ${high}`,
})
const option = (family: string, name: string, telling: string, load: number, more: Partial<Option> = {}): Option =>
  ({
    family,
    name,
    telling,
    more: [],
    reasons: [],
    calc: 'chain-drive',
    input: { chain: name },
    elevation,
    driven_speed: fig(400, '400 rpm'),
    speed_error: fig(0.2, '0.2 %'),
    centre_distance: fig(400, '15 3/4 in'),
    spare: fig(5, '5.0 %'),
    width: fig(10, '0.4 in'),
    shaft_load: fig(load, `${load} lbf`),
    weight: span('12', '23 lb'),
    parts: fig(3, '3'),
    yearly_loss: span('300', '620 kWh'),
    yearly_cost: null,
    kinds: [],
    efficiency: { low: fig(96, '96 %'), high: fig(98, '98 %'), per: null, shown: '96 – 98 %' },
    ...more,
  }) as Option
const manners = [
  { key: 'step', question: 'Keeps step, does not slip', verdict: 'no', words: 'Slips 1 to 2 %.', asked: true },
] as FamilyOffer['manners']
const family = (key: string, options: Option[], more: Partial<FamilyOffer> = {}): FamilyOffer =>
  ({
    key,
    title: key.toUpperCase(),
    verdict: 'good',
    reason: '',
    care: [],
    missing: '',
    considered: 100,
    accepted: options.length,
    options,
    rejected: [],
    manners,
    ...more,
  }) as FamilyOffer
const answer = (families: FamilyOffer[]): CompareAnswer =>
  ({
    options: { book: 'ip20-1988' },
    notices: [],
    result: { considered: 200, order: 'equal weights', families },
  }) as unknown as CompareAnswer
const stubs = {
  'router-link': true,
  'el-button': { template: '<button @click="$emit(\'click\')"><slot /></button>', emits: ['click'] },
  'el-drawer': true,
  'el-dialog': true,
}

beforeEach(() => setActivePinia(createPinia()))

describe('the board of all families', () => {
  const chain = family('chain', [option('chain', '50', '19/45 teeth', 300), option('chain', '50', '21/50 teeth', 250)])
  const flat = family('flat', [], { verdict: 'no', reason: 'You asked: must not slip. Creeps.' })
  const board = (today: Sheet | null = null) =>
    mount(FamilyBoard, {
      props: { answer: answer([chain, flat]), picked: 'chain 50 21/50 teeth', today },
      // What comes a frame later stands at once here; that it does come is shown below.
      global: { stubs: { ...stubs, AfterFrames: { template: '<slot />' } } },
    })
  const all = async (w: ReturnType<typeof board>) => {
    await w.find('[aria-expanded]').trigger('click')
    return w
  }
  it('has the best of each family in one row before all others, and says why one has none', async () => {
    const w = board()
    expect(w.findAll('.best .one').map((o) => o.find('.name').text())).toEqual(['50'])
    expect(w.findAll('.family').map((f) => f.find('h2').text())).toEqual(['FLAT'])
    expect(w.findAll('.option')).toHaveLength(0)
    await w.find('.best [aria-label="Take 50"]').trigger('click')
    expect(w.emitted('pick')?.[0]).toMatchObject([{ key: 'chain 50 19/45 teeth' }])
  })
  it('shows each family, and in one line why one does not do', async () => {
    const w = await all(board())
    expect(w.findAll('.family').map((f) => f.find('h2').text())).toEqual(['CHAIN', 'FLAT'])
    expect(w.findAll('.family')[1]?.text()).toContain('You asked: must not slip')
    expect(w.findAll('.family')[1]?.findAll('.option')).toHaveLength(0)
  })
  it('tells two options of one name apart', async () => {
    const picked = (await all(board())).findAll('.option').map((o) => o.classes('picked'))
    expect(picked).toEqual([false, true])
  })
  it('gives what was taken with its calculation, its input and its own key', async () => {
    const w = await all(board())
    await w.findAll('.option')[0]?.findAll('button')[1]?.trigger('click')
    expect(w.emitted('pick')).toEqual([
      [
        {
          family: 'chain',
          calc: 'chain-drive',
          name: '50',
          key: 'chain 50 19/45 teeth',
          input: { chain: '50' },
          options: { book: 'ip20-1988' },
        },
      ],
    ])
  })
  it('orders the table by the column touched, today’s build on top', async () => {
    const today = {
      designation: '4 × B90',
      shaft_load: fig(500, '500 lbf'),
      spare: fig(1, '1.0 %'),
      beside: {
        width: fig(25, '1 in'),
        weight: span('40', '55 lb'),
        parts: fig(6, '6 '),
        centre_distance: fig(700, '28 in'),
        yearly_loss: span('460', '1,200 kWh'),
      },
    } as unknown as Sheet
    const w = board(today)
    const rows = () => w.findAll('.beside tbody tr').map((r) => r.find('th').text())
    expect(rows()[0]).toContain('4 × B90')
    expect(
      w
        .findAll('.beside tbody tr')[0]
        ?.findAll('td')
        .map((x) => x.text())
        .slice(0, 8),
    ).toEqual(['', '1 in', '500 lbf', '40 – 55 lb', '460 – 1,200 kWh', '6', '1.0 %', '28 in'])
    expect(w.findAll('.beside tbody tr')[1]?.text()).toContain('250 lbf')
    expect(w.findAll('th[aria-sort="ascending"]')).toHaveLength(1)
    await w.findAll('.sort')[0]?.trigger('click')
    expect(w.find('th[aria-sort="ascending"]').text()).toContain('Speed off')
  })
  it('is empty without an error when no family has anything', () => {
    const w = mount(FamilyBoard, { props: { answer: answer([flat]), picked: '' }, global: { stubs } })
    expect(w.find('.beside').exists()).toBe(false)
  })
})

describe('what lies below', () => {
  it('is made frame by frame, and all of it is there a moment later', async () => {
    const w = mount(FamilyBoard, { props: { answer: answer([family('flat', [])]), picked: '' }, global: { stubs } })
    expect(w.find('.family').exists()).toBe(false)
    await new Promise((done) => setTimeout(done, 120))
    expect(w.find('.family').exists()).toBe(true)
    expect(w.find('.says, .sheet:last-of-type').exists()).toBe(true)
  })
})

describe('manners', () => {
  it('stand question by question, the word first, a bar that says it without colour', () => {
    const w = mount(MannerTable, { props: { families: [family('flat', [])] } })
    expect(w.find('tbody tr').classes()).toContain('asked')
    expect(w.find('td .verdict b').text()).toBe('no')
    // What is not fit fills nothing of its bar; the fitter, the fuller.
    const filled = (verdict: 'good' | 'limited' | 'no') => {
      const bar = mount(FitnessBar, { props: { verdict } }).findAll('rect')[1]
      return Number(bar?.attributes('width') ?? 0)
    }
    expect(filled('no')).toBe(0)
    expect(filled('limited')).toBeCloseTo(filled('good') / 2)
    expect(w.text()).toContain('Slips 1 to 2 %.')
  })
})

describe('the answers and the setting of any family', () => {
  const sheet = {
    driven_speed: fig(400, '400 rpm'),
    answers: [
      { key: 'what', label: '', main: '50, 116 pitches', unit: '', how: '72 in long', step: null, stage: 'found' },
      { key: 'sag', label: 'That is a sag of', main: '1/2', unit: 'in', how: '', step: 's9', stage: 'tension' },
    ],
    setting: {
      title: 'Set the slack',
      steps: ['Push it by *1 5/32 in* in all.'],
      room: '',
      remark: 'Two per cent is practice.',
    },
  } as unknown as Sheet
  const drive = {
    calc: 'chain-drive',
    options: { book: 'ip20-1988' },
    input: {},
    result: {},
    working: [],
    notices: [],
    elevation: null,
    sheet,
  }
  it('name the drive by what it is, and ask only where there is working', async () => {
    const rows = sheet.answers.map((a) => ({ ...a, name: a.label || 'Fitted' }))
    const w = mount(AnswerColumn, { props: { answer: drive, stage: 'duty', rows } })
    expect(w.findAll('.label').map((l) => l.text())).toEqual(['Fitted', 'That is a sag of', 'Driven speed'])
    expect(w.findAll('button.how')).toHaveLength(2)
    await w.find('button.how').trigger('click')
    expect(w.emitted('how')).toEqual([['s9', 'That is a sag of']])
    // The speed is what the duty is held against: no other stage shows it.
    await w.setProps({ stage: 'tension' })
    expect(w.findAll('.label').map((l) => l.text())).toEqual(['Fitted', 'That is a sag of'])
  })
  it('set figures apart in the steps, without a scale where nothing is set by tension', () => {
    const w = mount(TensionStage, { props: { answer: drive } })
    expect(w.find('li b').text()).toBe('1 5/32 in')
    expect(w.find('li').text()).toBe('Push it by 1 5/32 in in all.')
    expect(w.find('.scale').exists()).toBe(false)
  })
})

describe('lists in an answer', () => {
  it('become tables, figures as shown, empty columns left out, skipped ones not there', () => {
    const result = {
      best: 'B90',
      readings: [
        { section: 'B', inside: fig(2286, '90 in'), note: null },
        { section: 'BX', inside: fig(2286, '90 in'), note: null },
      ],
      options: [{ a: 1 }],
      card: ['x'],
    }
    const w = mount(RecordTables, { props: { result, skip: ['options'] } })
    expect(w.findAll('h2').map((h) => h.text())).toEqual(['Readings'])
    expect(w.findAll('thead th').map((h) => h.text())).toEqual(['Section', 'Inside'])
    expect(w.findAll('tbody tr')[0]?.text()).toContain('90 in')
  })
})

describe('a card of work by hand', () => {
  it('draws a joint where there is one, cautions before the steps', () => {
    const lap = {
      joint: 'lap-leather',
      name: 'glued skived lap',
      thickness: fig(5, '0.2 in'),
      width: fig(100, '4 in'),
      lap_short: fig(100, '4 in'),
      lap_long: fig(100, '4 in'),
      hooks_for: null,
      card: ['Skive.'],
      cautions: ['Isolated.'],
    }
    const w = mount(JointCard, { props: { card: lap } })
    expect(w.find('svg').exists()).toBe(true)
    expect(w.text()).toContain('Lap 4 in')
    expect(w.find('.cautions').text()).toContain('Isolated.')
    const bush = mount(JointCard, { props: { card: { name: 'bushing SK', card: ['In'], cautions: [] } } })
    expect(bush.find('svg').exists()).toBe(false)
    expect(bush.findAll('ol li')).toHaveLength(1)
  })
})

describe('a belt in its groove', () => {
  const groove: [number, number][] = [
    [-16, 0],
    [-10, 0],
    [-5, 14],
    [5, 14],
    [10, 0],
    [16, 0],
  ]
  const belt: [number, number][] = [
    [-8, 4],
    [8, 4],
    [5, 12],
    [-5, 12],
  ]
  it('keeps one scale both ways and marks a refused belt by its outline', () => {
    const w = mount(CrossSection, { props: { groove, belt, verdict: 'refused' } })
    const points = (w.findAll('polygon')[1]?.attributes('points') ?? '').split(' ').map((p) => p.split(',').map(Number))
    const [a, b, c] = points
    const wide = (b?.[0] ?? 0) - (a?.[0] ?? 0)
    const deep = (c?.[1] ?? 0) - (b?.[1] ?? 0)
    expect(wide / deep).toBeCloseTo(16 / 8, 2)
    expect(w.findAll('polygon')[1]?.attributes('stroke')).toBe('var(--hot)')
    expect(w.text()).toMatch(/scale [\d.]+ : 1/)
  })
})

describe('questions that take several answers', () => {
  const schema = {
    properties: { asked: { type: 'array', items: { enum: ['step', 'oil', 'wet'] } }, power: { type: 'number' } },
  }
  it('are ticked one by one and go out as a list, or not at all', () => {
    const fields = fieldsOf(schema)
    expect(fields[0]).toMatchObject({ form: 'many', options: ['step', 'oil', 'wet'] })
    expect(bodyOf(fields, { 'asked.step': true, 'asked.wet': true, 'asked.oil': false, power: '5' })).toEqual({
      asked: ['step', 'wet'],
      power: 5,
    })
    expect(bodyOf(fields, { power: '5' })).toEqual({ power: 5 })
  })
})
