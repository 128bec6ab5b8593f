import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'

import { attempt } from '@/api/client'
import { newId, useKept } from '@/shared/state/kept'

const answer = (status: number, body: unknown) =>
  Promise.resolve({ ok: status < 400, status, json: () => Promise.resolve(body) } as Response)

beforeEach(() => {
  localStorage.clear()
  vi.resetModules()
})

describe('what is typed', () => {
  it('outlives the page until it is forgotten', async () => {
    const first = useKept('duty', () => ({ power: '', speed: '' }))
    first.value.value.power = '15hp'
    await nextTick()
    const second = useKept('duty', () => ({ power: '', speed: 'new field' }))
    expect(second.value.value).toEqual({ power: '15hp', speed: '' })
    second.forget()
    await new Promise((r) => setTimeout(r, 5))
    expect(useKept('duty', () => ({ power: 'fresh' })).value.value).toEqual({ power: 'fresh' })
  })
  it('starts afresh where the stored text is broken', () => {
    localStorage.setItem('tuyere.kept.bad', '{')
    expect(useKept('bad', () => ({ a: 1 })).value.value).toEqual({ a: 1 })
  })
  it('gets a name of its own for every operation', () => {
    const ids = new Set(Array.from({ length: 50 }, newId))
    expect(ids.size).toBe(50)
    for (const id of ids) expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/)
  })
})

describe('a request', () => {
  it('comes to data', async () => {
    const got = await attempt(Promise.resolve({ data: { a: 1 }, response: new Response() }))
    expect(got).toEqual({ ok: true, data: { a: 1 } })
  })
  it('comes to the problem the server explained', async () => {
    const error = { type: 'tuyere:refused', title: 'No', status: 422, detail: 'x', errors: [{ path: 'input.power', reason: 'r', allowed: '' }] }
    const got = await attempt(Promise.resolve({ error, response: new Response(null, { status: 422 }) }))
    expect(got.ok ? null : [got.problem.errors[0]?.path, got.offline]).toEqual(['input.power', false])
  })
  it('comes to a problem even when the server says nothing sensible', async () => {
    const got = await attempt(Promise.resolve({ error: 'Bad gateway', response: new Response(null, { status: 502 }) }))
    expect(got.ok ? null : [got.problem.status, got.problem.errors]).toEqual([502, []])
  })
  it('is told apart from no connection at all', async () => {
    const got = await attempt(Promise.reject(new TypeError('Failed to fetch')))
    expect(got.ok ? null : got.offline).toBe(true)
  })
})

describe('a save without a connection', () => {
  it('waits here and is sent once, when it can be', async () => {
    vi.useFakeTimers()
    const calls: string[] = []
    let up = false
    vi.stubGlobal('fetch', (url: string) => {
      calls.push(url)
      return up ? answer(200, { id: 'm' }) : Promise.reject(new TypeError('down'))
    })
    const { save, waiting } = await import('@/shared/state/outbox')
    const got = await save('POST', '/api/machines', { op_id: 'a' })
    expect(got.ok).toBe(false)
    expect(waiting.value).toHaveLength(1)
    expect(JSON.parse(localStorage.getItem('tuyere.outbox') ?? '[]')).toHaveLength(1)
    await vi.advanceTimersByTimeAsync(5100)
    expect(waiting.value).toHaveLength(1)
    up = true
    await vi.advanceTimersByTimeAsync(5100)
    expect(waiting.value).toHaveLength(0)
    await vi.advanceTimersByTimeAsync(20000)
    expect(calls).toHaveLength(3)
    expect(JSON.parse(localStorage.getItem('tuyere.outbox') ?? '[]')).toHaveLength(0)
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })
  it('is not kept when the server refused it: the form has it still', async () => {
    vi.stubGlobal('fetch', () => answer(422, { type: 'tuyere:refused', title: 'No', status: 422, detail: '', errors: [] }))
    const { save, waiting } = await import('@/shared/state/outbox')
    expect((await save('POST', '/api/machines', {})).ok).toBe(false)
    expect(waiting.value).toHaveLength(0)
    vi.unstubAllGlobals()
  })
})
