import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { nextTick } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'

import type { Elevation, Notice, Option, Sheet } from '@/api/types'
import { beltShape } from '@/elevation/beltShape'
import CallOut from '@/elevation/CallOut.vue'
import { fit } from '@/elevation/frame'
import ReadingBar from '@/features/bench/components/ReadingBar.vue'
import { lately, usedCard } from '@/features/bench/logic/lately'
import { complete, linesOf, saysOf } from '@/features/bench/logic/sentence'
import { topicOf } from '@/features/bench/logic/topics'
import StageStrip from '@/features/drive/components/StageStrip.vue'
import TemporaryStrip from '@/features/drive/components/TemporaryStrip.vue'
import { ratioOf } from '@/features/drive/logic/bar'
import { areasOf, cellsOf, partWords, thumbSize, type WallMachine } from '@/features/machines/logic/wall'
import { watchLanding } from '@/features/shell/logic/landing'
import { fieldsOf } from '@/forms/schema'
import TypedBlank from '@/forms/TypedBlank.vue'
import LaidOver from '@/options/LaidOver.vue'
import { askNumber, hasFractions, open, unitsBeside } from '@/pad/ask'
import { wayOfDrive, rememberDrive } from '@/shared/state/knownDrives'
import { keepRead, lastRead } from '@/shared/state/lastRead'
import { driveWay } from '@/shared/state/place'
import FoldedRemarks from '@/shared/ui/FoldedRemarks.vue'
import StateMark from '@/shared/ui/StateMark.vue'

import elevations from './fixtures/elevations.json'

const drawings = elevations as unknown as Elevation[]

beforeEach(() => {
  localStorage.clear()
  setActivePinia(createPinia())
})
afterEach(() => {
  open.value?.answer(null)
  vi.useRealTimers()
})

