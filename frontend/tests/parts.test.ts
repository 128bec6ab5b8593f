import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'

import type { Notice } from '@/api/types'
import CallOut from '@/elevation/CallOut.vue'
import StageStrip from '@/features/drive/components/StageStrip.vue'
import FaultList from '@/shared/ui/FaultList.vue'
import FigureTable from '@/shared/ui/FigureTable.vue'
import IsolationList from '@/shared/ui/IsolationList.vue'
import NoticeList from '@/shared/ui/NoticeList.vue'

const notice = (level: Notice['level'], code: string, text: string): Notice => ({
  level,
  code,
  text,
  path: '',
  action: '',
})
const figure = (value: number, shown: string, step: string | null, per: string | null = null) => ({
  value,
  unit: '',
  shown,
  number: '',
  unit_shown: '',
  step,
  per,
})

describe('a call-out', () => {
  const props = { label: 'sheave OD', number: '5.4', unit: 'in', editable: true }
  it('becomes a field with its number in it, and gives what was typed', async () => {
    const w = mount(CallOut, { props, attachTo: document.body })
    await w.find('button').trigger('click')
    const box = w.find('input')
    expect((box.element as HTMLInputElement).value).toBe('5.4')
    await box.setValue('5 3/4')
    await w.find('form').trigger('submit')
    expect(w.emitted('change')).toEqual([['5 3/4']])
    w.unmount()
  })
  it('keeps what was typed beside a refusal, and closes on a new figure', async () => {
    const w = mount(CallOut, { props })
    await w.find('button').trigger('click')
    await w.find('input').setValue('1')
    await w.setProps({ fault: { path: 'x', reason: 'too small', allowed: '5.4 in or more' } })
    expect(w.text()).toContain('too small · allowed: 5.4 in or more')
    expect((w.find('input').element as HTMLInputElement).value).toBe('1')
    await w.setProps({ fault: undefined, number: '6' })
    expect(w.find('input').exists()).toBe(false)
  })
  it('asks nothing of the core when nothing changed', async () => {
    const w = mount(CallOut, { props })
    await w.find('button').trigger('click')
    await w.find('form').trigger('submit')
    expect(w.emitted('change')).toBeUndefined()
    expect(w.emitted('cancel')).toHaveLength(1)
  })
  it('tells how come when it is an answer', async () => {
    const w = mount(CallOut, { props: { ...props, editable: false, step: 's9' } })
    await w.find('button').trigger('click')
    expect(w.emitted('how')).toEqual([['s9']])
  })
})

describe('remarks', () => {
  it('put assumptions on one line and keep dangers apart', () => {
    const w = mount(NoticeList, {
      props: {
        notices: [
          notice('caution', 'assumed', 'A is assumed.'),
          notice('caution', 'driver-assumed', 'B is assumed.'),
          notice('danger', 'short', 'Stop.'),
        ],
      },
    })
    const lines = w.findAll('li')
    expect(lines).toHaveLength(2)
    expect(lines[0]?.text()).toContain('Danger · Stop.') // what can hurt comes first
    expect(lines[1]?.text()).toContain('A is assumed. B is assumed.')
    expect(
      mount(NoticeList, { props: { notices: [] } })
        .find('ul')
        .exists(),
    ).toBe(false)
  })
  it('name the field a fault belongs to', () => {
    const w = mount(FaultList, {
      props: { faults: [{ called: 'Driver, sheave', path: 'input.driver.sheave', reason: 'no', allowed: 'yes' }] },
    })
    expect(w.text()).toContain('Driver, sheave: no · allowed: yes')
  })
})

describe('a table of figures', () => {
  const result = {
    power: figure(1, '15 hp', 's1', 'belt'),
    band: { low: figure(1, '4 lbf', 's2'), high: figure(2, '5 lbf', 's3'), per: 'belt', shown: '4 – 5 lbf' },
    crossed: true,
    none: null,
    list: [1],
  }
  it('shows figures, bands and words, and says per belt', () => {
    const w = mount(FigureTable, { props: { result } })
    expect(w.findAll('tr')).toHaveLength(3)
    expect(w.text()).toContain('15 hp per belt')
    expect(w.text()).toContain('4 – 5 lbf per belt')
    expect(w.text()).toContain('yes')
  })
  it('asks how come with the step and the name', async () => {
    const w = mount(FigureTable, { props: { result } })
    await w.findAll('button')[1]?.trigger('click')
    expect(w.emitted('how')).toEqual([['s2', 'Band']])
  })
})

describe('state is told by shape and word', () => {
  const stages = [
    { key: 'a', word: 'Found', line: '', state: 'fine' as const },
    { key: 'b', word: 'Duty', line: '', state: 'watch' as const },
    { key: 'c', word: 'Choose', line: '', state: 'act' as const },
    { key: 'd', word: 'Tension', line: '', state: 'none' as const },
  ]
  it('disc, half disc, square, ring, each with its word for those who cannot see it', () => {
    const w = mount(StageStrip, { props: { stages, modelValue: 'a' } })
    expect(w.findAll('svg').map((s) => s.attributes('aria-label'))).toEqual(['fine', 'watch', 'act now', 'not yet'])
    expect(w.findAll('rect')).toHaveLength(1)
    expect(w.findAll('path')).toHaveLength(1)
    expect(w.find('[aria-selected=true]').text()).toContain('Found')
  })
  it('moves by touch', async () => {
    const w = mount(StageStrip, { props: { stages, modelValue: 'a' } })
    await w.findAll('button')[2]?.trigger('click')
    expect(w.emitted('update:modelValue')).toEqual([['c']])
  })
})

it('isolation says what to do even when nothing is written down', () => {
  const empty = mount(IsolationList, { props: { sources: [] } })
  expect(empty.text()).toContain('isolate every one')
  const one = mount(IsolationList, {
    props: { sources: [{ id: '1', type: 'spring', isolation_point: 'arm', steps: 'pin it' }] },
  })
  expect(one.text()).toContain('spring · arm · pin it')
  for (const w of [empty, one]) expect(w.text()).toContain('Local rules and licensed trades come first')
})
