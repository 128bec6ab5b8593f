import 'fake-indexeddb/auto'
import { mount, type VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { Component } from 'vue'

import { bodyOf, fieldsOf, typedOf, type Schema } from '@/forms/schema'
import DriveSpeedsView from '@/features/speeds/views/DriveSpeedsView.vue'
import SpeedTaskView from '@/features/speeds/views/SpeedTaskView.vue'
import { inRound, plateOf, shownAt, TASKS, wheelsOf } from '@/speeds/tasks'

import { lineOf } from './mounted'
import calculations from './fixtures/speed_calculations.json'
import refusal from './fixtures/refusal.json'
import { freshDevice, routed, serve, settle, type Served } from './served'

const ID = '11111111-1111-4111-8111-111111111111'
const figure = (shown: string, value: number) => ({
  shown,
  value,
  number: shown.split(' ')[0],
  unit: '',
  unit_shown: '',
  step: null,
  per: null,
})
const answered = {
  calc: 'pulley-for-speed',
  result: {
    says: 'A driver of 6.92 in over the rim turns the machine at 540 rpm.',
    diameter: figure('6.92 in', 175.8),
    give_or_take: figure('0.025 in', 0.6),
    cuts: { off_radius: figure('0.189 in', 4.8) },
    ways: [{ says: 'Turn it down', diameter: figure('6.92 in', 175.8), near_enough: true, on_shelf: false }],
    picture: null,
  },
  working: [],
  notices: [],
}
const speeds = {
  drive_id: ID,
  name: 'Main',
  machine: 'Pump',
  machine_id: ID,
  family: 'any',
  calc: 'any-drive',
  input: { power: '3hp' },
  options: {},
  draft_rev: 0,
  driven_speed: figure('307 rpm', 307),
  wanted_speed: figure('540 rpm', 540),
  plate: { rev: 3, title: '', rows: [], calc: '', given: {}, by: '', at: null },
  questions: [
    {
      calc: 'pulley-for-speed',
      title: 'Pulley',
      input: { wheel: 'driver', groove: 'B', rounds: [{ diameter: '3.750 in', driver: [], driven: [] }] },
    },
  ],
}
const stubs = {
  'el-button': {
    props: ['nativeType', 'loading', 'type'],
    template: '<button :type="nativeType || \'button\'"><slot /></button>',
  },
  'el-input': {
    props: ['modelValue'],
    emits: ['update:modelValue'],
    inheritAttrs: false,
    template:
      '<input v-bind="$attrs" :value="modelValue" @input="$emit(\'update:modelValue\', $event.target.value)" />',
  },
  SchemaFields: { template: '<div />' },
  HowCome: { template: '<div />' },
}
let open: VueWrapper | undefined
const later = () => new Promise((r) => setTimeout(r, 420))

async function show(
  component: Component,
  at: string,
  props: Record<string, unknown>,
  answers: Record<string, unknown>,
): Promise<Served> {
  const served = serve({ 'GET /api/calc/*': lineOf(calculations), ...answers })
  const router = await routed(at)
  open = mount(component, { props, global: { plugins: [router], stubs }, attachTo: document.body })
  await settle()
  return served
}
const blank = (says: string) => open!.get(`[aria-label="${says}"]`)
const type = (says: string, v: string) => blank(says).setValue(v)

beforeEach(freshDevice)
afterEach(() => open?.unmount())

describe('the questions', () => {
  const lines = calculations.calculations
  it.each(TASKS.map((t) => [t.key, t] as const))('%s has only blanks that its calculation has', (_, task) => {
    const calc = lines.find((c) => c.name === task.calc)
    expect(calc).toBeDefined()
    const fields = fieldsOf(calc!.input_schema as unknown as Schema & { $defs?: Record<string, Schema> })
    const blanks = task.sentence.flat().flatMap((p) => (typeof p === 'string' ? [] : [p]))
    // Every blank, filled, reaches the body: what is typed is never left out of what is asked.
    const typed = Object.fromEntries(blanks.map((b) => [inRound(b.path, 0), b.options?.find((o) => o.key)?.key ?? '7']))
    const back = typedOf((bodyOf(fields, typed) ?? {}) as Record<string, unknown>)
    expect(back).toEqual(typed)
    const paths = new Set(blanks.map((b) => b.path))
    expect(task.needed.every((n) => paths.has(n))).toBe(true)
    expect(task.together.flat().every((n) => paths.has(n))).toBe(true)
    expect(task.meters.every((m) => paths.has(m.path))).toBe(true)
  })
  it('make lines of a plate from what they answer, and say which wheel', () => {
    const steps = [{ driver: figure('2 in', 50), driven: figure('6 in', 150), speed: figure('575 rpm', 575.04) }]
    expect(plateOf('step-pulleys', { steps })).toEqual([
      { setting: 'step 1: 2 in to 6 in', speed: '575 rpm', note: '' },
    ])
    const settings = [
      {
        driver_turns: figure('2 turns', 2),
        driven_turns: null,
        speed: figure('689 rpm', 689),
        over_plate: true,
        here: false,
      },
      {
        driver_turns: figure('3 turns', 3),
        driven_turns: null,
        speed: figure('650 rpm', 650),
        over_plate: false,
        here: true,
      },
    ]
    expect(plateOf('adjustable-sheave', { settings })).toEqual([
      { setting: '3 turns open', speed: '650 rpm', note: 'set' },
    ])
    expect(plateOf('pulley-for-speed', answered.result)).toEqual([])
    expect(wheelsOf('pulley-for-speed', { wheel: 'driven' }, answered.result)).toEqual([
      { wheel: 'driven', outside: 175.8, measured: 'outside' },
    ])
    const both = [{ driver: figure('2 in', 50.8), driven: figure('6 in', 152.4), speed: figure('575 rpm', 575) }]
    expect(wheelsOf('step-pulleys', {}, { steps: both }).map((w) => [w.wheel, w.outside])).toEqual([
      ['driver', 50.8],
      ['driven', 152.4],
    ])
    expect(wheelsOf('step-pulleys', {}, {})).toEqual([])
    const set = {
      here: true,
      driver: figure('5 in', 127),
      driven: figure('9 in', 228.6),
      driver_turns: null,
      driven_turns: figure('2 turns', 2),
    }
    expect(wheelsOf('adjustable-sheave', {}, { settings: [set] }).map((w) => [w.wheel, w.outside])).toEqual([
      ['driven', 228.6],
    ])
    expect(shownAt(answered.result, 'cuts.off_radius')?.shown).toBe('0.189 in')
    expect(shownAt(answered.result, 'nothing.there')).toBeNull()
  })
})

describe('a question in the hand', () => {
  it('asks nothing until its sentence is whole, then answers as it is typed', async () => {
    const served = await show(
      SpeedTaskView,
      '/speeds/slow',
      { task: 'slow' },
      { 'POST /api/calc/pulley-for-speed': answered },
    )
    await type('speed of the machine now', '282')
    await type('wanted speed', '540')
    await later()
    expect(served.asked.filter((a) => a.method === 'POST')).toHaveLength(0)
    await type('speed of the driver', '1748')
    await type('diameter over the rim', '3.75')
    await later()
    await settle()
    const sent = served.asked.filter((a) => a.method === 'POST')
    expect(sent).toHaveLength(1)
    expect(sent[0]?.body.input).toMatchObject({
      rounds: [{ diameter: '3.75', driver: ['1748'], driven: ['282'] }],
      target: '540',
    })
    expect(open!.text()).toContain('6.92 in')
  })
  it('says a refusal beside the blank it belongs to, and keeps what was typed', async () => {
    const refused = {
      status: 422,
      json: { ...refusal, errors: [{ path: 'input.target', reason: 'too far', allowed: 'nearer' }] },
    }
    await show(SpeedTaskView, '/speeds/slow', { task: 'slow' }, { 'POST /api/calc/pulley-for-speed': refused })
    for (const [says, v] of [
      ['speed of the machine now', '282'],
      ['wanted speed', '9000'],
      ['speed of the driver', '1748'],
      ['diameter over the rim', '3.75'],
    ] as const)
      await type(says, v)
    await later()
    await settle()
    expect(open!.get('[role="alert"]').text()).toContain('wanted speed: too far')
    expect((blank('wanted speed').element as HTMLInputElement).value).toBe('9000')
    expect(blank('wanted speed').attributes('aria-invalid')).toBe('true')
  })
  it('is filled from what stands on the drive, and says so when nobody answers', async () => {
    await show(
      SpeedTaskView,
      `/speeds/slow?drive=${ID}`,
      { task: 'slow' },
      { [`GET /api/drives/${ID}/speeds`]: speeds, [`GET /api/drives/${ID}/twin`]: { drive_has_one: false, taken: 0 } },
    )
    expect((blank('diameter over the rim').element as HTMLInputElement).value).toBe('3.750 in')
    expect((blank('wanted speed').element as HTMLInputElement).value).toBe('540')
    open!.unmount()
    await show(SpeedTaskView, `/speeds/slow?drive=${ID}`, { task: 'slow' }, {})
    expect(open!.text()).toContain(`/api/drives/${ID}/speeds`)
    open!.unmount()
    await show(SpeedTaskView, '/speeds/nothing', { task: 'nothing' }, {})
    expect(open!.text()).toContain('There is no such question')
  })
  it('takes no reading where no instrument told one', async () => {
    await show(
      SpeedTaskView,
      `/speeds/slow?drive=${ID}`,
      { task: 'slow' },
      {
        [`GET /api/drives/${ID}/speeds`]: speeds,
        [`GET /api/drives/${ID}/twin`]: { drive_has_one: false, taken: 0 },
        'GET /api/instruments/shown': { shown: [] },
      },
    )
    await open!
      .findAll('button')
      .find((b) => b.text() === 'Tachometer, machine')!
      .trigger('click')
    await settle()
    expect(open!.text()).toContain('type what it shows')
  })
})

describe('the speed plate', () => {
  it('says that somebody else wrote on it, and shows theirs', async () => {
    const stale = {
      status: 409,
      json: {
        type: 'tuyere:stale',
        title: 'Changed by somebody else',
        status: 409,
        detail: 'The plate was changed meanwhile.',
        errors: [],
      },
    }
    const served = await show(
      DriveSpeedsView,
      `/drives/${ID}/speeds`,
      { id: ID },
      { [`GET /api/drives/${ID}/speeds`]: speeds, [`PUT /api/drives/${ID}/plate`]: stale },
    )
    const [setting, speed] = open!.findAll('form input')
    await setting!.setValue('on the grinder')
    await speed!.setValue('1430')
    await open!.get('form').trigger('submit')
    await settle()
    const put = served.asked.find((a) => a.method === 'PUT')
    expect(put?.body).toMatchObject({ rev: 3, rows: [{ setting: 'on the grinder', speed: '1430' }] })
    expect(open!.text()).toContain('The plate was changed meanwhile.')
    // What was typed is still there to be sent again.
    expect((setting!.element as HTMLInputElement).value).toBe('on the grinder')
  })
  it('is empty in words where nothing is kept, and a lost drive is said', async () => {
    await show(DriveSpeedsView, `/drives/${ID}/speeds`, { id: ID }, { [`GET /api/drives/${ID}/speeds`]: speeds })
    expect(open!.text()).toContain('No speeds are kept yet')
    open!.unmount()
    await show(DriveSpeedsView, `/drives/${ID}/speeds`, { id: ID }, {})
    expect(open!.text()).toContain(`/api/drives/${ID}/speeds`)
  })
})
