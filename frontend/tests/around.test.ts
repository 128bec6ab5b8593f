import 'fake-indexeddb/auto'
import { mount, type VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'

import { lengthOf, withMoved } from '@/elevation/loopPath'
import { aroundOf, placeInInput, routeOf, withAround } from '@/features/route/logic/around'
import { fresh, wheel, wholeAround, withWheel } from '@/features/route/logic/wheels'
import ChangeDriveView from '@/features/route/views/ChangeDriveView.vue'
import WayView from '@/features/route/views/WayView.vue'
import type { Elevation } from '@/api/types'

import drive from './fixtures/drive.json'
import answer from './fixtures/answer.json'
import elevations from './fixtures/elevations.json'
import { freshDevice, routed, serve, settle, type Served } from './served'

const drawn = elevations as unknown as Elevation[]

describe('the way of a loop while a wheel is moved', () => {
  it.each(drawn.map((e, k) => [k, e] as const))("is the core's own way where nothing moved (drive %i)", (_k, e) => {
    const made = withMoved(e, {})
    expect(made).not.toBeNull()
    // The drawings are kept to a hundredth of a millimetre and of a degree.
    const near = (x: number, y: number, by: number) => expect(Math.abs(x - y)).toBeLessThan(by)
    near(lengthOf(made!), lengthOf(e), 0.2)
    made!.strands.forEach((s, k) => {
      near(s.x1, e.strands[k]!.x1, 0.1)
      near(s.y2, e.strands[k]!.y2, 0.1)
    })
    made!.arcs.forEach((a, k) => near(a.sweep_deg, e.arcs[k]!.sweep_deg, 0.1))
  })
  it('is nothing where a wheel is moved into its neighbour', () => {
    const e = drawn[0]!
    const [a, b] = e.wheels
    expect(withMoved(e, { [b!.id]: { x: a!.x, y: a!.y } })).toBeNull()
  })
  it('comes back when the wheel does', () => {
    const e = drawn[1]!
    const id = e.wheels[1]!.id
    const away = withMoved(e, { [id]: { x: e.wheels[1]!.x + 40, y: e.wheels[1]!.y + 9 } })!
    expect(lengthOf(away)).not.toBeCloseTo(lengthOf(e), 1)
    const back = withMoved(away, { [id]: { x: e.wheels[1]!.x, y: e.wheels[1]!.y } })!
    expect(lengthOf(back)).toBeCloseTo(lengthOf(withMoved(e, {})!), 6)
  })
})

const AROUND = {
  driven_x: '30 in',
  driven_y: '4 in',
  wheels: [
    {
      name: 'idler',
      role: 'idler',
      between: 'driver-driven',
      side: 'outside',
      diameter: '8 in',
      x: '12 in',
      y: '4 in',
    },
    {
      name: 'pump',
      role: 'driven',
      between: 'driven-driver',
      side: 'inside',
      diameter: '8 in',
      power: '2 hp',
      from_driver: '22 in',
      from_driven: '21 in',
      above: false,
    },
    { name: 'snub', role: 'idler', between: 'driven-driver', side: 'inside', teeth: 17, along: '9 in', pushed: '1 in' },
  ],
  guides: [
    { name: 'keeper', x: '-3 in', y: '0 in', diameter: '1/2 in', side: 'outside', least: '1/16 in', most: '1/8 in' },
  ],
  take_up: {
    wheel: 'idler',
    low: '-1 in',
    high: '3 in',
    pin_from_driver: '20 in',
    pin_from_driven: '9 in',
    pin_above: true,
    hand: '17 lbf',
    hand_arm: '22 in',
    held_by: 'lever',
  },
  engages: true,
}

describe('a drive in the editor', () => {
  it('goes out as it came in', () => {
    const route = routeOf({ power: '5 hp', around: AROUND }, drawn[0]!, 'us')
    expect(wholeAround(route)).toBe(true)
    expect(aroundOf(route)).toEqual(AROUND)
    expect(withAround({ power: '5 hp' }, route)).toEqual({ power: '5 hp', around: AROUND })
  })
  it('reads kept numbers in the core’s units and says so', () => {
    const kept = { ...AROUND, driven_x: 762, wheels: [{ ...AROUND.wheels[0], x: 304.8 }] }
    const route = routeOf({ around: kept }, drawn[0]!, 'us')
    expect(route.wheels[2]).toMatchObject({ name: 'driven', x: '762 mm' })
    expect(route.wheels[1]).toMatchObject({ x: '304.8 mm' })
  })
  it('is a plain drive again when all is taken off its loop', () => {
    const route = routeOf({}, drawn[0]!, 'us')
    expect(aroundOf(route)).toBeNull()
    expect(withAround({ power: '5 hp', around: AROUND }, route)).toEqual({ power: '5 hp' })
  })
  it('knows where a wheel of its list stands in the input', () => {
    const route = routeOf({ around: AROUND }, drawn[0]!, 'us')
    const names = (aroundOf(route)!.wheels as { name: string }[]).map((w) => w.name)
    route.wheels.forEach((w, k) => {
      if (k && w.name !== 'driven') expect(names[placeInInput(route, k)]).toBe(w.name)
    })
  })
  it('is not whole while a guide or an idler is half said', () => {
    const route = { ...fresh(), wheels: [wheel('driver', 'driver'), wheel('driven', 'driven', { x: '30', y: '0' })] }
    expect(wholeAround(route)).toBe(true)
    expect(wholeAround(withWheel(route, 'idler', 1))).toBe(false)
    const guide = { name: 'keeper', x: '', y: '', diameter: '', side: 'outside' as const, least: '', most: '' }
    expect(wholeAround({ ...route, guides: [guide] })).toBe(false)
  })
})

const stubs = {
  'el-button': { props: ['disabled'], template: '<button type="button" :disabled="disabled"><slot /></button>' },
  'router-link': { props: ['to'], template: '<a><slot /></a>' },
}
let open: VueWrapper | undefined
const later = () => new Promise((r) => setTimeout(r, 320))
const ID = drive.id
const CALC = drive.builds[0]!.calc

async function show(view: unknown, answers: Record<string, unknown>): Promise<Served> {
  const served = serve({ [`GET /api/drives/${ID}`]: drive, ...answers })
  open = mount(view as typeof WayView, {
    props: { id: ID },
    global: { plugins: [await routed(`/drives/${ID}/change`)], stubs },
    attachTo: document.body,
  })
  await settle()
  return served
}
const press = (text: string) =>
  open!
    .findAll('button')
    .find((b) => b.text() === text)!
    .trigger('click')
const REFUSED = {
  status: 422,
  json: {
    type: 'tuyere:refused',
    title: 'Some of this cannot be',
    status: 422,
    detail: '',
    errors: [{ path: 'input.around.wheels.0', reason: 'idler stands in driver', allowed: 'shafts further apart' }],
  },
}

describe('changing a drive', () => {
  beforeEach(freshDevice)
  afterEach(() => open?.unmount())

  it('asks nothing of a half-said idler, says a refusal beside it and keeps what was typed', async () => {
    let asked = 0
    const served = await show(ChangeDriveView, {
      [`POST /api/calc/${CALC}`]: () => (asked++ ? REFUSED : answer),
    })
    await press('Add an idler')
    await later()
    await settle()
    const before = served.asked.length
    for (const [label, text] of [
      ['diameter of wheel 2', '6'],
      ['wheel 2, first tape', '3'],
    ] as const)
      await open!.get(`[aria-label="${label}"]`).setValue(text)
    await later()
    expect(served.asked.length).toBe(before)
    await open!.get('[aria-label="wheel 2, second tape"]').setValue('28')
    await later()
    await settle()
    expect(open!.get('[role="alert"]').text()).toContain('idler stands in driver')
    expect((open!.get('[aria-label="diameter of wheel 2"]').element as HTMLInputElement).value).toBe('6')
    // What is refused is not taken over to the drive.
    expect(
      open!
        .findAll('button')
        .find((b) => b.text() === 'Use it on the drive')!
        .attributes('disabled'),
    ).toBeDefined()
    await press('Undo')
    await press('Undo')
    expect(open!.find('[aria-label="diameter of wheel 2"]').exists()).toBe(false)
  })
  it('hands the change to the drive’s page with every unit said', async () => {
    await show(ChangeDriveView, { [`POST /api/calc/${CALC}`]: answer })
    await press('Add an idler')
    for (const [label, text] of [
      ['diameter of wheel 2', '6'],
      ['wheel 2, first tape', '12'],
      ['wheel 2, second tape', '20'],
    ] as const)
      await open!.get(`[aria-label="${label}"]`).setValue(text)
    await later()
    await settle()
    await press('Use it on the drive')
    await settle()
    const kept = JSON.parse(localStorage.getItem(`tuyere.kept.drive.${ID}`) ?? '{}') as {
      value: { input: { around: { wheels: Record<string, string>[] } } }
    }
    expect(kept.value.input.around.wheels[0]).toMatchObject({
      diameter: '6 in',
      from_driver: '12 in',
      from_driven: '20 in',
    })
  })
  it('says so where the drive is not there', async () => {
    serve({})
    open = mount(ChangeDriveView, {
      props: { id: 'none' },
      global: { plugins: [await routed('/drives/none/change')], stubs },
    })
    await settle()
    expect(open.text()).toContain('/api/drives/none')
  })
})

describe('is the loop on right', () => {
  beforeEach(freshDevice)
  afterEach(() => open?.unmount())
  const check = (right: boolean) => ({
    calc: 'route-check',
    result: {
      says: right ? 'The loop is on right.' : 'Not right at driven.',
      right,
      faults: right ? [] : [{ part: 'driven', fault: 'wrong side', says: 'driven belongs inside the belt' }],
      should: answer.elevation,
      there: right ? null : answer.elevation,
    },
    notices: [],
    working: [],
  })

  it('begins as it should be and tells what is touched', async () => {
    const served = await show(WayView, {
      [`POST /api/calc/${CALC}`]: answer,
      'POST /api/calc/route-check': (body: { input: { lies: { side: string }[] } }) =>
        check(body.input.lies.every((l) => l.side === 'inside')),
    })
    expect(open!.get('.verdict').text()).toBe('The loop is on right.')
    await open!.get('[aria-label^="driven: press"]').trigger('keydown.space')
    await settle()
    expect(open!.get('.faults').text()).toContain('belongs inside')
    expect(open!.find('.there').exists()).toBe(true)
    const last = served.asked.at(-1)!.body.input as { lies: { wheel: string; side: string }[] }
    expect(last.lies[1]).toEqual({ wheel: 'driven', side: 'outside' })
  })
  it('keeps the way as it was touched when the network is away', async () => {
    let away = false
    await show(WayView, {
      [`POST /api/calc/${CALC}`]: answer,
      'POST /api/calc/route-check': () =>
        away ? { status: 503, json: { title: 'Away', status: 503, detail: 'no connection', errors: [] } } : check(true),
    })
    away = true
    await open!.get('[aria-label^="driven: press"]').trigger('click')
    await settle()
    expect(open!.text()).toContain('no connection')
    expect((open!.get('[aria-label="how the loop lies on driven"]').element as HTMLSelectElement).value).toBe('outside')
  })
})
