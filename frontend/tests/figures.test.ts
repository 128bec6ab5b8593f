import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'

import RangeCurve from '@/features/bench/components/RangeCurve.vue'
import FigureTable from '@/shared/ui/FigureTable.vue'

const figure = (shown: string, value = 1) => ({
  value,
  shown,
  unit: '',
  number: shown,
  unit_shown: '',
  step: null,
  per: null,
})
describe('a table of figures', () => {
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
  const point = (rpm: number, belts: number) => ({
    driver_speed: figure(`${rpm} rpm`, rpm),
    belts_exact: figure(belts.toFixed(2), belts),
  })
  const points = [point(600, 1.2), point(1200, 1.7), point(2400, 2.6)]
  const made = (there: number) =>
    mount(RangeCurve, {
      props: {
        result: {
          points,
          worst: points[2],
          belts: figure(String(there), there),
          belts_needed: figure('3', 3),
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
