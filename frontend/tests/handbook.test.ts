import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'

import HowSure from '@/features/handbook/components/HowSure.vue'
import TableSketch from '@/features/handbook/components/TableSketch.vue'
import { sketchOf, sureness } from '@/features/handbook/logic/sketch'

const column = (name: string, unit = '1') => ({ name, unit, meaning: name })
const table = (columns: ReturnType<typeof column>[], rows: unknown[][]) => ({ columns, rows }) as never

describe('a table at a glance', () => {
  // ASME B29.1, pitches of 40 to 80 in inches over their numbers.
  const pitches = table(
    [column('number'), column('pitch', 'mm'), column('roller', 'mm')],
    [
      [40, 12.7, 7.92],
      [50, 15.875, 10.16],
      [60, 19.05, 11.91],
      [80, 25.4, 15.88],
    ],
  )
  it('is curves over its first column where that rises, columns of one unit on one scale', () => {
    const s = sketchOf(pitches)
    if (s?.kind !== 'curves') throw new Error('curves were expected')
    expect(s.lines.length).toBe(2)
    const [pitch, roller] = s.lines as [[number, number][], [number, number][]]
    // Proportional to the number: on a scale that has zero, a pitch of 25.4 is twice as high as one of 12.7.
    expect(pitch.at(-1)?.[1]).toBeCloseTo(2 * (pitch[0]?.[1] ?? 0), 1)
    pitch.forEach(([x, y], k) => {
      expect(x).toBeGreaterThanOrEqual(0)
      expect(y).toBeLessThanOrEqual(1)
      expect(y).toBeGreaterThan(roller[k]?.[1] ?? 1)
    })
  })
  it('is bars where its numbers have no order, as long as they are to one another', () => {
    const s = sketchOf(
      table(
        [column('kind'), column('factor')],
        [
          ['a', 1],
          ['b', 2],
          ['c', 0.5],
          ['d', 1.5],
        ],
      ),
    )
    if (s?.kind !== 'bars') throw new Error('bars were expected')
    expect(s.bars).toEqual([0.5, 1, 0.25, 0.75])
  })
  it.each([
    ['words only', [['a'], ['b'], ['c'], ['d']]],
    ['too few rows', [[1], [2]]],
    ['numbers that are all alike', [[0], [0], [0], [0]]],
    ['a hole in its numbers', [[1], [null], [3], [4]]],
  ])('of %s is not drawn', (_, rows) => {
    expect(sketchOf(table([column('x')], rows))).toBeNull()
    expect(
      mount(TableSketch, { props: { table: table([column('x')], rows) } })
        .find('svg')
        .exists(),
    ).toBe(false)
  })
})

describe('how sure a subject is', () => {
  it('counts everything once and says the surest first', () => {
    const of = ['low', 'high', 'medium', 'high'].map((confidence) => ({ confidence }))
    const parts = sureness(of)
    expect(parts.map((p) => p.word)).toEqual(['high', 'medium', 'low'])
    expect(parts.reduce((n, p) => n + p.count, 0)).toBe(of.length)
    expect(parts.reduce((n, p) => n + p.part, 0)).toBeCloseTo(1)
    expect(mount(HowSure, { props: { of } }).text()).toMatch(/2 high.*1 medium.*1 low/)
  })
})
