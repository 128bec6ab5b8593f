import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'

import TensionPicture from '@/features/jobs/components/TensionPicture.vue'
import PressedSpan from '@/gauge/PressedSpan.vue'
import { typedNumber } from '@/pad/typing'
import { gaugeFull, gaugeTurn } from '@/gauge/dial'
import { tapeMarks } from '@/gauge/tape'

// A style-sheet pixel is 1/96 in by definition.
const TRUE = 96 / 25.4

describe('a tape beside a drawing', () => {
  it('in true size has sixteen marks to the inch, the inch the longest', () => {
    const marks = tapeMarks(TRUE, 96, true)
    expect(marks.length).toBe(17)
    expect(marks.filter((m) => m.long === 1).map((m) => m.at)).toEqual([0, 96])
    // An inch tape: half longer than quarter, quarter than eighth, eighth than sixteenth.
    const long = [0, 8, 4, 2, 1].map((n) => marks[n]?.long ?? 0)
    expect([...long].sort((a, b) => b - a)).toEqual(long)
    expect(new Set(long).size).toBe(5)
  })
  it('in SI has a mark to the mm, five and ten longer', () => {
    const marks = tapeMarks(TRUE, 20 * TRUE, false)
    expect(marks.length).toBe(21)
    const at = (n: number) => marks[n]?.long ?? 0
    expect(at(10)).toBeGreaterThan(at(5))
    expect(at(5)).toBeGreaterThan(at(1))
    expect(at(20)).toBe(at(10))
  })
  it.each([0.2, 0.5, 1, 2.3, TRUE, 9])('at %d px to the mm reads true: marks never closer than can be told', (px) => {
    for (const us of [true, false]) {
      const marks = tapeMarks(px, 120, us)
      const gap = (marks[1]?.at ?? 0) - (marks[0]?.at ?? 0)
      if (gap >= 3.2) for (const m of marks) expect(m.at % gap).toSatisfy((r: number) => r < 1e-6 || gap - r < 1e-6)
      // Whole divisions of a tape: a sixteenth, or a mm, times a power of two or of ten's parts.
      const unit = gap / px / (us ? 25.4 / 16 : 1)
      if (marks.length > 1) expect(us ? [1, 2, 4, 8, 16] : [1, 5, 10]).toContain(Math.round(unit * 1e6) / 1e6)
    }
  })
  it('of nothing has no marks', () => {
    expect(tapeMarks(0, 50, true)).toEqual([])
  })
})

describe('a round gauge', () => {
  it('has its needle in the band where the reading is in it, and never past its stop', () => {
    const [low, high] = [12.9, 14.7]
    const full = gaugeFull(high, undefined)
    for (const v of [13, 14, 14.6]) {
      expect(gaugeTurn(v, full)).toBeGreaterThan(gaugeTurn(low, full))
      expect(gaugeTurn(v, full)).toBeLessThan(gaugeTurn(high, full))
    }
    expect(gaugeTurn(1000, full)).toBe(45)
    expect(gaugeTurn(-3, full)).toBe(-225)
    expect(gaugeFull(high, 100)).toBeGreaterThan(100)
  })
})

describe('a number on the pad', () => {
  it.each([
    ['3.4', 3.4],
    ['1 1/2', 1.5],
    ['3/8', 0.375],
    ['-3/8', -0.375],
    ['−2 1/4', -2.25],
    ['.5', 0.5],
    ['12.', 12],
  ])('%s is %d', (text, n) => expect(typedNumber(text)).toBeCloseTo(n, 12))
  it.each(['', ' ', '1 1/', '1/0', 'three', '1 2 3', '-'])('%s is none yet', (text) =>
    expect(typedNumber(text)).toBeUndefined(),
  )
})

const step = (more: object = {}) =>
  ({
    figures: [
      { name: 'deflection', label: '', shown: '7/16 in', drawn: [11.1125] },
      { name: 'span', label: '', shown: '28 9/16 in', drawn: [] },
      { name: 'tension_band', label: '', shown: '12.9 to 14.7 lbf', drawn: [12.9, 14.7] },
    ],
    asked: ['1', '2', '3'].map((t) => ({ target: t, value: t === '1' ? '13 lbf' : '' })),
    said: { result: { odd_belt: 3 } },
    ...more,
  }) as never

describe('the tension picture of a job', () => {
  it('points to the mark of the tape that it names', () => {
    const w = mount(TensionPicture, { props: { step: step(), at: '2', byNote: false, us: true } })
    const belt = w.get('path.belt').attributes('d') ?? ''
    const [top, deep] = [...belt.matchAll(/[\d.]+ ([\d.]+)/g)].map((m) => Number(m[1])) as [number, number]
    const marks = w.findAll('line.thin').filter((l) => l.attributes('x1') === '152')
    const at = marks.map((l) => Number(l.attributes('y1')))
    // Seven sixteenths down: the eighth mark, its zero counted.
    expect(at[0]).toBe(top)
    expect(at[7]).toBeCloseTo(deep, 6)
  })
  it('has no needle before a number stands on the pad, one after, and none by note', () => {
    const props = { step: step(), at: '2', byNote: false, us: true }
    expect(mount(TensionPicture, { props }).find('.needle').exists()).toBe(false)
    expect(
      mount(TensionPicture, { props: { ...props, now: 9 } })
        .find('.needle')
        .exists(),
    ).toBe(true)
    expect(
      mount(TensionPicture, { props: { ...props, byNote: true, now: 9 } })
        .find('.needle')
        .exists(),
    ).toBe(false)
  })
  it('hangs the odd belt lower, hatches what was read', () => {
    const w = mount(TensionPicture, { props: { step: step(), at: '2', byNote: false, us: true } })
    expect(w.get('g.odd text').text()).toBe('3')
    expect(w.findAll('path.hatched').length).toBe(1)
  })
  it('of a drive without a band stands without a gauge', () => {
    const w = mount(TensionPicture, { props: { step: step({ figures: [] }), at: '1', byNote: false, us: false } })
    expect(w.find('circle.dial').exists()).toBe(false)
  })
})

describe('the pressed span', () => {
  it.each([true, false])('has the pointer on its own tape, us %s', (us) => {
    const mm = us ? 11.1125 : 11
    const w = mount(PressedSpan, { props: { mm, deflection: '', span: '', us, says: '' } })
    const ys = w.findAll('path.mark').map((p) => Number((p.attributes('d') ?? '').split(' ')[1]?.split('h')[0]))
    const [zero] = ys
    const deep = Number((w.get('path.belt').attributes('d') ?? '').split(' ')[2]?.split('L')[0])
    expect(ys.some((y) => Math.abs(y - deep) < 0.01)).toBe(true)
    expect(deep - (zero ?? 0)).toBeCloseTo(mm * TRUE, 3)
  })
})
