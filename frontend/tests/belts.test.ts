import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'

import type { Figure, Option, RatingLine } from '@/api/types'
import TradeOff from '@/options/TradeOff.vue'
import { ownInput, vBelt } from '@/families/v_belt'
import { selectInput, emptyDuty } from '@/forms/duty'
import { anyLimit, limitsInput, noLimits } from '@/options/limits'
import { optionKey } from '@/options/card'
import { apart, field, radius, span, ticks, type Bubble } from '@/options/trade'
import WrongLines from '@/features/shelf/components/WrongLines.vue'

const figure = (value: number, number: string, unit: string): Figure => ({
  value,
  unit,
  shown: `${number} ${unit}`,
  number,
  unit_shown: unit,
  step: null,
  per: null,
})
function option(name: string, pull: number, width: number, spare: number): Option {
  return {
    name,
    family: 'v-belt',
    telling: String(pull * 2),
    shaft_load: figure(pull, pull.toLocaleString('en-US'), 'lbf'),
    width: figure(width, String(width), 'in'),
    spare: figure(spare, String(spare), '%'),
  } as unknown as Option
}
const sources = import.meta.glob<string>('../src/**/*.{ts,vue}', { query: '?raw', import: 'default', eager: true })
const inset = { left: 70, bottom: 40, top: 20, right: 20 }

describe('the trade-off', () => {
  it('has round ticks that rise and stay within their span', () => {
    for (const [low, high] of [
      [0, 1],
      [240, 450],
      [0.7, 2.9],
      [1100, 9800],
    ] as const) {
      const at = ticks(low, high)
      expect(at.length).toBeGreaterThan(1)
      expect(at.length).toBeLessThanOrEqual(6)
      expect(at[0]).toBeGreaterThanOrEqual(low - 1e-9)
      expect(at.at(-1)).toBeLessThanOrEqual(high + 1e-9)
      const steps = at.slice(1).map((v, k) => v - (at[k] ?? 0))
      for (const s of steps) expect(s).toBeCloseTo(steps[0] ?? 0, 9)
    }
    expect(ticks(3, 3)).toEqual([3])
  })
  it('keeps every figure inside its span and never goes below nothing', () => {
    expect(span([1, 2])[0]).toBeLessThan(1)
    expect(span([1, 2])[1]).toBeGreaterThan(2)
    expect(span([0.1, 5])[0]).toBe(0)
    const [low, high] = span([7, 7])
    expect(high).toBeGreaterThan(low)
  })
  it('grows a circle with the power to spare, within what can be touched', () => {
    expect(radius(-5)).toBe(13)
    expect(radius(40)).toBeGreaterThan(radius(25))
    expect(radius(1e6)).toBe(26)
  })
  it('puts less pull lower and less width further left', () => {
    const options = [option('a', 1250, 1, 10), option('b', 400, 2, 10), option('c', 800, 3, 60)]
    const by = new Map(field(options, optionKey, 900, 300, inset).bubbles.map((b) => [b.name, b]))
    expect(by.get('a')!.x).toBeLessThan(by.get('b')!.x)
    expect(by.get('b')!.x).toBeLessThan(by.get('c')!.x)
    expect(by.get('a')!.y).toBeLessThan(by.get('c')!.y)
    expect(by.get('c')!.y).toBeLessThan(by.get('b')!.y)
    expect(by.get('c')!.r).toBeGreaterThan(by.get('a')!.r)
  })
  it('moves circles that would hide each other apart, and loses none', () => {
    const twins: Bubble[] = Array.from({ length: 6 }, (_, k) => ({
      key: String(k),
      x: 200,
      y: 100 + k,
      r: 20,
      name: '',
      label: '',
    }))
    const placed = apart(twins, 880)
    expect(new Set(placed.map((b) => b.key)).size).toBe(6)
    for (const [k, a] of placed.entries())
      for (const b of placed.slice(k + 1)) expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThanOrEqual(39.9)
    const lone: Bubble = { key: 'x', x: 10, y: 10, r: 13, name: '', label: '' }
    expect(apart([lone], 880)).toEqual([lone])
  })
  it('opens an option by touch and by keyboard, numbered as its card', async () => {
    const options = [option('1 × B90', 300, 1, 20), option('2 × A60', 200, 2, 5)]
    const chart = mount(TradeOff, { props: { options, picked: '', keyOf: optionKey } })
    const circles = chart.findAll('.bubble')
    expect(circles.map((c) => c.find('.no').text()).sort()).toEqual(['1', '2'])
    for (const c of circles) expect(c.attributes('aria-label')).toMatch(/lbf pull, .* in wide, .* % to spare/)
    await circles[0]!.trigger('click')
    await circles[1]!.trigger('keydown.enter')
    expect(chart.emitted('open')).toHaveLength(2)
    await chart.setProps({ picked: optionKey(options[0]!) })
    expect(chart.findAll('.picked')).toHaveLength(1)
  })
})

describe('what goes out with a search', () => {
  it('sends no limit that was left open, and a wrong count as it was typed', () => {
    expect(Object.values(limitsInput(noLimits())).every((v) => v === undefined)).toBe(true)
    expect(anyLimit(noLimits())).toBe(false)
    const typed = { ...noLimits(), belts: 'six', motor: true, driver_shaft: ' 1 5/8 ' }
    expect(anyLimit(typed)).toBe(true)
    expect(limitsInput(typed)).toMatchObject({ belts: 'six', motor: {}, driver_shaft: '1 5/8' })
    expect(limitsInput({ ...noLimits(), belts: '4', frame: '254T' })).toMatchObject({
      belts: 4,
      motor: { frame: '254T' },
    })
  })
  it('sends series, limits and rating lines along with the duty', () => {
    const lines: RatingLine[] = [
      {
        line: 2,
        section: 'B',
        diameter: figure(127, '5', 'in'),
        speed: figure(1750, '1,750', 'rpm'),
        power: figure(3, '4', 'hp'),
      },
    ]
    const own = ownInput(lines)
    expect(own).toEqual([{ section: 'B', diameter: 127, speed: 1750, power: 3 }])
    const body = selectInput({ ...emptyDuty(), power: '15hp' }, { limits: limitsInput(noLimits()) })
    expect(body).toMatchObject({ power: '15hp', layout: { angle: 0, clockwise: true } })
    const beside = { options: { book: 'own-table' }, units: 'us' as const, ratings: lines }
    const typed = vBelt.picked!.empty()
    expect(vBelt.picked!.input(typed, beside)).toEqual({ series: 'inch', own_ratings: own })
    expect(vBelt.picked!.input({ ...typed, series: 'metric' }, { ...beside, options: {} })).toEqual({
      series: 'metric',
      own_ratings: undefined,
    })
  })
  it('names a family in one folder only', () => {
    const named = Object.entries(sources).filter(
      ([path, text]) =>
        !path.includes('/families/') &&
        !path.endsWith('schema.d.ts') &&
        /['"`/](v-belt|roller-chain|synchronous|flat(?! belt)|chain-drive|sync-|ip20-|own-table)/.test(text),
    )
    expect(named.map(([path]) => path)).toEqual([])
  })
})

describe('wrong lines of a list', () => {
  it('shows each with its reason and what would do, and nothing where all is well', () => {
    const table = mount(WrongLines, {
      props: { wrong: [{ line: 4, text: 'Q,1', reason: 'unknown belt section', allowed: 'A, B' }] },
    })
    expect(table.text()).toContain('unknown belt section')
    expect(table.text()).toContain('A, B')
    expect(
      mount(WrongLines, { props: { wrong: [] } })
        .find('table')
        .exists(),
    ).toBe(false)
  })
})
