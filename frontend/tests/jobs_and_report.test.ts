import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'

import OpenJob from '@/features/jobs/components/OpenJob.vue'
import JobsView from '@/features/jobs/views/JobsView.vue'
import ReportView from '@/features/report/views/ReportView.vue'

import elevations from './fixtures/elevations.json'

let answer: (url: string) => { status: number; body: unknown }
beforeEach(() => {
  setActivePinia(createPinia())
  localStorage.clear()
  vi.stubGlobal('served', async (at: Request | string) => {
    const next = answer(typeof at === 'string' ? at : at.url)
    return new Response(JSON.stringify(next.body), {
      status: next.status,
      headers: { 'Content-Type': 'application/json' },
    })
  })
})
afterEach(() => vi.unstubAllGlobals())
const page = { template: '<i />' }
async function at(path: string, view: typeof page = page) {
  const router = createRouter({ history: createMemoryHistory(), routes: [{ path: '/:rest(.*)*', component: view }] })
  await router.push(path)
  return { plugins: [router] }
}
const job = (more: object = {}) => ({
  id: 'j',
  title: 'Set V-belts again',
  kind: 'tension',
  state: 'open',
  machine: 'Pump',
  drive_id: 'd',
  drive: 'Main',
  opened_at: '2026-11-25T08:00:00Z',
  opened_by: 'N. Dray',
  closed_at: null,
  steps_done: 3,
  steps_all: 12,
  elevation: null,
  ...more,
})

describe('the list of jobs', () => {
  it('has the open ones first, the closed ones by their day, each day once', async () => {
    const closed = { state: 'closed', closed_at: '2026-11-20T12:00:00Z' }
    answer = () => ({
      status: 200,
      body: {
        jobs: [
          job(),
          job({ id: 'a', ...closed }),
          job({ id: 'b', ...closed }),
          job({ id: 'c', ...closed, closed_at: '2026-11-18T12:00:00Z' }),
        ],
      },
    })
    const w = mount(JobsView, { global: await at('/jobs') })
    await flushPromises()
    expect(w.findAll('h2').map((h) => h.text())).toEqual(['Open', 'Closed'])
    expect(w.findAll('h3').map((h) => h.text())).toEqual(['20 Nov 2026', '18 Nov 2026'])
    expect(w.findAll('a.line').length).toBe(3)
  })
  it('says what could not be read, and what to do where there is none', async () => {
    answer = () => ({ status: 503, body: { title: 'The database does not answer', detail: 'Try again.', errors: [] } })
    const w = mount(JobsView, { global: await at('/jobs') })
    await flushPromises()
    expect(w.text()).toContain('Try again.')
    answer = () => ({ status: 200, body: { jobs: [] } })
    const none = mount(JobsView, { global: await at('/jobs') })
    await flushPromises()
    expect(none.text()).toContain('No job yet')
  })
  it.each([
    [0, 12, '0%'],
    [3, 12, '25%'],
    [12, 12, '100%'],
    [0, 0, '0%'],
  ])('shows %i of %i steps as far along as they are', async (done, all, wide) => {
    const w = mount(OpenJob, {
      props: { job: job({ steps_done: done, steps_all: all }) as never },
      global: await at('/jobs'),
    })
    expect(w.get('.way-to span').attributes('style')).toContain(`width: ${wide}`)
    expect(w.get('a').attributes('aria-label')).toContain(`${done} of ${all} steps`)
  })
  it('draws the drive of a job where it is known', async () => {
    const elevation = Object.values(elevations)[0]
    const w = mount(OpenJob, { props: { job: job({ elevation }) as never }, global: await at('/jobs') })
    expect(w.findAll('svg circle, svg path').length).toBeGreaterThan(2)
  })
})

describe('a period of the shop', () => {
  const report = (more: object) => ({
    since: '2026-10-01',
    until: '2026-11-27',
    jobs: [],
    loops: [],
    parts: [],
    spent: 0,
    unpriced: 0,
    failures: 0,
    causes: [],
    late: [],
    late_count: 0,
    fixes: [],
    losses: [],
    lost: null,
    drives: 0,
    assumed_hours: 0,
    ...more,
  })
  const late = (days: number) => ({
    machine: 'M',
    drive: 'D',
    drive_id: 'd',
    title: `late ${days}`,
    when: '2026-11-01T00:00:00Z',
    days,
  })
  const fix = (left: number | null) => ({
    machine: 'M',
    drive: 'D',
    drive_id: `d${left}`,
    reason: 'two grooves dished',
    since: '2026-11-17T00:00:00Z',
    days_left: left,
  })
  async function shown(more: object) {
    answer = () => ({ status: 200, body: report(more) })
    const w = mount(ReportView, { global: await at('/report?since=2026-10-01&until=2026-11-27') })
    await flushPromises()
    return w
  }
  it('draws what is late as long as it is late, the latest over the whole width', async () => {
    const w = await shown({ late: [late(20), late(5), late(0)], late_count: 3 })
    expect(w.findAll('.days-late').map((b) => b.attributes('style'))).toEqual([
      'width: 100%;',
      'width: 25%;',
      'width: 0%;',
    ])
    expect(w.text()).toContain('today')
  })
  it('draws a fix for a while on its way to the promised day: half way, over it, and without a date not at all', async () => {
    // From 17 to 27 November ten days stood; ten more are left.
    const w = await shown({ fixes: [fix(10), fix(-4), fix(null)] })
    const bars = w.findAll('.way-to span')
    expect(bars.map((b) => b.attributes('style'))).toEqual(['width: 50%;', 'width: 100%;'])
    expect(bars[1]?.classes()).toContain('over')
    expect(w.text()).toContain('4 days over')
  })
  it('of nothing says so in every block', async () => {
    const w = await shown({})
    for (const words of ['None was kept', 'None was fitted', 'Nothing was late', 'No temporary fix', 'None was closed'])
      expect(w.text()).toContain(words)
  })
})
