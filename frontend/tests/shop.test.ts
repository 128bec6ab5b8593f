import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'

import RangeCurve from '@/features/bench/components/RangeCurve.vue'
import OpenJob from '@/features/jobs/components/OpenJob.vue'
import JobsView from '@/features/jobs/views/JobsView.vue'
import ReportView from '@/features/report/views/ReportView.vue'
import SettingPicture from '@/features/shell/components/SettingPicture.vue'
import SettingsPanel from '@/features/shell/components/SettingsPanel.vue'
import { useSettings } from '@/shared/state/settings'
import FigureTable from '@/shared/ui/FigureTable.vue'

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

describe('what is set on a device', () => {
  const stubs = { 'el-dialog': { template: '<div><slot /></div>' }, SettingPicture: true }
  it('is pressed where it holds, and holds when pressed', async () => {
    const { plugins } = await at('/')
    const w = mount(SettingsPanel, { props: { modelValue: true }, global: { plugins, stubs } })
    const settings = useSettings()
    for (const group of w.findAll('[role=group]')) {
      const buttons = group.findAll('button')
      for (const b of buttons) {
        await b.trigger('click')
        expect(buttons.map((x) => x.attributes('aria-pressed') === 'true')).toEqual(buttons.map((x) => x === b))
      }
    }
    expect([settings.theme, settings.wheelWord, settings.recheck]).toEqual(['dark', 'pulley', 'all'])
    const [name, money] = w.findAll('input')
    await name?.setValue('I. Rook')
    await money?.setValue('kr')
    expect([settings.name, settings.money]).toEqual(['I. Rook', 'kr'])
  })
  it.each(['both', 'light', 'dark', 'wheel', 'first', 'second', 'all'])('%s is drawn, for eyes only', (shows) => {
    const w = mount(SettingPicture, { props: { shows } })
    expect(w.get('svg').attributes('aria-hidden')).toBe('true')
    expect(w.findAll('rect, circle, path').length).toBeGreaterThan(0)
  })
  it('fills the visits that are kept: the first, the second, both', () => {
    const filled = (shows: string) =>
      mount(SettingPicture, { props: { shows } })
        .findAll('circle')
        .map((c) => c.attributes('fill') === 'currentColor')
    expect([filled('first'), filled('second'), filled('all')]).toEqual([
      [true, false],
      [false, true],
      [true, true],
    ])
  })
})

describe('a table of figures', () => {
  const figure = (shown: string) => ({
    value: 1,
    shown,
    unit: '',
    number: shown,
    unit_shown: '',
    step: null,
    per: null,
  })
  it('loses nothing that belongs to no group', () => {
    const result = { force: figure('3 lbf'), basis: 'its maker', speed: figure('5 ft/min') }
    const w = mount(FigureTable, { props: { result, groups: [{ title: 'Tension', names: ['force', 'none'] }] } })
    expect(w.findAll('th').map((t) => t.text())).toEqual(['Force', 'Basis', 'Speed'])
    expect(w.findAll('h3').map((t) => t.text())).toEqual(['Tension'])
    const all = mount(FigureTable, { props: { result, groups: [{ title: 'All', names: Object.keys(result) }] } })
    expect(all.findAll('section').length).toBe(1)
  })
})

describe('a drive over a range of speeds', () => {
  const figure = (value: number, shown: string) => ({
    value,
    shown,
    unit: '',
    number: shown,
    unit_shown: '',
    step: null,
    per: null,
  })
  const point = (rpm: number, belts: number) => ({
    driver_speed: figure(rpm, `${rpm} rpm`),
    belts_exact: figure(belts, belts.toFixed(2)),
  })
  const points = [point(600, 1.2), point(1200, 1.7), point(2400, 2.6)]
  const made = (there: number) =>
    mount(RangeCurve, {
      props: {
        result: {
          points,
          worst: points[2],
          belts: figure(there, String(there)),
          belts_needed: figure(3, '3'),
        } as never,
      },
    })
  it('marks the worst speed on the curve itself, over the belts that are there', () => {
    const w = made(2)
    const [cx, cy] = ['cx', 'cy'].map((a) => Number(w.get('circle.worst').attributes(a)))
    const last = (w.get('path.curve').attributes('d') ?? '').split('L').at(-1)?.split(' ').map(Number) ?? []
    expect(last[0]).toBeCloseTo(cx ?? 0, 0)
    expect(last[1]).toBeCloseTo(cy ?? 0, 0)
    const there = Number((w.get('path.there').attributes('d') ?? '').split(' ')[1]?.split('H')[0])
    expect(cy).toBeLessThan(there)
    expect(w.get('circle.worst').classes()).toContain('few')
    expect(w.text()).toContain('worst at 2400 rpm')
  })
  it('hatches nothing where there are belts enough', () => {
    const w = made(3)
    expect(w.find('rect').exists()).toBe(false)
    expect(w.get('circle.worst').classes()).not.toContain('few')
  })
})
