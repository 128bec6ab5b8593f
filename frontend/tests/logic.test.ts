import { describe, expect, it } from 'vitest'

import type { Elevation } from '@/api/types'
import { bodyOf, fieldsOf, typedOf } from '@/forms/schema'
import { across } from '@/elevation/dimensions'
import { arcPath, fit } from '@/elevation/frame'
import { asUnderstood } from '@/features/drive/logic/normalise'
import { withLeaf } from '@/shared/format/nested'
import { faultAt, faultText, otherFaults } from '@/shared/format/faults'
import { plainName } from '@/shared/format/words'

const wheel = (x: number, y: number, r: number) => ({
  id: x === 0 && y === 0 ? 'a' : 'b',
  role: 'driver',
  x,
  y,
  outside_radius: r,
  path_radius: r,
  turn: 1,
  profile: 'B',
  count: 1,
})
const elevation = (x: number, y: number): Elevation => ({
  family: 'v-belt',
  wheels: [wheel(0, 0, 50), wheel(x, y, 120)],
  arcs: [],
  strands: [],
  thickness: 10,
  pitch: 0,
  dimensions: [{ id: 'a-b', x1: 0, y1: 0, x2: x, y2: y, length: Math.hypot(x, y) }],
  left: Math.min(-50, x - 120),
  bottom: Math.min(-50, y - 120),
  width: Math.max(50, x + 120) - Math.min(-50, x - 120),
  height: Math.max(50, y + 120) - Math.min(-50, y - 120),
})

describe('the elevation on a screen', () => {
  it.each([
    [600, 0],
    [500, 300],
    [0, 700],
    [-500, 100],
    [300, -600],
  ])('fits %d, %d with its dimension line inside the box', (x, y) => {
    const e = elevation(x, y)
    const f = fit(e, 800, 400, { left: 100, right: 100, top: 20, bottom: 20 }, 40)
    for (const w of e.wheels) {
      expect(f.x(w.x) - w.outside_radius * f.scale).toBeGreaterThanOrEqual(99)
      expect(f.y(w.y) + w.outside_radius * f.scale).toBeLessThanOrEqual(381)
    }
    const n = across(e.wheels[0]!, e.wheels[1]!)
    expect(Math.hypot(n.x, n.y)).toBeCloseTo(1)
    expect(n.x * x + n.y * y).toBeCloseTo(0) // at right angles to the line of centres
  })
  it('keeps one scale in both directions', () => {
    const f = fit(elevation(600, 0), 800, 400, { left: 0, right: 0, top: 0, bottom: 0 }, 0)
    expect(f.x(10) - f.x(0)).toBeCloseTo(f.y(0) - f.y(10))
  })
  it('draws the long way round when the belt wraps more than half', () => {
    const f = fit(elevation(600, 0), 800, 400, { left: 0, right: 0, top: 0, bottom: 0 }, 0)
    const arc = { wheel: 'a', x: 0, y: 0, r: 50, start_deg: 90, turn: 1 }
    expect(arcPath({ ...arc, sweep_deg: 200 }, f)).toMatch(/ 0 1 0 /)
    expect(arcPath({ ...arc, sweep_deg: 170, turn: -1 }, f)).toMatch(/ 0 0 1 /)
  })
})

describe('an input', () => {
  const input = { power: '15hp', driver: { speed: 1750, sheave: { diameter: '5.4 in', groove: 'B' } } }
  it('takes the numbers the server read', () => {
    const echo = {
      power: { value: 11.19, typed: '15hp' },
      driver: {
        speed: { value: 1750, typed: null },
        sheave: { diameter: { value: 137.16, typed: '5.4 in' }, groove: { value: 'B', typed: null } },
      },
    }
    expect(asUnderstood(input, echo)).toEqual({
      power: 11.19,
      driver: { speed: 1750, sheave: { diameter: 137.16, groove: 'B' } },
    })
  })
  it('is copied, not changed', () => {
    expect(withLeaf(input, 'driver.sheave.diameter', '6').driver.sheave.diameter).toBe('6')
    expect(input.driver.sheave.diameter).toBe('5.4 in')
  })
})

describe('a form made from a schema', () => {
  const schema = {
    $defs: {
      Wheel: {
        properties: { diameter: { 'x-kind': 'length', anyOf: [{ type: 'number' }] }, groove: { enum: ['A', 'B'] } },
        required: ['diameter'],
      },
    },
    properties: {
      power: { 'x-kind': 'power' },
      driver: { $ref: '#/$defs/Wheel', description: 'the driver' },
      count: { anyOf: [{ type: 'integer' }, { type: 'null' }] },
      layout: {},
    },
    required: ['power'],
  }
  const fields = fieldsOf(schema as never)
  it('knows fields and groups', () => {
    expect(fields.map((f) => [f.form, f.path, f.needed])).toEqual([
      ['quantity', 'power', true],
      ['group', 'driver', false],
      ['number', 'count', false],
    ])
  })
  it('leaves out what nobody touched and round-trips an example', () => {
    expect(bodyOf(fields, {})).toBeUndefined()
    const example = { power: '15hp', driver: { diameter: '5', groove: 'B' }, count: 3 }
    expect(bodyOf(fields, typedOf(example))).toEqual(example)
  })
})

describe('refusals and words', () => {
  const problem = {
    type: '',
    title: 'No',
    status: 422,
    detail: 'x',
    errors: [{ path: 'input.belt.count', reason: 'too many', allowed: '1 to 30' }],
  }
  it('stand beside their field', () => {
    expect(faultAt(problem, 'input.belt')?.reason).toBe('too many')
    expect(faultAt(problem, 'input.be')).toBeUndefined()
    expect(otherFaults(problem, ['input.belt'])).toEqual([])
    expect(otherFaults({ ...problem, errors: [] }, [])[0]?.reason).toBe('x')
    expect(faultText(problem.errors[0]!)).toBe('too many · allowed: 1 to 30')
  })
  it('read a name as plain words', () => {
    expect(plainName('driven_speed')).toBe('Driven speed')
  })
})
