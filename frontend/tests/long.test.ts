import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { defineComponent, h, nextTick, ref } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

import type { ShelfLine } from '@/api/types'
import { emptyDuty } from '@/forms/duty'
import DutySentence from '@/forms/DutySentence.vue'
import HungParts from '@/features/shelf/components/HungParts.vue'
import ShelfTable from '@/features/shelf/components/ShelfTable.vue'
import { areasOf, cellsOf, thumbSize, type WallMachine } from '@/features/machines/logic/wall'
import FigureTable from '@/shared/ui/FigureTable.vue'
import FoldedSheet from '@/shared/ui/FoldedSheet.vue'
import { useNear } from '@/shared/ui/near'
import { useSlices } from '@/shared/ui/slices'

import { stubs } from './mounted'

// Long lists and folded sheets: what is in sight stands, what is not costs nothing, and nothing is lost by either.
beforeEach(() => {
  localStorage.clear()
  setActivePinia(createPinia())
})
afterEach(() => vi.unstubAllGlobals())

const frame = () => new Promise((r) => requestAnimationFrame(() => r(undefined)))

describe('a long list in slices', () => {
  const grown = (n: number, slice: number) => {
    const list = ref(Array.from({ length: n }, (_, k) => k))
    const w = mount(
      defineComponent(() => {
        const shown = useSlices(() => list.value, slice)
        return () => h('p', shown.value.join(' '))
      }),
    )
    return { list, w, shown: () => w.text().split(' ').filter(Boolean).map(Number) }
  }
  it('stands with its first slice, and is whole a few frames later, in its order', async () => {
    const { shown, w } = grown(70, 24)
    expect(shown()).toEqual(Array.from({ length: 24 }, (_, k) => k))
    for (let k = 0; k < 6; k++) await frame()
    expect(shown()).toEqual(Array.from({ length: 70 }, (_, k) => k))
    w.unmount()
  })
  it('takes in what comes later, and keeps what stands where it shrinks', async () => {
    const { list, shown, w } = grown(30, 24)
    for (let k = 0; k < 4; k++) await frame()
    list.value = [...list.value, ...Array.from({ length: 40 }, (_, k) => 30 + k)]
    for (let k = 0; k < 6; k++) await frame()
    expect(shown()).toHaveLength(70)
    list.value = list.value.slice(0, 10)
    await nextTick()
    expect(shown()).toHaveLength(10)
    w.unmount()
  })
})

describe('what is near', () => {
  const Box = defineComponent(() => {
    const el = ref<HTMLElement>()
    const near = useNear(el)
    return () => h('p', { ref: el }, near.value ? 'drawn' : 'place')
  })
  it('is drawn when it comes near, once, and on paper all of it', async () => {
    let told: (entries: unknown[]) => void = () => undefined
    const seen = new Set<Element>()
    vi.stubGlobal(
      'IntersectionObserver',
      class {
        constructor(then: (entries: unknown[]) => void) {
          told = then
        }
        observe(el: Element) {
          seen.add(el)
        }
        unobserve(el: Element) {
          seen.delete(el)
        }
      },
    )
    const [a, b] = [mount(Box), mount(Box)]
    await nextTick()
    expect([a.text(), b.text()]).toEqual(['place', 'place'])
    told([{ target: a.element, isIntersecting: true }])
    await nextTick()
    expect([a.text(), b.text()]).toEqual(['drawn', 'place'])
    expect(seen.has(a.element)).toBe(false)
    window.dispatchEvent(new Event('beforeprint'))
    await nextTick()
    expect(b.text()).toBe('drawn')
  })
  it('is drawn at once where nothing can tell', async () => {
    vi.stubGlobal('IntersectionObserver', undefined)
    expect(mount(Box).text()).toBe('drawn')
  })
})

describe('a wall that fills', () => {
  const machine = (k: number): WallMachine =>
    ({
      id: `m${k}`,
      name: `Machine ${k}`,
      tag: '',
      area: `Area ${k % 3}`,
      drives: [{ id: `d${k}`, name: 'Main', what: '', elevation: null, state: k % 2 ? 'act' : 'fine', why: '' }],
    }) as unknown as WallMachine
  it('counts every drive of an area while only the first of it stand', () => {
    const cells = cellsOf(Array.from({ length: 30 }, (_, k) => machine(k)))
    const [first] = areasOf(cells.slice(0, 6), cells)
    expect(first?.cells).toHaveLength(2)
    expect((first?.counts.act ?? 0) + (first?.counts.fine ?? 0)).toBe(10)
  })
  it('draws at a half, a quarter, what is too wide or too high for its row, true in itself', () => {
    const e = { width: 600, height: 6000 } as Parameters<typeof thumbSize>[0]
    const size = thumbSize(e, 400)
    expect(size.h).toBeLessThan(260)
    expect(Math.log2(1 / size.part) % 1).toBe(0)
    expect((size.h - 17) / e.height).toBeCloseTo(size.scale, 9)
  })
})

