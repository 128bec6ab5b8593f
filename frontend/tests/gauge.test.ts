import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'

import BeltEdges from '@/gauge/BeltEdges.vue'
import { inRows, numbered, staircase, type Axis, type Cliff } from '@/gauge/scale'
import SmallElevation from '@/gauge/SmallElevation.vue'

// The gauge on the Tension stage: its scale, where a hand goes, the belts of the set.
describe('the scale of the gauge', () => {
  const cliff = (key: string, side: 'below' | 'above', at: number | null): Cliff =>
    ({
      key,
      side,
      label: key,
      missing: '',
      why: '',
      at: at === null ? null : { tension: { value: at, number: String(at), shown: '' }, deflection_force: null },
    }) as unknown as Cliff
  const axis = { low: 80, high: 240, rulers: [] } as unknown as Axis
  it('stands higher the further a limit is from the band, on both sides; what is not known is not drawn', () => {
    const { steps, beyond } = staircase(
      [
        cliff('duty', 'below', 100),
        cliff('start', 'below', 140),
        cliff('shaft', 'above', 230),
        cliff('bearing', 'above', 200),
        cliff('key', 'above', null),
      ],
      axis,
    )
    const high = Object.fromEntries(steps.map((s) => [s.key, s.high]))
    expect(high.duty).toBeGreaterThan(high.start ?? 0)
    expect(high.shaft).toBeGreaterThan(high.bearing ?? 0)
    expect(steps.map((s) => s.key)).not.toContain('key')
    expect(beyond).toHaveLength(0)
  })
  it('says what lies beyond it in words', () => {
    expect(staircase([cliff('shaft', 'above', 900)], axis).beyond.map((c) => c.key)).toEqual(['shaft'])
  })
  it('never puts two numbers on each other', () => {
    const pointers = [100, 101, 102, 180, 181].map((at, k) => ({
      key: `${k}`,
      name: 'belt',
      number: '1',
      at,
      state: 'fine' as const,
    }))
    const placed = inRows(pointers, (n) => n * 4, 74)
    for (const a of placed)
      for (const b of placed)
        if (a !== b && a.row === b.row) expect(Math.abs(a.at - b.at) * 4).toBeGreaterThanOrEqual(74)
  })
  it.each([320, 640, 1180])('has as many numbers as have room on %i px, and those are round', (wide) => {
    for (const [low, step] of [
      [3.2, 0.2],
      [1.75, 0.05],
      [15, 0.5],
      [140, 20],
    ] as const) {
      const ticks = Array.from({ length: 12 }, (_, k) => ({
        at: k,
        number: (low + k * step).toFixed(step < 0.1 ? 2 : step < 1 ? 1 : 0),
      }))
      const x = (n: number) => (n / 11) * wide
      const kept = numbered(ticks, x, 12.5)
      // Every mark stays; numbers that stay do not touch, and go up in even steps that a person counts in.
      expect(kept.map((t) => t.at)).toEqual(ticks.map((t) => t.at))
      const said = kept.filter((t) => t.number)
      expect(said.length).toBeGreaterThan(0)
      const gaps = said.slice(1).map((t, k) => Number(t.number) - Number(said[k]?.number))
      for (const g of gaps) expect(g).toBeCloseTo(gaps[0] ?? 0, 6)
      for (const [k, t] of said.slice(1).entries()) {
        const before = said[k]
        if (before) expect(x(t.at) - x(before.at)).toBeGreaterThanOrEqual(t.number.length * 12.5)
      }
    }
  })
  it.each([1, -1])('has the words at the pressed strand whole, whichever side a hand comes from (%i)', (up) => {
    const wheel = (x: number) => ({
      id: `w${x}`,
      role: 'driver',
      x,
      y: 0,
      outside_radius: 60,
      pitch_radius: 60,
      turns: 1,
    })
    const strand = {
      id: 's',
      side: 'tight',
      x1: 0,
      y1: 60 * up,
      x2: 400,
      y2: 60 * up,
      length: 400,
      from: 'w0',
      to: 'w400',
    }
    const other = { ...strand, id: 'o', side: 'slack', y1: -60 * up, y2: -60 * up }
    const elevation = { wheels: [wheel(0), wheel(400)], strands: [strand, other], arcs: [], joints: [], call_outs: [], dimensions: [], left: -60, bottom: -60, width: 520, height: 120, words: '' } // prettier-ignore
    const w = mount(SmallElevation, { props: { elevation: elevation as never, strand: 's', word: 'press here' } })
    const box = (w.get('svg').attributes('viewBox') ?? '').split(' ').map(Number)
    const text = w.findAll('text').find((t) => t.text() === 'press here')
    const y = Number(text?.attributes('y'))
    expect(y - 12).toBeGreaterThanOrEqual(0)
    expect(y + 5).toBeLessThanOrEqual(box[3] ?? 0)
    // The words stand outside the loop, off its strand.
    const head = Number((w.get('polygon.tip').attributes('points') ?? '').split(' ')[0]?.split(',')[1])
    expect(Math.sign(head - y)).toBe(up)
  })
  it('has a key for every belt, and the loose one hangs', async () => {
    const belts = [
      { no: 1, shown: '12.9 lbf', state: 'fine' as const, loose: false, says: 'in the band' },
      { no: 2, shown: '', state: 'none' as const, loose: false, says: '' },
      { no: 3, shown: '7.9 lbf', state: 'act' as const, loose: true, says: 'slips' },
    ]
    const w = mount(BeltEdges, { props: { belts, wide: false } })
    const keys = w.findAll('button')
    expect(keys.map((k) => k.attributes('aria-label'))).toEqual([
      'Belt 1: 12.9 lbf, in the band',
      'Belt 2: not read, give its reading',
      'Belt 3: 7.9 lbf, slips',
    ])
    expect(keys.map((k) => k.findAll('path')[1]?.attributes('transform'))).toEqual(['', '', 'translate(0 9)'])
    await keys[1]?.trigger('click')
    expect(w.emitted('touch')).toEqual([[2]])
  })
})
