import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

import PartsOf from '@/features/drive/components/PartsOf.vue'
import OilCard from '@/features/machines/components/OilCard.vue'
import DeadView from '@/features/why/views/DeadView.vue'

type Reply = { status: number; body: unknown } | 'gone'
let answer: (method: string, url: string, body: string) => Reply
beforeEach(() => {
  setActivePinia(createPinia())
  localStorage.clear()
  vi.stubGlobal('served', async (at: Request | string, init?: RequestInit) => {
    const url = typeof at === 'string' ? at : at.url
    const method = (typeof at === 'string' ? init?.method : at.method) ?? 'GET'
    const body = typeof at === 'string' ? String(init?.body ?? '') : method === 'GET' ? '' : await at.clone().text()
    const next = answer(method, url, body)
    if (next === 'gone') throw new TypeError('no line')
    return new Response(JSON.stringify(next.body), {
      status: next.status,
      headers: { 'Content-Type': 'application/json' },
    })
  })
})
afterEach(() => vi.unstubAllGlobals())
const global = { stubs: { 'router-link': { template: '<a><slot /></a>' } } }
const look = (key: string, answers: string[], guard = 'on') => ({
  key,
  words: `${key}?`,
  how: 'So.',
  guard,
  minutes: 2,
  answers,
})
const result = (more: object) => ({
  calc: 'dead-drive',
  notices: [],
  result: {
    says: '',
    said: [],
    next: null,
    end: null,
    parts: [{ part: 'supply', state: 'unknown' }],
    minutes: 0,
    ...more,
  },
})
const why = { machine: 'M', drive: 'D', isolation_points: ['Q11'] }

describe('a dead drive', () => {
  it('asks the next look with the answers so far, and takes one back', async () => {
    const asked: Record<string, string>[] = []
    answer = (_, url, body) => {
      if (url.endsWith('/why')) return { status: 200, body: why }
      const given = (JSON.parse(body) as { input: { answers: Record<string, string> } }).input.answers
      asked.push(given)
      const n = Object.keys(given).length
      const said = Object.entries(given).map(([key, a]) => ({ key, words: `${key}?`, answer: a }))
      return {
        status: 200,
        body: result({ said, next: n ? look('loop', ['yes', 'gone'], 'off') : look('supply', ['there', 'none']) }),
      }
    }
    const view = mount(DeadView, { props: { id: 'd' }, global })
    await flushPromises()
    await view.findAll('.answers button')[0]?.trigger('click')
    await flushPromises()
    expect(asked.at(-1)).toEqual({ supply: 'there' })
    expect(view.text()).toContain('Isolated first: Q11')
    await view.get('header button').trigger('click')
    await flushPromises()
    expect(asked.at(-1)).toEqual({})
  })
  it('begins again where what was kept leads nowhere any more', async () => {
    localStorage.setItem('tuyere.dead.d', JSON.stringify({ old: 'yes' }))
    let refused = 0
    answer = (_, url, body) => {
      if (url.endsWith('/why')) return { status: 200, body: why }
      const given = (JSON.parse(body) as { input: { answers: Record<string, string> } }).input.answers
      if (Object.keys(given).length) {
        refused += 1
        return { status: 422, body: { title: 'No', detail: 'that was not asked', errors: [] } }
      }
      return { status: 200, body: result({ next: look('supply', ['there']) }) }
    }
    const view = mount(DeadView, { props: { id: 'd' }, global })
    await flushPromises()
    await flushPromises()
    expect(refused).toBeLessThanOrEqual(1)
    expect(view.text()).toContain('supply?')
  })
  it('keeps the answers where there is no line', async () => {
    answer = (_, url) => (url.endsWith('/why') ? 'gone' : 'gone')
    const view = mount(DeadView, { props: { id: 'd' }, global })
    await flushPromises()
    expect(view.get('[role=alert]').text()).toContain('Nothing was lost')
  })
})

const point = (key: string, more: object = {}) => ({
  key,
  what: `Point ${key}`,
  lubricant: 'oil',
  amount: '2 drops',
  every_days: 7,
  every_hours: null,
  too_much: 'It drips.',
  guard: 'stopped',
  drives: [],
  due: null,
  ...more,
})

describe('oil and grease', () => {
  it('is planned once, with the interval of the point, and then says when', async () => {
    let planned = false
    let sent = ''
    answer = (method, url, body) => {
      if (method === 'POST') {
        sent = body
        planned = true
        return { status: 200, body: {} }
      }
      expect(url).toContain('/oil')
      const due = planned ? { when: '2026-12-03T08:00:00Z' } : null
      return {
        status: 200,
        body: { points: [point('chain-hand', { drives: ['Main'], due }), point('motor-oil-port')] },
      }
    }
    const view = mount(OilCard, { props: { machine: 'm' }, global })
    await flushPromises()
    expect(view.text()).toContain('Other points it may have (1)')
    await view.get('button').trigger('click')
    await flushPromises()
    expect(JSON.parse(sent)).toMatchObject({ oil: 'chain-hand', every_days: 7, machine_id: 'm' })
    expect(view.text()).toContain('3 Dec 2026')
  })
  it('says a refusal', async () => {
    answer = (method) =>
      method === 'POST'
        ? {
            status: 422,
            body: { title: 'No', detail: 'x', errors: [{ path: 'oil', reason: 'no such point to oil', allowed: '' }] },
          }
        : { status: 200, body: { points: [point('chain-hand', { drives: ['Main'] })] } }
    const view = mount(OilCard, { props: { machine: 'm' }, global })
    await flushPromises()
    await view.get('button').trigger('click')
    await flushPromises()
    expect(view.get('[role=alert]').text()).toContain('no such point')
  })
})

describe('parts of a drive', () => {
  it.each([
    [4, 4, '●'],
    [4, 1, '◐'],
    [4, 0, '○'],
  ])('%i wanted and %i there is %s', async (count, there, mark) => {
    answer = () => ({ status: 200, body: { parts: [{ what: 'B90', count, on_shelf: there, places: ['rack 1'] }] } })
    const view = mount(PartsOf, { props: { id: 'd' }, global })
    await flushPromises()
    expect(view.get('[role=img]').text()).toBe(mark)
  })
})