describe('a folded sheet', () => {
  it('opens where something was begun in it, and stays open when that is kept', async () => {
    const w = mount(FoldedSheet, { props: { title: 'Bring in a list', open: false } })
    expect((w.element as HTMLDetailsElement).open).toBe(false)
    await w.setProps({ open: true })
    expect((w.element as HTMLDetailsElement).open).toBe(true)
    await w.setProps({ open: false })
    expect((w.element as HTMLDetailsElement).open).toBe(true)
  })
  it('says that it was opened, so that what it needs is read then', async () => {
    const w = mount(FoldedSheet, { props: { title: 'Spares' } })
    ;(w.element as HTMLDetailsElement).open = true
    await frame()
    await nextTick()
    expect(w.emitted('opened')).toHaveLength(1)
  })
})

describe('the shelf', () => {
  const line = (more: Partial<ShelfLine>): ShelfLine =>
    ({
      id: 'x',
      line: 1,
      part: 'belt',
      section: 'B',
      designation: 'B90',
      count: 2,
      place: '',
      low: null,
      price: null,
      drives: 0,
      ...more,
    }) as ShelfLine
  it('hangs one for each that lies there, dashed each that is wanted and gone, and says how many more', () => {
    const drawn = (l: ShelfLine) => {
      const w = mount(HungParts, { props: { line: l } })
      return {
        all: w.findAll('svg > g').length,
        gone: w.findAll('.gone').length,
        more: w.find('text').exists() ? w.find('text').text() : '',
      }
    }
    expect(drawn(line({ count: 2, low: 4 }))).toEqual({ all: 4, gone: 2, more: '' })
    expect(drawn(line({ count: 5, low: 3 }))).toEqual({ all: 5, gone: 0, more: '' })
    expect(drawn(line({ count: 0, low: null }))).toEqual({ all: 0, gone: 0, more: '' })
    expect(drawn(line({ count: 30 }))).toEqual({ all: 8, gone: 0, more: '+22' })
  })
  it('goes along the racks in the order of their numbers, what has no place last, and finds by part or place', async () => {
    const lines = [
      line({ id: 'a', designation: 'A42', place: 'rack 10' }),
      line({ id: 'b', designation: 'B90', place: 'rack 2' }),
      line({ id: 'c', designation: 'C85', place: '' }),
    ]
    const w = mount(ShelfTable, { props: { lines }, global: { stubs } })
    expect(w.findAll('h2').map((x) => x.text())).toEqual(['rack 2', 'rack 10', 'no place said'])
    await w.find('input').setValue('rack 10')
    expect(w.findAll('.part b').map((x) => x.text())).toEqual(['A42'])
    await w.find('input').setValue('zeppelin')
    expect(w.text()).toContain('Nothing here answers to that')
  })
})

describe('all figures of a drive', () => {
  const figure = (shown: string) => ({
    value: 1,
    unit: '',
    shown,
    number: shown,
    unit_shown: '',
    step: null,
    per: null,
  })
  const result = {
    belts_exact: figure('3.19'),
    shaft_load: figure('98 lbf'),
    span: figure('28 9/16 in'),
    odd_one: figure('7'),
  }
  const titles = { belts_exact: 'Belts by the sum', shaft_load: 'Shaft load, each', span: 'Free span' }
  it('go by their titles, in groups, none twice and none left out', () => {
    const groups = [
      { title: 'The loop', names: ['belts_exact'] },
      { title: 'Geometry', names: ['span', 'small_arc'] },
      { title: 'The shafts', names: ['shaft_load'] },
      { title: 'More', names: ['odd_one'] },
    ]
    const w = mount(FigureTable, { props: { result, titles, groups } })
    expect(w.findAll('h3').map((x) => x.text())).toEqual(['The loop', 'Geometry', 'The shafts', 'More'])
    expect(w.findAll('th').map((x) => x.text())).toEqual([
      'Belts by the sum',
      'Free span',
      'Shaft load, each',
      'Odd one',
    ])
  })
  it('stand in one table where an answer has no groups, or was kept by an earlier version', () => {
    const w = mount(FigureTable, { props: { result } })
    expect(w.findAll('h3')).toHaveLength(0)
    expect(w.findAll('tr')).toHaveLength(4)
  })
})

describe('a duty as its sentence', () => {
  const said = (more: object) => mount(DutySentence, { props: { duty: { ...emptyDuty(), ...more } } })
  it('gives bare numbers their unit, leaves out what is open, and dashes what is assumed', () => {
    const w = said({ power: '15', driver_speed: '1750', driven_speed: '640' })
    expect(w.text()).toBe('A 15 hp motor at 1750 rpm turns a machine at 640 rpm, 10 hours a day.')
    expect(w.findAll('.assumed').map((x) => x.text())).toEqual(['motor', 'machine', '10'])
    expect(
      said({ power: '11 kW', driver_speed: '1450', driven_speed: '500', centre: '700 mm', hours_a_day: '16' }).text(),
    ).toBe('A 11 kW motor at 1450 rpm turns a machine at 500 rpm, about 700 mm apart, 16 hours a day.')
  })
})
