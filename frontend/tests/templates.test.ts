import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

import type { Elevation, JobStep } from '@/api/types'
import { pointsOf } from '@/features/jobs/logic/points'
import TemplateView from '@/features/jobs/views/TemplateView.vue'
import { useSettings } from '@/shared/state/settings'

const line = (words: string) => ({
  block: 'Oil',
  key: 'oil',
  kind: 'do',
  at: 'loop',
  words,
  why: 'Dry joints wear.',
  caution: '',
  only: '',
})
const text = (words: string, rev = 0) => ({
  key: 'oil-chain',
  rev,
  own: rev > 0,
  text: `words = "${words}"`,
  title: 'Oil the chain',
  steps: [line(words)],
})

describe('a lead’s template', () => {
  let replies: Record<string, { status: number; body: unknown }> = {}
  const sent: { url: string; body: Record<string, unknown> }[] = []
  beforeEach(() => {
    setActivePinia(createPinia())
    localStorage.clear()
    sent.length = 0
    vi.useFakeTimers()
    vi.stubGlobal('served', async (request: Request) => {
      const at = `${request.method} ${new URL(request.url, 'http://x').pathname}`
      if (request.method !== 'GET') sent.push({ url: at, body: await request.clone().json() })
      const next = replies[at] ?? { status: 404, body: { title: 'No such thing' } }
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
  async function page() {
    useSettings().name = 'N. Dray'
    const w = mount(TemplateView, { props: { id: 'oil-chain' }, global: { stubs: { 'router-link': true } } })
    await flushPromises()
    return w
  }
  const settle = async () => {
    await vi.advanceTimersByTimeAsync(400)
    await flushPromises()
  }

  it('says what is wrong in the text beside it, keeps nothing, and still has it when the page comes back', async () => {
    replies = {
      'GET /api/templates/oil-chain': { status: 200, body: text('Oil it') },
      'POST /api/templates/check': {
        status: 422,
        body: {
          title: 'No',
          status: 422,
          detail: '',
          errors: [{ path: 'text', value: null, reason: 'steps.1: the step has no why', allowed: 'a text' }],
        },
      },
    }
    const w = await page()
    expect(w.text()).toContain('Oil it')
    await w.get('textarea').setValue('words = "half"')
    await settle()
    expect(w.get('#template-fault').text()).toContain('the step has no why')
    expect(w.get('.key.main').attributes('disabled')).toBeDefined()
    w.unmount()
    const again = await page()
    expect((again.get('textarea').element as HTMLTextAreaElement).value).toBe('words = "half"')
  })

  it('cannot be kept by nobody', async () => {
    replies = { 'GET /api/templates/oil-chain': { status: 200, body: text('Oil it') } }
    const w = await page()
    useSettings().name = ''
    await w.get('textarea').setValue('words = "other"')
    expect(w.get('.key.main').attributes('disabled')).toBeDefined()
    expect(w.text()).toContain('say your name first')
  })

  it('says that it is not there', async () => {
    replies = {}
    const w = await page()
    expect(w.get('[role=alert]').text()).toContain('No such thing')
  })
})

describe('the points where a machine is shut off', () => {
  const wheel = (id: string, role: string, x: number) => ({ id, role, x, y: 0, outside_radius: 50 })
  const e = { wheels: [wheel('a', 'driver', 0), wheel('b', 'driven', 600)] } as unknown as Elevation
  const step = (key: string, energy: string) => ({ key, energy }) as unknown as JobStep

  it('stand on their own side of the drive, numbered as their rows, and none on another', () => {
    const steps = ['edges', 'electric', 'gravity', 'spring', 'fuel', 'heat', ''].map((k, n) => step(`${n}`, k))
    const points = pointsOf(steps, e, 366)
    expect(points.map((p) => p.no).sort()).toEqual([1, 2, 3, 4, 5, 6, 7])
    const xs = points.map((p) => p.x)
    expect(Math.min(...xs.slice(1).map((x, k) => x - (xs[k] ?? 0)))).toBeGreaterThan(30)
    const side = (no: number) => points.findIndex((p) => p.no === no)
    // electric is at the driver, gravity and cutters at what is driven
    expect(side(2)).toBeLessThan(side(1))
    expect(side(2)).toBeLessThan(side(3))
    expect(points.filter((p) => p.falls).map((p) => p.no)).toEqual([3])
  })
})
