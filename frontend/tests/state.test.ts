import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { nextTick } from 'vue'

import { attempt } from '@/api/client'
import { newId, useKept } from '@/shared/state/kept'

beforeEach(() => {
  localStorage.clear()
  setActivePinia(createPinia())
})

describe('what is typed', () => {
  it('outlives the page until it is forgotten', async () => {
    const first = useKept('duty', () => ({ power: '', speed: '' }))
    first.value.value.power = '15hp'
    await nextTick()
    const second = useKept('duty', () => ({ power: '', speed: 'new field' }))
    expect(second.value.value).toEqual({ power: '15hp', speed: '' })
    second.forget()
    await nextTick()
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
    const error = {
      type: 'tuyere:refused',
      title: 'No',
      status: 422,
      detail: 'x',
      errors: [{ path: 'input.power', reason: 'r', allowed: '' }],
    }
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
