import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'

import EmptyDrive from '@/features/drive/components/EmptyDrive.vue'
import HourMeter from '@/features/machines/components/HourMeter.vue'
import OilPicture from '@/features/machines/components/OilPicture.vue'
import ToCome from '@/features/machines/components/ToCome.vue'
import { oneScale, SCALE, thumbSize } from '@/features/machines/logic/wall'
import MachineView from '@/features/machines/views/MachineView.vue'

import elevations from './fixtures/elevations.json'

let answer: (method: string, url: string) => { status: number; body: unknown }
beforeEach(() => {
  setActivePinia(createPinia())
  localStorage.clear()
  vi.stubGlobal('served', async (at: Request | string, init?: RequestInit) => {
    const url = typeof at === 'string' ? at : at.url
    const next = answer((typeof at === 'string' ? init?.method : at.method) ?? 'GET', url)
    return new Response(JSON.stringify(next.body), {
      status: next.status,
      headers: { 'Content-Type': 'application/json' },
    })
  })
})
afterEach(() => vi.unstubAllGlobals())
const global = () => ({
  plugins: [
    createRouter({
      history: createMemoryHistory(),
      routes: [{ path: '/:rest(.*)*', component: { template: '<i />' } }],
    }),
  ],
})
const due = (more: object) => ({
  id: 'x',
  title: 'Grease it',
  drive: 'Main',
  drive_id: 'd',
  when: '2026-12-03T08:00:00Z',
  by_hours: null,
  template: 'weekly look',
  overdue: false,
  ...more,
})

describe('drives of a machine at one scale', () => {
  const all = Object.values(elevations) as never[]
  it('all fit their cell, and keep their sizes to one another', () => {
    const scale = oneScale(all, 280, 190)
    expect(scale).toBeLessThanOrEqual(4 * SCALE)
    for (const e of all as { width: number; height: number }[]) {
      const s = thumbSize(e as never, 1, scale)
      expect(s.h).toBeLessThanOrEqual(190 + 1e-6)
      expect(e.width * scale).toBeLessThanOrEqual(280)
      expect(s.part).toBe(1)
      expect(s.scale).toBe(scale)
    }
  })
  it('never larger for a larger cell asked smaller', () => {
    expect(oneScale(all, 140, 95)).toBeLessThanOrEqual(oneScale(all, 280, 190))
    expect(oneScale([], 280, 190)).toBe(4 * SCALE)
  })
})

describe('what is to come at a machine', () => {
  it('names the day, the late ones as late, and goes to the job that does it', async () => {
    answer = () => ({
      status: 200,
      body: {
        dues: [
          due({ overdue: true }),
          due({ id: 'y', when: null, by_hours: 1234.4, drive_id: null }),
          due({ id: 'z', when: null }),
        ],
      },
    })
    const w = mount(ToCome, { props: { machine: 'm' }, global: global() })
    await flushPromises()
    const [first, second, third] = w.findAll('li')
    expect(first?.text()).toContain('late')
    expect(first?.get('a').attributes('href')).toBe('/drives/d/jobs?due=x&template=weekly%20look')
    expect(second?.text()).toContain('at 1,234 h on the meter')
    expect(second?.get('a').attributes('href')).toBe('/round')
    expect(third?.text()).toContain('no date')
    expect(w.emitted('read')?.length).toBe(1)
  })
  it('says that it could not be read, and reads again', async () => {
    let calls = 0
    answer = () => (calls++ ? { status: 200, body: { dues: [] } } : { status: 500, body: { title: 'x', errors: [] } })
    const w = mount(ToCome, { props: { machine: 'm' }, global: global() })
    await flushPromises()
    await w.get('[role=alert] button').trigger('click')
    await flushPromises()
    expect(w.text()).toContain('Nothing is due')
  })
  it('stands with its first five, and with all of them when asked', async () => {
    answer = () => ({ status: 200, body: { dues: Array.from({ length: 8 }, (_, k) => due({ id: String(k) })) } })
    const w = mount(ToCome, { props: { machine: 'm' }, global: global() })
    await flushPromises()
    expect(w.findAll('li').length).toBe(5)
    await w.get('button').trigger('click')
    expect(w.findAll('li').length).toBe(8)
  })
})

