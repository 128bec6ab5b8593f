import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'

import FoundPicture from '@/features/files/components/FoundPicture.vue'
import InCard from '@/features/files/components/InCard.vue'
import OutCard from '@/features/files/components/OutCard.vue'
import { byKind, countOf, sendFile, sizeWords, type FileState } from '@/features/files/logic/file'
import { periods } from '@/features/report/logic/period'
import ReportView from '@/features/report/views/ReportView.vue'

type Reply = { status: number; body: unknown } | 'gone'
let answer: (method: string, url: string) => Reply
const asked: string[] = []
beforeEach(() => {
  setActivePinia(createPinia())
  localStorage.clear()
  asked.length = 0
  vi.useFakeTimers({ shouldAdvanceTime: true, advanceTimeDelta: 50 })
  vi.stubGlobal('served', async (at: Request | string, init?: RequestInit) => {
    const url = typeof at === 'string' ? at : at.url
    const method = (typeof at === 'string' ? init?.method : at.method) ?? 'GET'
    asked.push(`${method} ${url.replace(/^https?:\/\/[^/]+/, '')}`)
    const next = answer(method, url)
    if (next === 'gone') throw new TypeError('no line')
    return new Response(JSON.stringify(next.body), {
      status: next.status,
      headers: { 'Content-Type': 'application/json' },
    })
  })
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
const ok = (body: unknown): Reply => ({ status: 200, body })
const state = (more: Partial<FileState>): FileState => ({
  id: 'f',
  name: 'a.json',
  doing: 'looked',
  percent: 100,
  piece: 10,
  bytes: 25,
  records: 3,
  refused: 0,
  counts: [],
  why: '',
  allowed: '',
  ...more,
})
const count = (kind: string, verdict: FileState['counts'][number]['verdict'], n: number) => ({
  kind,
  words: kind,
  many: `${kind}s`,
  verdict,
  count: n,
})
const global = { stubs: { 'router-link': { template: '<a><slot /></a>' } } }
const file = new File(['x'.repeat(25)], 'a.json')

describe('sending a file', () => {
  it('goes in pieces, the last one shorter, and a piece goes again where the line broke', async () => {
    let broken = 0
    const got: number[] = []
    answer = (_, url) => {
      if (url.endsWith('/1') && broken++ < 2) return 'gone'
      got.push(Number(url.split('/').at(-1)))
      return ok({ no: 0 })
    }
    const shares: number[] = []
    expect((await sendFile(file, state({}), (x) => shares.push(x), 1)).ok).toBe(true)
    expect(got).toEqual([0, 1, 2])
    expect(shares.at(-1)).toBe(1)
    expect(shares).toEqual([...shares].sort((a, b) => a - b))
  })
  it('ends with what the server says is wrong', async () => {
    answer = () => ({ status: 422, body: { title: 'No', detail: 'This is not of the file', errors: [] } })
    const got = await sendFile(file, state({}), () => undefined, 1)
    expect(got.ok).toBe(false)
    expect(asked).toHaveLength(1)
  })
  it('gives up on a line that stays away', async () => {
    answer = () => 'gone'
    const got = await sendFile(file, state({}), () => undefined, 1)
    expect(got.ok).toBe(false)
    expect(asked).toHaveLength(4)
  })
})

describe('what was found', () => {
  const mixed = state({
    counts: [count('machine', 'added', 4), count('machine', 'same', 1), count('drive', 'same', 7)],
  })
  it('adds up by kind and by what becomes of it', () => {
    expect(countOf(mixed, 'same')).toBe(8)
    const kinds = byKind(mixed)
    expect(kinds.reduce((n, k) => n + k.all, 0)).toBe(mixed.counts.reduce((n, c) => n + c.count, 0))
    for (const k of kinds) expect(k.ways.reduce((n, w) => n + w.count, 0)).toBe(k.all)
  })
  it('draws the kinds that change and names the rest in a line', () => {
    const view = mount(FoundPicture, { props: { state: mixed } })
    expect(view.findAll('li')).toHaveLength(1)
    expect(view.text()).toContain('5 machines')
    expect(view.text()).toContain('All the same: 7 drives')
  })
  it.each([
    [500, '1 KB'],
    [20_480, '20 KB'],
    [2_034_231, '2.0 MB'],
  ])('%i bytes are %s', (n, words) => expect(sizeWords(n)).toBe(words))
})

const chosen = async (view: ReturnType<typeof mount>) => {
  const input = view.find('input[type=file]')
  Object.defineProperty(input.element, 'files', { value: [file], configurable: true })
  await input.trigger('change')
  for (let k = 0; k < 12; k++) {
    await flushPromises()
    await vi.advanceTimersByTimeAsync(300)
  }
}

describe('a file comes in', () => {
  it('offers to take it only when nothing is refused', async () => {
    const found = state({ refused: 1, counts: [count('machine', 'refused', 1), count('drive', 'added', 2)] })
    answer = (method, url) => {
      if (url.includes('/lines'))
        return ok({
          lines: [{ no: 4, words: 'machine X', verdict: 'refused', reason: 'needs a name', allowed: '' }],
          more: false,
        })
      if (url.endsWith('/in')) return ok(state({ doing: 'coming' }))
      return ok(method === 'PUT' ? { no: 0 } : found)
    }
    const view = mount(InCard, { global })
    await chosen(view)
    expect(view.get('[role=alert]').text()).toContain('nothing of this file is taken')
    expect(view.text()).toContain('needs a name')
    expect(view.text()).not.toContain('records in')
  })
  it('says why a file cannot be read, and lets another be chosen', async () => {
    answer = (method, url) => {
      if (url.endsWith('/in')) return ok(state({ doing: 'coming' }))
      if (method === 'PUT') return ok({ no: 0 })
      return ok(
        state({
          doing: 'unreadable',
          why: 'the file ends after record 3: it was not copied whole',
          allowed: 'the whole file',
        }),
      )
    }
    const view = mount(InCard, { global })
    await chosen(view)
    expect(view.get('[role=alert]').text()).toContain('not copied whole')
    expect(view.text()).toContain('Another file')
  })
  it('keeps what was chosen when there is no server, to send it again', async () => {
    answer = () => 'gone'
    const view = mount(InCard, { global })
    await chosen(view)
    expect(view.text()).toContain('a.json')
    expect(view.text()).toContain('Send it again')
    const found = state({ counts: [count('machine', 'added', 3)] })
    answer = (method, url) => {
      if (url.includes('/lines')) return ok({ lines: [], more: false })
      if (url.endsWith('/in')) return ok(state({ doing: 'coming' }))
      return ok(method === 'PUT' ? { no: 0 } : found)
    }
    await view.get('[role=alert] button').trigger('click')
    for (let k = 0; k < 12; k++) {
      await flushPromises()
      await vi.advanceTimersByTimeAsync(300)
    }
    expect(view.text()).toContain('Take 3 records in')
  })
})

describe('a file goes out', () => {
  it('waits until it is written, through a break of the line', async () => {
    let n = 0
    answer = (method) => {
      if (method === 'POST') return ok(state({ doing: 'writing', records: 0 }))
      n += 1
      if (n === 1) return 'gone'
      return ok(
        state(n < 3 ? { doing: 'writing', records: 900 } : { doing: 'written', records: 1410, bytes: 2_000_000 }),
      )
    }
    const view = mount(OutCard, { props: { what: 'Breaker' }, global })
    await view.get('button').trigger('click')
    for (let k = 0; k < 14; k++) {
      await flushPromises()
      await vi.advanceTimersByTimeAsync(300)
    }
    expect(view.text()).toContain('1,410 records')
    expect(view.get('a[download]').attributes('href')).toBe('/api/files/f/record')
  })
  it('says that it was broken off', async () => {
    answer = (method) => ok(state({ doing: method === 'POST' ? 'writing' : 'broken' }))
    const view = mount(OutCard, { props: { what: 'Breaker' }, global })
    await view.get('button').trigger('click')
    for (let k = 0; k < 6; k++) {
      await flushPromises()
      await vi.advanceTimersByTimeAsync(300)
    }
    expect(view.get('[role=alert]').text()).toContain('broken off')
  })
})

describe('periods of a report', () => {
  it.each(['2026-01-01', '2026-03-31', '2024-02-29', '2026-11-26', '2026-12-31'])(
    'from %s they join without a gap',
    (day) => {
      const now = new Date(`${day}T12:00:00`)
      const by = Object.fromEntries(periods(now).map((p) => [p.key, p]))
      for (const [last, present] of [
        ['last-month', 'month'],
        ['last-quarter', 'quarter'],
        ['last-year', 'year'],
      ] as const) {
        const next = new Date(`${by[last]?.until}T12:00:00`)
        next.setDate(next.getDate() + 1)
        expect(next.toISOString().slice(0, 10)).toBe(by[present]?.since)
        expect(by[present]?.until).toBe(day)
      }
    },
  )
  it('says what is wrong with a period and keeps its fields', async () => {
    answer = () => ({
      status: 422,
      body: {
        title: 'No',
        detail: '',
        errors: [{ path: 'until', reason: 'the period ends before it begins', allowed: '2026-05-01 or later' }],
      },
    })
    const router = createRouter({
      history: createMemoryHistory(),
      routes: [{ path: '/:all(.*)', component: ReportView }],
    })
    await router.push('/report?since=2026-05-01&until=2026-04-01')
    const view = mount(ReportView, { global: { plugins: [router] } })
    await flushPromises()
    expect(view.get('[role=alert]').text()).toContain('ends before it begins')
    expect(view.findAll('input').map((i) => (i.element as HTMLInputElement).value)).toEqual([
      '2026-05-01',
      '2026-04-01',
    ])
  })
})
