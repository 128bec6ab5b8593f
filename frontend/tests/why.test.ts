import { describe, expect, it } from 'vitest'

import { drawn, FAULTS } from '@/faults/drawn'
import { answered, tapped, together, withoutLast, type Answers } from '@/features/why/logic/answers'

describe('answers to what is seen', () => {
  it('go round from seen to not so to not looked, and a person goes over the record', () => {
    expect(tapped(undefined)).toBe('yes')
    expect(tapped('yes')).toBe('no')
    expect(tapped('no')).toBe('not looked')
    expect(tapped('not looked')).toBe('yes')
    const record = [{ sign: 'died-young', answer: 'yes' }]
    expect(together(record, {})).toEqual({ 'died-young': 'yes' })
    expect(together(record, { 'died-young': 'no' })).toEqual({ 'died-young': 'no' })
  })
  it('are taken back from the last one, also when one was said anew', () => {
    let own: Answers = {}
    for (const s of ['a', 'b', 'c']) own = answered(own, s, 'yes')
    own = answered(own, 'a', 'no')
    expect(Object.keys(withoutLast(own))).toEqual(['b', 'c'])
    expect(withoutLast({})).toEqual({})
  })
})

describe('drawings of faults', () => {
  const keys = Object.keys(FAULTS)
  it('are of forty-five faults, and an unknown key has none', () => {
    expect(keys.length).toBe(45)
    expect(drawn('crack-across')).toBe(true)
    expect(drawn('spots')).toBe(false)
  })
  it.each(keys)('%s shows the fault, and beside it something else: the good one', (key) => {
    const bad = JSON.stringify(FAULTS[key]?.(1))
    const good = JSON.stringify(FAULTS[key]?.(0))
    const half = JSON.stringify(FAULTS[key]?.(0.5))
    expect(bad).not.toBe(good)
    expect(bad).not.toContain('NaN')
    expect(half.length).toBeGreaterThan(20)
    // The same every time: a drawing does not flicker.
    expect(JSON.stringify(FAULTS[key]?.(1))).toBe(bad)
  })
})
