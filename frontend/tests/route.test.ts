import 'fake-indexeddb/auto'
import { mount, type VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'

import {
  earlier,
  example,
  freeName,
  fresh,
  inputOf,
  inUnitsOf,
  turnedOver,
  whole,
  withoutWheel,
  withWheel,
} from '@/features/route/logic/wheels'
import RouteView from '@/features/route/views/RouteView.vue'

import { freshDevice, routed, serve, settle, type Served } from './served'

describe('a route as it is entered', () => {
  it('keeps the first two wheels, from which every tape is read', () => {
    let r = fresh()
    expect(withoutWheel(r, 0)).toBe(r)
    expect(withoutWheel(r, 1)).toBe(r)
    expect(turnedOver(r, 0)).toBe(r)
    r = withWheel(withWheel(r, 'idler'), 'idler')
    expect(r.wheels.map((w) => w.name)).toEqual(['motor', 'fan', 'idler', 'idler 2'])
    expect(earlier(r, 3).wheels.map((w) => w.name)).toEqual(['motor', 'fan', 'idler 2', 'idler'])
    // There and back: what is put in and taken out again leaves the route as it was.
    expect(withoutWheel(withWheel(r, 'driven'), 4)).toEqual(r)
    expect(turnedOver(turnedOver(r, 2), 2)).toEqual(r)
    expect(freeName(r.wheels, 'idler')).toBe('idler 3')
  })
  it('forgets a take-up whose wheel is taken out', () => {
    const r = example()
    expect(withoutWheel(r, 1).take_up).toMatchObject({ wheel: '', how: 'none' })
  })
  it('is whole when every wheel has its size and its place, and every pull its arms', () => {
    expect(whole(fresh())).toBe(false)
    const r = example()
    expect(whole(r)).toBe(true)
    for (const gone of ['diameter', 'from_first', 'from_second', 'name'] as const)
      expect(whole({ ...r, wheels: r.wheels.map((w, k) => (k === 1 ? { ...w, [gone]: '' } : w)) })).toBe(false)
    for (const gone of ['low', 'high', 'pin_x', 'pull', 'hand_arm', 'wheel'] as const)
      expect(whole({ ...r, take_up: { ...r.take_up, [gone]: '' } })).toBe(false)
  })
  it('keeps the unit that a bare number was typed in when the units are switched', () => {
    const r = { ...example(), static_tension: '120', loop_length: '59 3/8' }
    r.wheels[2] = { ...r.wheels[2]!, x: '20', power: '3', diameter: '228 mm' }
    r.take_up = { ...r.take_up, pull: '18' }
    const si = inUnitsOf(r, 'us')
    expect(si.wheels[2]).toMatchObject({ x: '20 in', power: '3 hp', diameter: '228 mm' })
    expect(si.take_up.pull).toBe('18 lbf')
    expect([si.static_tension, si.loop_length]).toEqual(['120 lbf', '59 3/8 in'])
    // There and back nothing changes any more: every figure carries its unit.
    expect(inUnitsOf(si, 'si')).toEqual(si)
  })
  it('sends what was said and leaves out what was not', () => {
    const sent = inputOf(example()) as { wheels: Record<string, unknown>[]; take_up: Record<string, unknown> }
    expect(sent.wheels[1]).toMatchObject({ from_first: '10.3 in', above: false, side: 'outside' })
    expect(sent.wheels[1]).not.toHaveProperty('x')
    expect(sent.wheels[0]).not.toHaveProperty('power')
    expect(sent.take_up).toMatchObject({ hand: '18 lbf', pin_x: '4 in' })
    expect(sent.take_up).not.toHaveProperty('direction')
    expect(sent).not.toHaveProperty('loop_length')
    expect(inputOf(fresh())).not.toHaveProperty('take_up')
  })
})

describe('the page of a route', () => {
  const stubs = {
    'el-button': { props: ['disabled'], template: '<button type="button" :disabled="disabled"><slot /></button>' },
  }
  let open: VueWrapper | undefined
  const later = () => new Promise((r) => setTimeout(r, 360))
  const wheel = (id: string, x: number) => ({
    id,
    role: 'driven',
    x,
    y: 0,
    outside_radius: 50,
    path_radius: 50,
    turn: -1,
    profile: '',
    count: 1,
  })
  const answered = {
    result: { says: 'A loop of 59 in.', wheels: [{ wheel: 'engine' }], strands: [] },
    working: [],
    notices: [],
    elevation: {
      family: '',
      wheels: [wheel('engine', 0), wheel('lever idler', 250), wheel('blower', 500)],
      arcs: [],
      strands: [],
      dimensions: [],
      thickness: 10,
      pitch: 0,
      left: -60,
      bottom: -60,
      width: 620,
      height: 120,
    },
  }
  async function show(answers: Record<string, unknown>): Promise<Served> {
    const served = serve(answers)
    open = mount(RouteView, { global: { plugins: [await routed('/route')], stubs }, attachTo: document.body })
    await settle()
    return served
  }
  const press = (text: string) =>
    open!
      .findAll('button')
      .find((b) => b.text() === text)!
      .trigger('click')
  beforeEach(freshDevice)
  afterEach(() => open?.unmount())

  it('asks nothing of an empty route; a wheel on the drawing is turned over by a key and taken back by undo', async () => {
    const served = await show({ 'POST /api/calc/any-route': answered })
    await later()
    expect(served.asked).toHaveLength(0)
    await press('Fill in the example')
    await later()
    await settle()
    expect(open!.text()).toContain('A loop of 59 in.')
    const hit = open!.get('[aria-label^="lever idler: the loop\'s outside"]')
    await hit.trigger('keydown.enter')
    expect((open!.get('[aria-label="side of wheel 2"]').element as HTMLSelectElement).value).toBe('inside')
    await later()
    await settle()
    const last = served.asked.at(-1)?.body.input as { wheels: { side: string }[] }
    expect(last.wheels[1]?.side).toBe('inside')
    await press('Undo')
    expect((open!.get('[aria-label="side of wheel 2"]').element as HTMLSelectElement).value).toBe('outside')
    // What is typed is taken back as well, and only that.
    const size = open!.get('[aria-label="diameter of wheel 2"]')
    await size.setValue('4')
    await size.setValue('4 in')
    await press('Undo')
    expect((size.element as HTMLInputElement).value).toBe('3 in')
  })
  it('says a refusal at its wheel and loses nothing', async () => {
    const refused = {
      status: 422,
      json: {
        type: 'tuyere:input',
        title: 'Not so',
        status: 422,
        detail: '',
        errors: [{ path: 'input.wheels.1', reason: 'the loop does not lie on lever idler', allowed: 'the other side' }],
      },
    }
    await show({ 'POST /api/calc/any-route': refused })
    await press('Fill in the example')
    await later()
    await settle()
    const third = open!.findAll('.clause').find((c) => c.text().startsWith('2'))!
    expect(third.get('[role="alert"]').text()).toContain('does not lie on lever idler')
    expect((open!.get('[aria-label="diameter of wheel 2"]').element as HTMLInputElement).value).toBe('3 in')
  })
})
