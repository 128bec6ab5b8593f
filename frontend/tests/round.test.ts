import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'

import type { RoundLine, TimelineMark } from '@/api/types'
import StepPhotos from '@/features/jobs/components/StepPhotos.vue'
import MeterForm from '@/features/machines/components/MeterForm.vue'
import DueRow from '@/features/round/components/DueRow.vue'
import { lateness, spell } from '@/features/round/logic/days'
import { blocksOf } from '@/features/round/logic/spans'
import RoundView from '@/features/round/views/RoundView.vue'
import { axisOf, grouped, pauses, standing } from '@/features/timeline/logic/axis'
import { operationOf } from '@/shared/state/operations'
import { useSettings } from '@/shared/state/settings'

let replies: { status: number; body: unknown }[] = []
const sent: string[] = []
beforeEach(() => {
  setActivePinia(createPinia())
  localStorage.clear()
  useSettings().name = 'N. Dray'
  sent.length = 0
  vi.stubGlobal('served', async (at: Request | string, init?: RequestInit) => {
    sent.push(typeof at === 'string' ? `${init?.method} ${at} ${String(init?.body)}` : `${at.method} ${at.url}`)
    const next = replies.shift() ?? { status: 404, body: { title: 'No such thing' } }
    return new Response(JSON.stringify(next.body), {
      status: next.status,
      headers: { 'Content-Type': 'application/json' },
    })
  })
})
afterEach(() => vi.unstubAllGlobals())
const global = { stubs: { 'router-link': { template: '<a><slot /></a>' } } }
const refusal = (path: string, reason: string, allowed = '') => ({
  status: 422,
  body: { title: 'No', status: 422, detail: 'Some of this cannot be', errors: [{ path, reason, allowed }] },
})
const line: RoundLine = {
  due: {
    id: 'd',
    rev: 1,
    title: 'Weekly look',
    machine: 'Breaker',
    machine_id: 'm',
    area: 'Scutch house',
    drive: 'Main',
    drive_id: 'x',
    by_date: '2026-11-20T08:00:00Z',
    by_hours: null,
    when: '2026-11-20T08:00:00Z',
    template: 'round-weekly',
    overdue: true,
    every: 'every week',
    reason: 'person',
    made_by: 'person',
    snoozed_until: null,
    snooze_reason: '',
    minutes: 10,
    guard_off: false,
  },
  what: '2 × 5VX1000',
  elevation: null,
  grade: 'act',
  days: 6,
}

describe('something due', () => {
  it('is put off with a day and a reason, and says what was wrong with them', async () => {
    replies = [refusal('until', 'not a day to put it off to', 'from tomorrow, a year at most')]
    const w = mount(DueRow, { props: { line }, global })
    expect(w.text()).toContain('6 days late')
    await w.get('[aria-label^="More for"]').trigger('click')
    await w
      .findAll('button')
      .find((b) => b.text() === 'Put it off')
      ?.trigger('click')
    const button = () => w.findAll('.put button').at(-1)
    expect(button()?.attributes('disabled')).toBeDefined()
    await w.get('.put .wide input').setValue('no crane until Friday')
    await button()?.trigger('click')
    await flushPromises()
    expect(w.get('[role=alert]').text()).toContain('not a day to put it off to from tomorrow')
    // What was typed is still there.
    expect((w.get('.put .wide input').element as HTMLInputElement).value).toBe('no crane until Friday')
    expect(w.emitted('changed')).toBeUndefined()
  })

  it('cannot be put off by nobody', async () => {
    useSettings().name = ''
    const w = mount(DueRow, { props: { line }, global })
    await w.get('[aria-label^="More for"]').trigger('click')
    await w
      .findAll('button')
      .find((b) => b.text() === 'Done without a job')
      ?.trigger('click')
    expect(w.text()).toContain('say your name first')
  })

  it('says how late and how long in words', () => {
    expect([lateness(1, 'act', null), lateness(0, 'watch', null), spell(45), spell(100), spell(120)]).toEqual([
      '1 day late',
      'today',
      '45 min',
      '1 h 40',
      '2 h',
    ])
  })
})

describe('the round', () => {
  it('says that it has no connection and offers to try again, instead of an empty page', async () => {
    vi.stubGlobal('served', async () => {
      throw new TypeError('offline')
    })
    const page = { template: '<i />' }
    const router = createRouter({ history: createMemoryHistory(), routes: [{ path: '/:rest(.*)*', component: page }] })
    const w = mount(RoundView, { global: { plugins: [router], stubs: { PlanForm: true } } })
    await flushPromises()
    expect(w.get('[role=alert]').text()).toContain('Try again')
  })
})

describe('a meter', () => {
  it('that ran backwards is asked about, and can be said to have been set back', async () => {
    replies = [
      { status: 200, body: { at: '2026-11-01T08:00:00Z', hours: 1000, per_day: 8 } },
      refusal('hours', 'the meter ran backwards: was it changed or set back?', '1000 h or more'),
      { status: 200, body: { at: '2026-11-26T08:00:00Z', hours: 5, per_day: null } },
    ]
    const w = mount(MeterForm, { props: { machine: 'm' }, global })
    await flushPromises()
    expect(w.text()).toContain('8.0')
    await w.get('input').setValue('5')
    await w.get('form').trigger('submit')
    await flushPromises()
    expect(w.get('[role=alert]').text()).toContain('backwards')
    await w.findAll('button').at(-1)?.trigger('click')
    await flushPromises()
    expect(sent.at(-1)).toContain('"reset":true')
    expect(w.text()).toContain('one more reading')
  })

  it('wants a number, and asks the server nothing before it has one', async () => {
    replies = [{ status: 200, body: { at: null, hours: null, per_day: null } }]
    const w = mount(MeterForm, { props: { machine: 'm' }, global })
    await flushPromises()
    await w.get('input').setValue('about a thousand')
    await w.get('form').trigger('submit')
    await flushPromises()
    expect(w.get('[role=alert]').text()).toContain('a number of hours')
    expect(sent.length).toBe(1)
  })
})