describe('the loop as one shape', () => {
  const points = (d: string) =>
    [...d.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map((m) => [Number(m[1]), Number(m[2])] as const)
  it.each(drawings.map((e, k) => [`${k} ${e.family}`, e] as const))(
    '%s closes, thick and thin as its strands',
    (_, e) => {
      const f = fit(e, 800, 400, { left: 20, right: 20, top: 20, bottom: 20 }, 0)
      const [slack, tight] = [4, 12]
      const shape = beltShape(e, f, slack, tight)
      expect(shape).not.toBeNull()
      const [one, two] = [points(shape?.inner ?? ''), points(shape?.outer ?? '')]
      expect(one.length).toBe(two.length)
      // Both faces stand as far apart as the loop is wide there: never thinner than the slack, nor thicker than the tight strand.
      for (const [k, [x, y]] of one.entries()) {
        const [u, v] = two[k] ?? [0, 0]
        const wide = Math.hypot(x - u, y - v)
        expect(wide).toBeGreaterThan(slack - 0.3)
        expect(wide).toBeLessThan(tight + 0.3)
      }
      // Its line runs along the strands that the core drew.
      const line = points(shape?.line ?? '')
      for (const s of e.strands) {
        const near = (x: number, y: number) => Math.min(...line.map(([a, b]) => Math.hypot(a - f.x(x), b - f.y(y))))
        expect(near(s.x1, s.y1)).toBeLessThan(0.2)
        expect(near(s.x2, s.y2)).toBeLessThan(0.2)
      }
    },
  )
  it('is left out where strands and wheels do not meet', () => {
    const e = drawings[0] as Elevation
    const f = fit(e, 800, 400, { left: 0, right: 0, top: 0, bottom: 0 }, 0)
    expect(beltShape({ ...e, arcs: [] }, f, 2, 4)).toBeNull()
    expect(beltShape({ ...e, strands: [] }, f, 2, 4)).toBeNull()
  })
})

describe('the pad', () => {
  it('asks one number at a time: a second question puts the first away', async () => {
    const first = askNumber({ label: 'one', value: '', unit: 'in' })
    const second = askNumber({ label: 'two', value: '', unit: 'in' })
    expect(await first).toBeNull()
    open.value?.answer({ typed: '3' })
    expect(await second).toEqual({ typed: '3' })
    expect(open.value).toBeNull()
  })
  it('knows which units a tape or a gauge may be in, and where fractions mean something', () => {
    expect(unitsBeside('in')).toEqual(['in', 'mm', 'ft'])
    expect(unitsBeside('lbf')).toEqual(['lbf', 'N', 'kgf'])
    expect(unitsBeside('teeth')).toEqual(['teeth'])
    expect([hasFractions('in'), hasFractions('mm'), hasFractions('lbf')]).toEqual([true, false, false])
  })
  const pointer = (type: string) => {
    const e = new Event('pointerdown', { bubbles: true, cancelable: true })
    Object.defineProperty(e, 'pointerType', { value: type })
    return e
  }
  it('opens by a finger only; a mouse and a keyboard meet a plain field', async () => {
    const w = mount(TypedBlank, { props: { modelValue: '12', says: 'span', unit: 'in' }, attachTo: document.body })
    const mouse = pointer('mouse')
    w.find('input').element.dispatchEvent(mouse)
    expect([open.value, mouse.defaultPrevented]).toEqual([null, false])
    const finger = pointer('touch')
    w.find('input').element.dispatchEvent(finger)
    expect(finger.defaultPrevented).toBe(true)
    expect(open.value).toMatchObject({ label: 'span', value: '12', unit: 'in' })
    open.value?.answer({ typed: '13 1/2' })
    await nextTick()
    await nextTick()
    expect(w.emitted('update:modelValue')?.at(-1)).toEqual(['13 1/2'])
    w.unmount()
  })
  it('gives way to letters where somebody asks for them, and does not come again there', async () => {
    const w = mount(TypedBlank, { props: { modelValue: '', says: 'power', unit: 'hp' }, attachTo: document.body })
    expect(w.find('input').attributes('inputmode')).toBe('decimal')
    w.find('input').element.dispatchEvent(pointer('touch'))
    open.value?.answer({ letters: true })
    await new Promise((r) => setTimeout(r, 0))
    expect(w.find('input').attributes('inputmode')).toBe('text')
    expect(document.activeElement).toBe(w.find('input').element)
    w.find('input').element.dispatchEvent(pointer('touch'))
    expect(open.value).toBeNull()
    w.unmount()
  })
  it('is not for words', () => {
    const w = mount(TypedBlank, { props: { modelValue: '', says: 'section', words: true } })
    w.find('input').element.dispatchEvent(pointer('touch'))
    expect(open.value).toBeNull()
  })
})

describe('a figure on the drawing', () => {
  const props = { label: 'sheave OD', named: 'driver sheave OD', number: '7.1', unit: 'in', editable: true }
  it('says whose it is, keeps its unit while it is changed, and takes the focus back', async () => {
    const w = mount(CallOut, { props, attachTo: document.body })
    expect(w.find('button').attributes('aria-label')).toBe('driver sheave OD 7.1 in, change')
    await w.find('button').trigger('click')
    expect(w.find('input').attributes('aria-label')).toBe('driver sheave OD')
    expect(w.find('.unit').text()).toBe('in')
    await w.find('.leave').trigger('click')
    await nextTick()
    expect(w.emitted('cancel')).toHaveLength(1)
    expect(document.activeElement).toBe(w.find('button.touch').element)
    w.unmount()
  })
  it('stays open with what was typed where the change is refused', async () => {
    const w = mount(CallOut, { props })
    await w.find('button').trigger('click')
    await w.find('input').setValue('0')
    await w.find('form').trigger('submit')
    await w.setProps({ fault: { path: 'x', value: 0, reason: 'more than nothing', allowed: '1 in or more' } as never })
    expect((w.find('input').element as HTMLInputElement).value).toBe('0')
    expect(w.find('[role="alert"]').text()).toContain('more than nothing')
  })
})

describe('remarks', () => {
  const note = (level: string, text: string, code = 'x'): Notice =>
    ({ level, text, code, path: 'input.slip', action: '' }) as Notice
  it('show the worst first and fold the rest; danger is never folded; what was assumed is a word to touch', async () => {
    const notices = [
      note('info', 'politely'),
      note('caution', 'a mind to it'),
      note('danger', 'it carries too little'),
      note('caution', 'Service factor 1.2 is assumed', 'service-assumed'),
    ]
    const w = mount(FoldedRemarks, { props: { notices } })
    expect(w.findAll('li').map((l) => l.text())).toEqual(['Danger · it carries too little'])
    expect(w.find('.more').text()).toBe('2 more remarks')
    await w.find('.more').trigger('click')
    expect(w.findAll('li')).toHaveLength(3)
    await w.find('.assumed').trigger('click')
    expect(w.emitted('assumption')?.[0]).toEqual([notices[3]])
  })
  it('keep two dangers in sight', () => {
    const w = mount(FoldedRemarks, {
      props: { notices: [note('danger', 'one'), note('danger', 'two'), note('info', 'three')] },
    })
    expect(w.findAll('li')).toHaveLength(2)
  })
})

describe('states', () => {
  it('have a shape of their own each', () => {
    const shape = (state: 'fine' | 'watch' | 'act' | 'none') => {
      const w = mount(StateMark, { props: { state, said: state } })
      return [
        w.findAll('rect').length,
        w.findAll('circle').length,
        w.findAll('path').length,
        w.find('circle').attributes('fill'),
      ].join()
    }
    const all = (['fine', 'watch', 'act', 'none'] as const).map((s) => (s === 'act' ? 'square' : shape(s)))
    expect(new Set(all).size).toBe(4)
  })
  it('turn a temporary fix red over its date', () => {
    const build = {
      promised_date: '2026-12-16',
      temporary_reason: 'two grooves dished',
      created_by_name: 'I. Rook',
    } as never
    const before = mount(TemporaryStrip, { props: { build, today: '2026-12-16' } })
    expect(before.text()).toContain('until 16 Dec 2026')
    expect(before.classes()).not.toContain('late')
    const after = mount(TemporaryStrip, { props: { build, today: '2026-12-17' } })
    expect(after.text()).toContain('was to go by 16 Dec 2026')
    expect(after.classes()).toContain('late')
  })
  it('go along the strip by the arrows, one stop of the keyboard', async () => {
    const stages = ['found', 'duty', 'choose'].map((key) => ({ key, word: key, line: '', state: 'fine' as const }))
    const w = mount(StageStrip, { props: { stages, modelValue: 'found' } })
    expect(w.findAll('button').map((b) => b.attributes('tabindex'))).toEqual(['0', '-1', '-1'])
    await w.find('[role="tablist"]').trigger('keydown', { key: 'ArrowLeft' })
    expect(w.emitted('update:modelValue')?.at(-1)).toEqual(['choose'])
    await w.setProps({ modelValue: 'choose' })
    await w.find('[role="tablist"]').trigger('keydown', { key: 'Home' })
    expect(w.emitted('update:modelValue')?.at(-1)).toEqual(['found'])
    await w.find('[role="tablist"]').trigger('keydown', { key: 'x' })
    expect(w.emitted('update:modelValue')).toHaveLength(2)
  })
  it('draw what is carried against what is needed', () => {
    expect(ratioOf(null)).toBeNull()
    const [short, spare] = [ratioOf({ value: -20 }), ratioOf({ value: 12 })]
    expect(short?.short).toBe(true)
    expect(short?.carries).toBeLessThan(short?.needs ?? 0)
    expect((spare?.carries ?? 0) / (spare?.needs ?? 1)).toBeCloseTo(1.12)
  })
})

describe('the wall', () => {
  const drive = (id: string, state: string) => ({ id, name: id, what: 'B90', state, why: state, elevation: null })
  const machines = [
    {
      id: 'm1',
      tag: 'A-1',
      name: 'One',
      kind: 'industrial',
      area: 'Loft',
      drives: [drive('d1', 'act'), drive('d2', 'fine')],
    },
    { id: 'm2', tag: '', name: 'مكبس', kind: 'farm', area: 'Yard', drives: [] },
    { id: 'm3', tag: 'A-3', name: 'Three', kind: 'shop', area: 'Loft', drives: [drive('d3', 'odd')] },
  ] as unknown as WallMachine[]
  it('keeps the order of the walk, one heading an area, and counts its marks', () => {
    const areas = areasOf(cellsOf(machines))
    expect(areas.map((a) => [a.no, a.name, a.cells.map((c) => c.key)])).toEqual([
      [1, 'Loft', ['d1', 'd2', 'd3']],
      [2, 'Yard', ['m2']],
    ])
    expect(areas[0]?.counts).toEqual({ act: 1, watch: 0, fine: 1, none: 1 })
    expect(areas[1]?.cells[0]).toMatchObject({ drive: null, why: 'no drive yet' })
  })
  it.each(drawings.slice(0, 12).map((e, k) => [k, e] as const))(
    'draws %s to one scale, or says that it is smaller',
    (_, e) => {
      const size = thumbSize(e, 200)
      expect(size.w).toBeLessThanOrEqual(200 + 1)
      expect(partWords(size.part) === '').toBe(size.part === 1)
      expect(size.scale / size.part).toBeCloseTo(0.095)
    },
  )
})

describe('a card of the bench', () => {
  const fields = fieldsOf({
    required: ['chain', 'measured'],
    properties: {
      chain: { enum: ['60', '80'], description: 'chain number' },
      measured: { 'x-kind': 'length', 'x-unit-us': 'in', 'x-unit-si': 'mm', description: 'the length read; by tape' },
      timing: { type: 'boolean' },
    },
  } as never)
  it('is read from its sentence: words, blanks, choices by their names, a flag by its two words', () => {
    const lines = linesOf(
      'Chain {chain} measures {measured}.|It {timing?pulls:keeps time}.',
      fields,
      { chain: { '60': 'No. 60' } },
      () => [],
    )
    expect(lines).toHaveLength(2)
    expect(lines[0]?.map((p) => (typeof p === 'string' ? p : p.path))).toEqual([
      'Chain ',
      'chain',
      ' measures ',
      'measured',
      '.',
    ])
    const [chain, timing] = [lines[0]?.[1], lines[1]?.[1]] as { options?: { key: string; name: string }[] }[]
    expect(chain?.options?.map((o) => o.name)).toEqual(['No. 60', '80'])
    expect(timing?.options).toEqual([
      { key: '', name: 'pulls' },
      { key: 'yes', name: 'keeps time' },
    ])
  })
  it('leaves out a blank that the schema does not know, and asks nothing before all is said', () => {
    expect(linesOf('A {gone} b', fields, {}, () => [])[0]).toEqual(['A ', ' b'])
    expect(complete(fields, { chain: '60' })).toBe(false)
    expect(complete(fields, { chain: '60', measured: '15' })).toBe(true)
    expect(saysOf(fields[1] as never)).toBe('the length read')
  })
  it('stands under the question that it answers', () => {
    const of = (name: string, card: unknown = null) => topicOf({ name, card } as never)
    expect(of('alignment')).toBe('Is it in line and tight')
    expect(of('x', { topic: 'Cut, join and set' })).toBe('Cut, join and set')
    expect(of('drive-compare')).toBeUndefined()
  })
  it('is found again tomorrow, four at most, the last one first', () => {
    for (const n of ['a', 'b', 'c', 'd', 'e', 'c']) usedCard(n)
    expect(lately()).toEqual(['c', 'e', 'd', 'b'])
    localStorage.setItem('tuyere.bench.lately', '{broken')
    expect(lately()).toEqual([])
  })
  it('keeps the words of a reading at either end of its bar inside it', () => {
    const bar = {
      shown: '9 %',
      low: 0,
      high: 9,
      unit: '%',
      marks: [{ at: 3, number: '3' }],
      zones: [{ low: 3, high: 9, state: 'act', word: 'replace' }],
    }
    for (const reading of [0, 9]) {
      const x = Number(
        mount(ReadingBar, { props: { bar: { ...bar, reading } as never } })
          .find('.now')
          .attributes('x'),
      )
      expect(x).toBeGreaterThan(30)
      expect(x).toBeLessThan(610)
    }
  })
})

describe('what this device knows', () => {
  it('says the way home of a drive that it read, and of one that it did not', () => {
    rememberDrive('d', { area: 'Loft', machine: 'Press', machineId: 'm', drive: 'Main' })
    expect(wayOfDrive('d').map((c) => c.to)).toEqual(['/machines?q=Loft', '/machines/m', '/drives/d'])
    expect(wayOfDrive('e', 'Press', 'Pump')).toEqual([{ name: 'Pump', to: '/drives/e' }])
    expect(driveWay({ machine: 'Press' })).toEqual([])
  })
  it('keeps forty pages and lets the oldest go; what is broken is as if it were not there', () => {
    vi.useFakeTimers()
    for (let k = 0; k < 45; k++) {
      vi.setSystemTime(new Date(2026, 10, 1, 0, k))
      keepRead(`p${k}`, { k })
    }
    expect(lastRead('p0')).toBeNull()
    expect(lastRead<{ k: number }>('p44')?.data).toEqual({ k: 44 })
    localStorage.setItem('tuyere.read.p44', 'no')
    expect(lastRead('p44')).toBeNull()
  })
})

describe('laid over what is there', () => {
  const fig = (value: number, shown: string) => ({ value, shown, number: shown })
  const span = (high: number, shown: string) => ({ low: fig(0, ''), high: fig(high, shown), shown })
  it('says each difference with what it was, better or worse by its mark, and nothing that is the same', () => {
    const e = drawings[0] as Elevation
    const today = {
      designation: '2 × 5VX1000',
      shaft_load: fig(900, '200 lbf'),
      spare: fig(14, '14 %'),
      driven_speed: fig(662, '662 rpm'),
      beside: { weight: span(46, '102 lb'), width: fig(25, '1 in'), centre_distance: fig(740, '29 5/32 in') },
    } as unknown as Sheet
    const option = {
      name: '2 × 5VX900',
      elevation: e,
      shaft_load: fig(950, '212 lbf'),
      spare: fig(12, '12 %'),
      driven_speed: fig(662, '662 rpm'),
      weight: span(28, '63 lb'),
      width: fig(25, '1 in'),
      centre_distance: fig(695, '27 3/8 in'),
    } as unknown as Option
    const w = mount(LaidOver, { props: { today, elevation: e, option } })
    const said = w.findAll('li').map((l) => l.text())
    expect(said).toEqual([
      'Shaft load 212 lbf, was 200 lbf',
      'Weight 63 lb, was 102 lb',
      'To spare 12 %, was 14 %',
      'Centre distance 27 3/8 in, was 29 5/32 in',
    ])
    // More pull and less to spare are to be minded, less weight is fine.
    expect(w.findAll('li').map((l) => l.find('svg path').exists())).toEqual([true, false, true, true])
  })
})

describe('where one lands', () => {
  it('is the heading of the new page, and the left place of a list after Back', async () => {
    const view = document.createElement('div')
    view.className = 'view'
    document.body.append(view)
    view.innerHTML = '<main><h1>List</h1></main>'
    const blank = { template: '<div />' }
    const router = createRouter({ history: createMemoryHistory(), routes: [{ path: '/:rest(.*)*', component: blank }] })
    let position = 0
    const state = vi.spyOn(history, 'state', 'get').mockImplementation(() => ({ position }))
    watchLanding(router)
    await router.push('/machines')
    Object.defineProperties(view, { scrollHeight: { value: 3000 }, clientHeight: { value: 700 } })
    view.scrollTop = 1200
    position = 1
    await router.push('/drives/1')
    await new Promise((r) => setTimeout(r, 20))
    expect(view.scrollTop).toBe(0)
    expect(document.activeElement?.tagName).toBe('H1')
    position = 0
    await router.push('/machines')
    await new Promise((r) => setTimeout(r, 20))
    expect(view.scrollTop).toBe(1200)
    state.mockRestore()
    view.remove()
  })
})
