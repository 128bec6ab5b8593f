import 'fake-indexeddb/auto'
import { mount, type VueWrapper } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

import type { Job, JobStep } from '@/api/types'
import { isDone, nextAsked, nextScreen, SAFE, screensOf } from '@/features/jobs/logic/screens'
import JobView from '@/features/jobs/views/JobView.vue'
import NumberPad from '@/pad/NumberPad.vue'
import { pressed, type PadKey } from '@/pad/typing'
import { useSettings } from '@/shared/state/settings'
import { wavOf } from '@/sound/wav'

import { freshDevice, routed, serve, settle } from './served'

const press = (keys: PadKey[], text = '') => keys.reduce((t, k) => pressed(t, k), text)

describe('typing a shop number with big keys', () => {
  it.each([
    [['1', '2', '1/2'], '12 1/2'],
    [['3', '1/4', '1/4'], '3 1/2'],
    [['1/2', '1/8'], '5/8'],
    [['1/2', '1/2'], '1/2'],
    [['1', '1/32', '1/32', '1/16'], '1 1/8'],
    [['1', '.', '5'], '1.5'],
    [['1', '.', '5', '.', '1/2'], '1.5'],
    [['0', '7'], '7'],
    [['0', '.', '0', '2'], '0.02'],
    [['4', 'sign'], '-4'],
    [['4', 'sign', 'sign'], '4'],
    [['1', '2', '1/2', 'back'], '12'],
    [['1', '2', 'back', 'back', 'back'], ''],
    [['1', '1/2', '5'], '5'],
    [['9', 'clear', '3'], '3'],
  ] as [PadKey[], string][])('%j is %s', (keys, text) => {
    expect(press(keys)).toBe(text)
  })
  it('never makes what is no number, whatever is pressed', () => {
    const keys: PadKey[] = ['0', '1', '5', '9', '.', '1/2', '1/4', '1/8', '1/16', '1/32', 'sign', 'back']
    let seed = 7
    const next = () => (seed = (seed * 48271) % 2147483647)
    for (let run = 0; run < 300; run++) {
      const text = press(Array.from({ length: 14 }, () => keys[next() % keys.length] as PadKey))
      expect(text).toMatch(/^-?(\d+\.?\d*|\.\d*)?( ?\d+\/\d+)?$/)
      const fraction = /(\d+)\/(\d+)/.exec(text)
      if (fraction) expect(Number(fraction[1])).toBeLessThan(Number(fraction[2]))
    }
  })
})

const blank = {
  block: 'Make it safe',
  words: 'w',
  why: '',
  caution: '',
  who: 'anyone',
  skip: true,
  safe: false,
  guarded: false,
  reads: '',
  move: '',
  move_caution: '',
  source: 's',
  confidence: 'high',
  point: '',
  how: '',
  status: 'open' as const,
  by: '',
  at: null,
  note: '',
  grade: '',
  exception: '',
  round: 1,
  figures: [],
  limit: '',
  asked: [],
  said: null,
  trouble: '',
}
const step = (key: string, kind: string, more: Partial<JobStep> = {}): JobStep =>
  ({ ...blank, key, kind, ...more }) as JobStep
const asked = (target: string, value = '', needed = true) => ({
  target,
  label: target,
  kinds: ['force', 'frequency'],
  units: ['lbf', 'Hz'],
  needed,
  value,
  typed: value,
  quantity: value ? 'force' : '',
  event: null,
  before: '',
  before_typed: '',
  before_at: null,
  instruments: ['plunger', 'frequency-meter'],
})
const job = {
  id: 'j1',
  rev: 1,
  title: 'Set V-belts again',
  kind: 'retension',
  template: 'retension-v',
  state: 'open',
  machine_id: 'm',
  machine: 'Pump',
  drive_id: 'd',
  drive: 'Main',
  what: '2 × B90',
  belts: 'run in',
  tool: '',
  opened_at: '2026-11-25T08:00:00Z',
  opened_by: 'N. Dray',
  closed_at: null,
  closed_by: '',
  isolation: {
    safe: false,
    given_back: false,
    says: 'Not safe yet: 1 of 1 to do',
    by: '',
    at: null,
    left: 1,
    proofs: 1,
  },
  next: 'lock',
  elevation: null,
  events: 0,
  steps: [
    step('lock', 'isolate', { skip: false }),
    step('try', 'prove', { skip: false }),
    step('safe-signed', 'sign', { skip: false }),
    step('guard-off', 'do', { block: 'Guard off', safe: true, skip: false }),
    step('tension-read', 'read', {
      block: 'Set the tension',
      reads: 'tension',
      asked: [asked('belt 1'), asked('belt 2'), asked('note', '', false)],
    }),
  ],
} as unknown as Job