describe('a photo at a step', () => {
  const step = { key: 'dust-floor', photos: ['p1'] } as never
  it('that is none is refused beside the key, and the others stay', async () => {
    replies = [refusal('data', 'that is not a photo', 'JPEG, PNG or WebP')]
    const w = mount(StepPhotos, { props: { place: { drive: 'x', job: 'j' }, step } })
    const input = w.get('input')
    Object.defineProperty(input.element, 'files', { value: [new File(['#!/bin/sh'], 'a.jpg')], writable: true })
    await input.trigger('change')
    await flushPromises()
    await flushPromises()
    expect(w.get('[role=alert]').text()).toContain('that is not a photo: JPEG, PNG or WebP')
    expect(w.findAll('img').length).toBe(1)
  })

  it('is not written down twice to be known again', () => {
    const big = { data: 'x'.repeat(3_000_000) }
    const first = operationOf('POST', '/api/drives/x/photos', big)
    expect(operationOf('POST', '/api/drives/x/photos', big)).toBe(first)
    expect(operationOf('POST', '/api/drives/x/photos', { data: 'y'.repeat(3_000_000) })).not.toBe(first)
    expect(JSON.stringify(localStorage).length).toBeLessThan(10_000)
  })
})

describe('a timeline', () => {
  const mark = (day: string, lane = 'jobs', more: Partial<TimelineMark> = {}): TimelineMark => ({
    at: `${day}T08:00:00Z`,
    until: null,
    lane,
    words: day,
    detail: '',
    by: '',
    grade: '',
    drive_id: null,
    drive: '',
    link: '/jobs/1',
    photo: null,
    ...more,
  })
  const at = (day: string) => new Date(`${day}T08:00:00Z`).getTime()

  it('keeps every mark inside, in order, and no two closer than a finger', () => {
    const days = Array.from({ length: 60 }, (_, k) => new Date(at('2025-01-05') + k * k * 1.6e7).toISOString())
    const axis = axisOf(at('2025-01-05'), at('2026-12-01'), 60, 700)
    const marks = days.map((d) => ({ ...mark('2025-01-05'), at: d })).reverse()
    const groups = grouped(marks, axis, 30)
    expect(groups.flatMap((g) => g.marks).length).toBe(60)
    groups.forEach((g, k) => {
      expect(g.x).toBeGreaterThanOrEqual(60)
      expect(g.x).toBeLessThanOrEqual(700)
      const next = groups[k + 1]
      if (next) expect(next.x - g.x).toBeGreaterThanOrEqual(30)
    })
    expect(axis.ticks.every((t, k) => k === 0 || t.x > (axis.ticks[k - 1]?.x ?? 0))).toBe(true)
  })

  it('says what stood on a day: the build that was on then, not the one after it', () => {
    const marks = [
      mark('2026-06-01', 'builds', { words: 'new' }),
      mark('2026-03-01', 'jobs', { words: 'look' }),
      mark('2025-01-01', 'builds', { words: 'old', until: '2026-06-01T08:00:00Z' }),
    ]
    const names = (day: string) => standing(marks, at(day)).map((x) => x.mark.words)
    expect(names('2026-04-01')).toEqual(['old', 'look'])
    expect(names('2026-07-01')).toEqual(['new', 'look'])
    expect(names('2024-01-01')).toEqual([])
  })

  it('sees a season’s pause, but no pause in a quarterly round', () => {
    const season = ['2025-05-01', '2025-06-01', '2025-07-01', '2026-05-01', '2026-06-01'].map((d) => mark(d))
    expect(pauses(season).map((p) => p.to)).toEqual([at('2026-05-01')])
    const quarters = ['2025-01-01', '2025-04-02', '2025-07-01', '2025-10-01', '2026-01-02'].map((d) => mark(d))
    expect(pauses(quarters)).toEqual([])
  })

  it('draws the sets of a drive one after another over the whole width, the last one open', () => {
    const loops = [
      { fitted: '2026-06-01T08:00:00Z', until: '2026-08-01T08:00:00Z', failed: true },
      { fitted: '2026-08-03T08:00:00Z', until: '2026-10-01T08:00:00Z', failed: true },
      { fitted: '2026-10-02T08:00:00Z', until: null, failed: false },
    ]
    const blocks = blocksOf(loops, 300, at('2026-11-26'))
    expect(blocks[0]?.x).toBe(0)
    const last = blocks.at(-1)
    expect((last?.x ?? 0) + (last?.width ?? 0)).toBeCloseTo(300)
    blocks.forEach((b, k) => expect(b.x + b.width).toBeLessThanOrEqual((blocks[k + 1]?.x ?? 300) + 0.01))
    expect(blocks.map((b) => b.open)).toEqual([false, false, true])
  })
})