describe('a machine', () => {
  const machine = {
    id: 'm',
    name: 'Breaker',
    tag: 'B-1',
    area: 'Hall',
    energy_sources: [],
    drives: [{ id: 'd', name: 'Main', fitted: '2 × B90', state: 'fitted' }],
  }
  it('stands without its wall: the drive by its name, what is on it and its state', async () => {
    answer = (_, url) =>
      url.includes('/wall')
        ? { status: 500, body: { title: 'x', errors: [] } }
        : url.includes('/dues')
          ? { status: 200, body: { dues: [due({ by_hours: 1500, when: null })] } }
          : url.includes('/oil')
            ? { status: 200, body: { points: [] } }
            : url.includes('/meter')
              ? { status: 200, body: { at: '2026-11-01T08:00:00Z', hours: 1400, per_day: 10 } }
              : { status: 200, body: machine }
    const w = mount(MachineView, { props: { id: 'm' }, global: global() })
    await flushPromises()
    expect(w.get('.cells a').attributes('aria-label')).toBe('Main, 2 × B90, fitted')
    // What is due by the meter stands with how far it is.
    expect(w.text()).toMatch(/Grease it at 1,500 h: 100 h to go/)
    // A second drive is asked behind a key; the first of a machine at once.
    expect(w.find('form.new').exists()).toBe(false)
    await w
      .findAll('button')
      .find((b) => b.text() === 'Another drive')
      ?.trigger('click')
    expect(w.find('form.new').exists()).toBe(true)
  })
  it('without a drive asks for the first one', async () => {
    answer = (_, url) =>
      url.endsWith('/machines/m')
        ? { status: 200, body: { ...machine, drives: [] } }
        : { status: 200, body: { dues: [], points: [], machines: [], at: null, hours: null, per_day: null } }
    const w = mount(MachineView, { props: { id: 'm' }, global: global() })
    await flushPromises()
    expect(w.get('form.new').text()).toContain('No drive yet')
  })
})

describe('an hour meter', () => {
  it.each([
    [0, '000000'],
    [7.25, '000073'],
    [18_412, '184120'],
    [123_456.7, '1234567'],
  ])('%d h stands on its drums as %s', (hours, drums) => {
    const w = mount(HourMeter, { props: { hours } })
    expect(
      w
        .findAll('.drum')
        .map((d) => d.text())
        .join(''),
    ).toBe(drums)
  })
  it('that nobody has read shows no figure', () => {
    const w = mount(HourMeter, { props: { hours: null } })
    expect(w.get('svg').attributes('aria-label')).toContain('not read yet')
    expect(w.text()).not.toMatch(/\d/)
  })
})

describe('where the oil goes', () => {
  it('what is sealed for life has no drop; what is not known has none either', () => {
    expect(mount(OilPicture, { props: { point: 'chain-hand' } }).findAll('path').length).toBe(2)
    for (const point of ['motor-sealed', 'no such point'])
      expect(mount(OilPicture, { props: { point } }).findAll('path').length, point).toBe(1)
  })
})

describe('a drive that is not known yet', () => {
  const figure = (value: number, shown: string) => ({
    value,
    shown,
    unit: 'rpm',
    number: '',
    unit_shown: '',
    step: null,
    per: null,
  })
  const duty = (n1: number, n2: number, ratio = '') =>
    ({
      ratio,
      driver_speed: figure(n1, `${n1} rpm`),
      driven_speed: figure(n2, `${n2} rpm`),
      power: figure(3, '4 hp'),
      centre: null,
    }) as never
  it.each([
    [1750, 700, '2.50 : 1 down', 2.5],
    [500, 1000, '2.00 : 1 up', 0.5],
    [1000, 1000, '1.00 : 1 down', 1],
    [1750, 87.5, '20.00 : 1 down', 20],
  ])('from %d to %d rpm is drawn in its ratio', (n1, n2, words, ratio) => {
    const w = mount(EmptyDrive, { props: { duty: duty(n1, n2, words) } })
    expect(w.text()).toContain(words)
    const [driver, driven] = w.findAll('circle').map((c) => Number(c.attributes('r')))
    expect((driven ?? 0) / (driver ?? 1)).toBeCloseTo(ratio, 6)
  })
  it('draws strands that touch both wheels and no more', () => {
    const w = mount(EmptyDrive, { props: { duty: duty(1750, 430) } })
    const circles = w.findAll('circle').map((c) => ['cx', 'cy', 'r'].map((a) => Number(c.attributes(a))))
    const strands = w
      .findAll('path')
      .map((p) => p.attributes('d') ?? '')
      .filter((d) => /^M[\d.]+ [\d.]+L/.test(d))
    expect(strands.length).toBe(2)
    for (const d of strands) {
      const [x1, y1, x2, y2] = (d.match(/[\d.]+/g) ?? []).map(Number) as [number, number, number, number]
      const [dx, dy] = [x2 - x1, y2 - y1]
      for (const [cx, cy, r] of circles as [number, number, number][]) {
        // The distance of a centre from a tangent is the radius.
        expect(Math.abs(dx * (y1 - cy) - dy * (x1 - cx)) / Math.hypot(dx, dy)).toBeCloseTo(r, 3)
      }
    }
  })
  it('of which nothing is known asks, and goes where it is said', async () => {
    const w = mount(EmptyDrive, { props: { duty: null } })
    expect(w.text()).toContain('how far apart?')
    const buttons = w.findAll('button, el-button')
    await buttons[0]?.trigger('click')
    await buttons[1]?.trigger('click')
    expect(Object.keys(w.emitted())).toEqual(expect.arrayContaining(['duty', 'found']))
  })
})
