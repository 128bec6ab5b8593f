import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

import type { JobAsked, JobStep, Scene } from '@/api/types'
import ScenePicture from '@/drawing/ScenePicture.vue'
import StepRead from '@/features/jobs/components/StepRead.vue'

const asked = (more: Partial<JobAsked> = {}): JobAsked => ({
  target: 'belt 1',
  label: 'belt 1',
  kinds: ['force', 'frequency'],
  units: ['lbf', 'Hz'],
  needed: true,
  value: '',
  typed: '',
  quantity: '',
  event: null,
  before: '',
  before_typed: '',
  before_at: null,
  instruments: ['plunger', 'frequency-meter'],
  ...more,
})
const step = { key: 'tension-read', kind: 'read', reads: 'tension', words: 'Read', asked: [asked()], figures: [] }
const shown = {
  instrument: 'plunger',
  label: 'Plunger gauge',
  serial: 'SIM-007',
  quantity: 'force',
  value: 3.4,
  unit: 'lbf',
  resolution: 0.1,
  at: '2026-11-26T08:00:00Z',
  simulated: true,
  warnings: [],
  typed: '3.4 lbf',
}

describe('a reading that is taken from an instrument', () => {
  let replies: { status: number; body: unknown }[] = []
  const happened = vi.fn(async () => true)
  beforeEach(() => {
    setActivePinia(createPinia())
    happened.mockClear()
    // What answers the client of the pages; see setup.ts.
    vi.stubGlobal('served', async () => {
      const next = replies.shift() ?? { status: 200, body: { shown: [] } }
      return new Response(JSON.stringify(next.body), {
        status: next.status,
        headers: { 'Content-Type': 'application/json' },
      })
    })
  })
  afterEach(() => vi.unstubAllGlobals())
  const screen = (twin: boolean) =>
    mount(StepRead, {
      props: {
        step: step as unknown as JobStep,
        status: 'open' as const,
        waits: () => '',
        tool: '',
        elevation: null,
        place: { drive: 'd', job: 'j', twin },
        busy: false,
        problem: null,
        happened,
      },
      global: { stubs: { 'el-input': true, 'el-button': true } },
    })

  it('stands on the pad, and a person sets it with where it came from', async () => {
    replies = [{ status: 200, body: shown }]
    const w = screen(true)
    await w.get('.take').trigger('click')
    await flushPromises()
    expect(w.get('.pad output').text()).toContain('3.4')
    expect(w.get('.by').text()).toContain('SIM-007, simulated')
    expect(happened).not.toHaveBeenCalled()
    await w.get('.go').trigger('click')
    expect(happened).toHaveBeenCalledWith(
      expect.objectContaining({
        typed: '3.4',
        origin: 'instrument',
        instrument: expect.objectContaining({ serial: 'SIM-007', simulated: true }),
      }),
    )
  })

  it('is a reading by hand again once the number is changed', async () => {
    replies = [{ status: 200, body: shown }]
    const w = screen(true)
    await w.get('.take').trigger('click')
    await flushPromises()
    const keys = w.findAll('.pad button')
    await keys.find((k) => k.text() === '7')?.trigger('click')
    await w.get('.go').trigger('click')
    expect(happened).toHaveBeenCalledWith(expect.objectContaining({ origin: 'hand', instrument: {} }))
  })

  it('says why it could not be taken, and nothing typed is lost', async () => {
    replies = [{ status: 422, body: { type: 'x', title: 'No', status: 422, detail: 'no hand goes in', errors: [] } }]
    const w = screen(true)
    const keys = w.findAll('.pad button')
    await keys.find((k) => k.text() === '5')?.trigger('click')
    await w.get('.take').trigger('click')
    await flushPromises()
    expect(w.get('.by').text()).toContain('no hand goes in')
    expect(w.get('.pad output').text()).toContain('5')
  })

  it('is offered for a real drive only when a real instrument told something lately', async () => {
    const none = screen(false)
    await flushPromises()
    expect(none.find('.take').exists()).toBe(false)
    replies = [{ status: 200, body: { shown: [{ ...shown, serial: 'GP-12', simulated: false }] } }]
    const told = screen(false)
    await flushPromises()
    expect(told.get('.by').text()).toContain('GP-12 shows 3.4 lbf')
  })
})

describe('a scene of the core on the page', () => {
  const plain = { pen: 'thin', fill: 'none', r: 0, start_deg: 0, sweep_deg: 0, text: '', size: 0 }
  const more = { align: 'left', face: 'label', bold: false, layer: 'parts' }
  const scene: Scene = {
    width: 40,
    height: 20,
    title: 'A thing',
    items: [
      { ...plain, ...more, kind: 'line', points: [[0, 0], [10, 5]] }, // prettier-ignore
      { ...plain, ...more, kind: 'arc', points: [[10, 10]], r: 5, sweep_deg: 90 },
      { ...plain, ...more, kind: 'text', points: [[1, 2]], text: 'words', size: 3 },
    ],
  }
  it('turns the sheet over: up on the sheet is up on the screen', () => {
    const w = mount(ScenePicture, { props: { scene } })
    expect(w.get('svg').attributes('aria-label')).toBe('A thing')
    // Ten pixels for the smallest words: three of forty millimetres.
    expect(w.get('svg').attributes('style')).toContain('min-width: 133px')
    const line = w.get('line')
    expect([line.attributes('y1'), line.attributes('y2')]).toEqual(['20', '15'])
    expect(w.get('path').attributes('d')).toMatch(/^M 15 10 A 5 5 0 0 0 10(\.0+\d*)? 5$/)
    expect(w.get('text').text()).toBe('words')
  })
})