describe('the screens of a job', () => {
  it('puts making safe on one screen and every other step on its own', () => {
    const screens = screensOf(job)
    expect(screens.map((s) => [s.key, s.steps.length])).toEqual([
      [SAFE, 3],
      ['guard-off', 1],
      ['tension-read', 1],
    ])
    const status = (s: JobStep) => (s.kind === 'read' ? 'open' : 'done')
    expect(screens.map((s) => isDone(s, status))).toEqual([true, true, false])
    expect(nextScreen(screens, status)).toBe(2)
    expect(nextScreen(screens, status, 3)).toBe(2)
    expect(nextScreen(screens, () => 'done')).toBe(2)
  })
  it('asks for what is needed and missing, what waits on the device counted in', () => {
    const read = job.steps[4] as JobStep
    expect(nextAsked(read, 'belt 1', () => false)).toBe('belt 2')
    expect(nextAsked(read, 'belt 2', () => false)).toBe('belt 1')
    expect(nextAsked(read, 'belt 2', (t) => t === 'belt 1')).toBe(null)
  })
})

const stubs = { 'el-input': { template: '<input />' }, 'el-button': { template: '<button><slot /></button>' } }
let view: VueWrapper | undefined
beforeEach(async () => {
  await freshDevice()
  setActivePinia(createPinia())
  useSettings().name = 'T. Sedge'
})
afterEach(() => {
  view?.unmount()
  view = undefined
  vi.restoreAllMocks()
})
const opened = async (answers: Parameters<typeof serve>[0]) => {
  const served = serve(answers)
  view = mount(JobView, { props: { id: 'j1' }, global: { plugins: [await routed('/jobs/j1')], stubs } })
  await settle()
  return served
}

describe('a job on the screen', () => {
  it('says a refusal beside the step and goes nowhere', async () => {
    const problem = {
      type: 'tuyere:refused',
      title: 'Some of this cannot be',
      status: 422,
      detail: '1 to be shut off before anything is proved',
      errors: [{ path: 'step', reason: '1 to be shut off before anything is proved', allowed: 'tick them first' }],
    }
    await opened({ 'GET /api/jobs/j1': job, 'POST /api/jobs/j1/events': { status: 422, json: problem } })
    expect(view?.find('.state').text()).toContain('Not safe yet')
    await view?.find('.tick').trigger('click')
    await settle()
    expect(view?.text()).toContain('1 to be shut off')
    expect(view?.find('.tick').attributes('aria-checked')).toBe('false')
  })
  it('says when there is no such job, and asks for a name before anything is ticked', async () => {
    await opened({
      'GET /api/jobs/j1': {
        status: 404,
        json: { type: 'tuyere:not-there', title: 'Not there', status: 404, detail: 'there is no job j1', errors: [] },
      },
    })
    expect(view?.text()).toContain('there is no job j1')
    view?.unmount()
    useSettings().name = ''
    await opened({ 'GET /api/jobs/j1': job })
    expect(view?.text()).toContain('Who is at the machine?')
    expect(view?.find('.tick').exists()).toBe(false)
  })
})

describe('the pad', () => {
  it('sends nothing that is no number, takes the keyboard, and puts the old value back', async () => {
    const pad = mount(NumberPad, {
      props: {
        modelValue: '',
        unit: 'lbf',
        set: 'Set',
        fractions: true,
        sign: true,
        before: '12.6 lbf',
        beforeTyped: '12.6',
        'onUpdate:modelValue': (v: string) => void pad.setProps({ modelValue: v }),
      },
      attachTo: document.body,
    })
    expect(pad.find('.go').attributes('disabled')).toBeDefined()
    for (const key of ['1', '2', ',', '5', 'x', '-']) {
      window.dispatchEvent(new KeyboardEvent('keydown', { key }))
      await settle()
    }
    await settle()
    expect(pad.find('output').text()).toBe('-12.5')
    await pad.findAll('.side').at(-1)?.trigger('click')
    expect(pad.find('output').text()).toBe('12.6')
    window.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }))
    expect(pad.emitted('set')).toHaveLength(1)
    pad.unmount()
  })
})

describe('a sound as it is sent', () => {
  it('is a WAV file of sixteen bits with every sample in it', () => {
    const bytes = Uint8Array.from(atob(wavOf(Float32Array.from([0, 0.5, -1, 2]), 4000)), (c) => c.charCodeAt(0))
    const seen = new DataView(bytes.buffer)
    expect(bytes.length).toBe(44 + 8)
    expect([seen.getUint32(24, true), seen.getUint16(34, true), seen.getUint32(40, true)]).toEqual([4000, 16, 8])
    expect([44, 46, 48, 50].map((at) => seen.getInt16(at, true))).toEqual([0, 16383, -32767, 32767])
  })
})
