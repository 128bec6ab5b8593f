import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { effectScope, nextTick, ref } from 'vue'

import type { Problem } from '@/api/types'
import { carryTyped, type Field } from '@/forms/schema'
import { carryDuty, emptyDuty } from '@/forms/duty'
import { inSystem } from '@/shared/format/designation'
import { settled } from '@/shared/format/settle'
import { isBare, withUnit } from '@/shared/format/units'
import { useKept } from '@/shared/state/kept'
import { useQuestion } from '@/shared/state/question'
import { useSettings } from '@/shared/state/settings'

beforeEach(() => {
  localStorage.clear()
  setActivePinia(createPinia())
})

describe('a bare number', () => {
  it.each(['6', '14 1/2', '7,5', '1,750', '3/8', '½', '0.25', '14-1/2'])('%s is one', (typed) =>
    expect(isBare(typed)).toBe(true),
  )
  it.each(['6 in', '15hp', "1'2", '6"', '368mm', '', 'abc', '35°'])('%s is none', (typed) =>
    expect(isBare(typed)).toBe(false),
  )
  it('keeps the unit it was typed in; what carries one stays as typed', () => {
    expect([
      withUnit('6', 'in'),
      withUnit(' 14 1/2 ', 'in'),
      withUnit('15hp', 'kW'),
      withUnit('', 'in'),
      withUnit('35', ''),
    ]).toEqual(['6 in', '14 1/2 in', '15hp', '', '35'])
  })
})

describe('switching the units in the middle of an entry', () => {
  it('gives every bare number of an open form its unit, there and back', () => {
    const scope = effectScope()
    scope.run(() => {
      const settings = useSettings()
      const { value } = useKept('duty.test', emptyDuty, carryDuty)
      value.value = { ...emptyDuty(), power: '7.5', centre: '30', driver_speed: '1750', centre_give: '20mm' }
      settings.units = 'si'
      expect(value.value).toMatchObject({ power: '7.5 hp', centre: '30 in', driver_speed: '1750', centre_give: '20mm' })
      settings.units = 'us'
      expect(value.value).toMatchObject({ power: '7.5 hp', centre: '30 in' })
    })
    scope.stop()
  })
  it('does the same for a form that was put away', async () => {
    const settings = useSettings()
    const scope = effectScope()
    scope.run(() => (useKept('away', emptyDuty, carryDuty).value.value = { ...emptyDuty(), power: '11' }))
    await nextTick()
    scope.stop()
    settings.units = 'si'
    await nextTick()
    expect(useKept('away', emptyDuty, carryDuty).value.value.power).toBe('11 hp')
  })
  it('does the same for a bench card, by its own fields', () => {
    const quantity = (path: string, us: string, si: string): Field => ({
      form: 'quantity',
      name: path,
      title: path,
      path,
      help: '',
      us,
      si,
      example: '',
      kind: 'length',
      needed: true,
    })
    const group: Field = {
      form: 'group',
      name: 'g',
      title: 'g',
      path: 'g',
      help: '',
      needed: false,
      fields: [quantity('g.force', 'lbf', 'N')],
    }
    expect(carryTyped([quantity('size', 'in', 'mm'), group], { size: '6', 'g.force': '12', other: '5' }, 'us')).toEqual(
      { size: '6 in', 'g.force': '12 lbf', other: '5' },
    )
  })
})

describe('an answer', () => {
  const ok = (data: string) => () => Promise.resolve({ ok: true as const, data })
  const no = () =>
    Promise.resolve({
      ok: false as const,
      offline: false,
      problem: { type: '', title: '', status: 422, detail: '', errors: [] },
    })
  it('is one only while the question stands as it was asked', async () => {
    const typed = ref('6')
    const q = useQuestion<string>(() => typed.value)
    await q.ask(ok('six'))
    expect([q.answer.value, q.former.value]).toEqual(['six', undefined])
    typed.value = '7'
    expect([q.answer.value, q.former.value]).toEqual([undefined, 'six'])
    typed.value = '6'
    expect(q.answer.value).toBe('six')
  })
  it('is gone after a refusal', async () => {
    const q = useQuestion<string>(() => 'x')
    await q.ask(ok('good'))
    await q.ask(no)
    expect([q.answer.value, q.former.value, q.problem.value?.status]).toEqual([undefined, undefined, 422])
  })
  it('of an older question never takes the place of a newer one', async () => {
    const typed = ref('slow')
    const q = useQuestion<string>(() => typed.value)
    let arrive: (got: { ok: true; data: string }) => void = () => undefined
    const slow = q.ask(() => new Promise((r) => (arrive = r)))
    typed.value = 'fast'
    await q.ask(ok('fast'))
    arrive({ ok: true, data: 'slow' })
    expect(await slow).toBe(false)
    expect(q.answer.value).toBe('fast')
  })
})

describe('two versions of one thing', () => {
  const choice = (word: string, value: unknown) => ({ word, shown: String(value), value })
  const problem: Problem = {
    type: 'tuyere:stale',
    title: '',
    status: 409,
    detail: '',
    errors: [],
    current: { rev: 7 },
    differences: [
      { path: 'power', label: 'power', choices: [choice('yours', '15hp'), choice('theirs', 7.5)] },
      { path: 'service_factor.hours_a_day', label: 'hours', choices: [choice('yours', null), choice('theirs', 16)] },
      {
        path: 'energy_sources',
        label: 'Isolation',
        choices: [choice('both', ['Q1', 'Q2']), choice('yours', ['Q1']), choice('theirs', ['Q2'])],
      },
    ],
  }
  const yours = { rev: 1, power: '15hp', energy_sources: ['Q1'], name: 'kept' }
  it('are mine where nothing is marked, except isolation, which keeps both', () => {
    expect(settled(yours, problem, [0, 0, 0])).toEqual({
      rev: 7,
      power: '15hp',
      energy_sources: ['Q1', 'Q2'],
      name: 'kept',
    })
  })
  it('are mixed as marked', () => {
    expect(settled(yours, problem, [1, 1, 1])).toEqual({
      rev: 7,
      power: 7.5,
      service_factor: { hours_a_day: 16 },
      energy_sources: ['Q1'],
      name: 'kept',
    })
  })
})

describe('what lists say is on a drive', () => {
  it('has its sizes in the person’s system, and leaves names of belts and chains as they are', () => {
    const leather = 'leather, 2-ply, 20/64 in, 7 in wide'
    expect(inSystem(leather, 'us')).toBe(leather)
    // 25.4 mm to the inch, exactly.
    expect(inSystem(leather, 'si')).toBe('leather, 2-ply, 7.9 mm, 177.8 mm wide')
    expect(inSystem('H, 125 teeth, 1 1/2 in wide', 'si')).toBe('H, 125 teeth, 38.1 mm wide')
    for (const name of ['4 × B90', '3/BX68 joined', 'No. 140, 80 pitches', '2 × 5VX1000', ''])
      expect(inSystem(name, 'si')).toBe(name)
  })
})
