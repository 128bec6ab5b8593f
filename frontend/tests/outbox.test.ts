import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

const answer = (status: number, body: unknown) =>
  Promise.resolve({ ok: status < 400, status, json: () => Promise.resolve(body) } as Response)
const problem = (status: number, type = 'tuyere:refused') => ({ type, title: 'No', status, detail: 'why', errors: [] })

type Sent = { url: string; body: { op_id: string } & Record<string, unknown> }
let sent: Sent[] = []
let reply: (s: Sent) => Promise<Response> = () => answer(200, {})

async function outbox() {
  vi.resetModules()
  const made = await import('@/shared/state/outbox')
  await made.ready
  return made
}

beforeEach(async () => {
  sent = []
  reply = () => answer(200, { id: 'x' })
  localStorage.clear()
  setActivePinia(createPinia())
  vi.stubGlobal('fetch', (url: string, init: { body: string }) => {
    const s = { url, body: JSON.parse(init.body) as Sent['body'] }
    sent.push(s)
    return reply(s)
  })
  const { entries, letGo } = await outbox()
  for (const e of [...entries.value]) await letGo(e)
})
afterEach(() => vi.unstubAllGlobals())

describe('a save that gets no answer', () => {
  it.each([
    ['no connection', () => Promise.reject(new TypeError('down'))],
    ['a database that is gone', () => answer(503, problem(503, 'tuyere:database'))],
    ['a fault of the server', () => answer(500, problem(500, 'tuyere:fault'))],
  ])('stays on the device: %s', async (_why, fails) => {
    const { entries, flush, save } = await outbox()
    reply = fails
    const got = await save('POST', '/api/machines', { name: 'a' }, 'the machine a')
    expect(got.ok ? '' : got.problem.detail).toContain('kept on this device')
    expect(entries.value.map((e) => [e.label, e.state])).toEqual([['the machine a', 'waiting']])
    await flush()
    expect(entries.value).toHaveLength(1)
    reply = () => answer(200, { id: 'm' })
    await flush()
    expect(entries.value).toHaveLength(0)
    // Each time the same operation: the server takes it once.
    expect(new Set(sent.map((s) => s.body.op_id)).size).toBe(1)
  })
  it('is there for the next tab and after a crash', async () => {
    const first = await outbox()
    reply = () => Promise.reject(new TypeError('down'))
    await first.save('POST', '/api/machines', { name: 'a' })
    const second = await outbox()
    expect(second.entries.value.map((e) => e.body.name)).toEqual(['a'])
    // Two tabs add to one list; neither writes over the other's entry.
    await first.save('POST', '/api/machines', { name: 'b' })
    await second.save('PUT', '/api/stock', { text: 'c' })
    expect((await outbox()).entries.value.map((e) => e.body.name ?? e.body.text)).toEqual(['a', 'b', 'c'])
  })
  it('is not overtaken by a later one for the same thing', async () => {
    const { entries, flush, save } = await outbox()
    let down = true
    reply = () => (down ? Promise.reject(new TypeError('down')) : answer(200, {}))
    await save('PUT', '/api/drives/1/duty', { rev: 1, power: '10hp' })
    sent = []
    await save('PUT', '/api/drives/1/duty', { rev: 1, power: '15hp' })
    expect(sent.map((s) => s.body.power)).toEqual(['10hp'])
    down = false
    await flush()
    expect(sent.map((s) => s.body.power)).toEqual(['10hp', '10hp', '15hp'])
    expect(entries.value).toHaveLength(0)
  })
  it('says so when this device cannot keep it', async () => {
    const { save } = await outbox()
    reply = () => Promise.reject(new TypeError('down'))
    vi.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError')
    })
    const got = await save('POST', '/api/machines', { name: 'a' })
    expect(got.ok ? '' : got.problem.detail).toContain('cannot keep it either')
    vi.restoreAllMocks()
  })
})

describe('a refusal', () => {
  it('is for the form that asked and is not kept', async () => {
    const { entries, save } = await outbox()
    reply = () => answer(422, problem(422))
    expect((await save('POST', '/api/machines', {})).ok).toBe(false)
    expect(entries.value).toHaveLength(0)
  })
  it('of an entry that waited stays until somebody has seen it, and blocks nothing', async () => {
    const { entries, flush, letGo, save } = await outbox()
    reply = () => Promise.reject(new TypeError('down'))
    await save('PUT', '/api/drives/1/duty', { power: 'old' }, 'the duty of Main')
    await save('POST', '/api/machines', { name: 'good' })
    reply = (s) => (s.url.includes('duty') ? answer(409, problem(409, 'tuyere:stale')) : answer(200, {}))
    await flush()
    expect(entries.value.map((e) => [e.label, e.state, e.problem?.type])).toEqual([
      ['the duty of Main', 'refused', 'tuyere:stale'],
    ])
    await letGo(entries.value[0]!)
    expect(entries.value).toHaveLength(0)
  })
})

describe('the name of an operation', () => {
  it('goes with what is said: the same until it is answered, another for other content', async () => {
    const { save } = await outbox()
    reply = () => answer(500, problem(500))
    await save('PUT', '/api/builds/1', { size: 6 })
    reply = () => answer(200, {})
    await save('PUT', '/api/builds/1', { size: 7 })
    await save('PUT', '/api/builds/1', { size: 7 })
    const ids = (size: number) => new Set(sent.filter((s) => s.body.size === size).map((s) => s.body.op_id))
    expect(ids(6).size).toBe(1)
    expect([...ids(6)].some((id) => ids(7).has(id))).toBe(false)
    expect(ids(7).size).toBe(2) // answered, then said again: two saves
  })
})
