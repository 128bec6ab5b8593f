import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { defineComponent, h } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

import type { Choice } from '@/api/types'
import { complete, linesOf } from '@/features/bench/logic/sentence'
import { bodyOf, fieldsOf, type Schema } from '@/forms/schema'
import SchemaFields from '@/forms/SchemaFields.vue'
import SentenceForm from '@/forms/SentenceForm.vue'
import ChoiceField from '@/shared/ui/ChoiceField.vue'
import FaultList from '@/shared/ui/FaultList.vue'
import { later } from '@/shared/ui/later'

import { stubs } from './mounted'

// Fields as people meet them: their own titles, the device's own lists, refusals by what the field is called.
beforeEach(() => {
  localStorage.clear()
  setActivePinia(createPinia())
  vi.stubGlobal('fetch', () => Promise.reject(new Error('nobody answers')))
})
afterEach(() => {
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

describe('a list to pick from', () => {
  const choices: Choice[] = [
    { key: 'fan', name: 'Fan', group: 'Air' },
    { key: 'pump', name: 'Pump', group: 'Water' },
    { key: 'blower', name: 'Blower', group: 'Air' },
  ] as Choice[]
  const made = (more: object = {}) => mount(ChoiceField, { props: { label: 'Machine', choices, ...more } })
  it('is the device’s own, its lines under their groups, its label its name', () => {
    const w = made()
    const select = w.find('select')
    expect(w.find('label').attributes('for')).toBe(select.attributes('id'))
    expect(w.findAll('optgroup').map((g) => g.attributes('label'))).toEqual(['Air', 'Water'])
    expect(
      w
        .findAll('optgroup')[0]
        ?.findAll('option')
        .map((o) => o.text()),
    ).toEqual(['Fan', 'Blower'])
  })
  it('says what was picked, and takes it back only where that is allowed', async () => {
    const w = made({ clearable: true, modelValue: 'pump' })
    await w.find('select').setValue('fan')
    await w.find('select').setValue('')
    expect(w.emitted('update:modelValue')).toEqual([['fan'], [undefined]])
    const kept = made({ modelValue: 'pump' })
    expect(kept.find('option[value=""]').attributes('disabled')).toBeDefined()
  })
  it('says a refusal under itself, and is marked for who hears it', () => {
    const w = made({ fault: { path: 'machine', reason: 'not known', allowed: 'one of the list' } })
    expect(w.find('.field-fault').text()).toBe('not known · allowed: one of the list')
    expect(w.find('select').attributes('aria-invalid')).toBe('true')
  })
})

describe('a form from a schema', () => {
  const schema: Schema = {
    required: ['pushed'],
    properties: {
      pushed: { title: 'Pushed in by', description: 'and pushed in so far', 'x-kind': 'length', 'x-unit-us': 'in' },
      slow: { title: 'Runs slowly', type: 'boolean' },
      signs: { title: 'What shows', type: 'array', items: { enum: ['edge-frayed', 'cord-shows'] } },
      end: { anyOf: [{ $ref: '#/$defs/End' }, { type: 'null' }], title: 'The far end' },
    },
    ...{ $defs: { End: { title: 'EndIn', properties: { gap: { title: 'Gap of light', 'x-kind': 'gap' } } } } },
  }
  it('a part that may be left out stands open where something in it was typed or refused', async () => {
    const fields = fieldsOf(schema as never)
    const made = (more: object) =>
      mount(SchemaFields, { props: { fields, problem: null, modelValue: {}, ...more }, global: { stubs } })
    const typed = made({ modelValue: { 'end.gap': '1/16' } })
    await vi.waitFor(() => expect(typed.text()).toContain('Gap of light'))
    const refused = made({})
    await vi.waitFor(() => expect(refused.find('details').exists()).toBe(true))
    expect(refused.text()).not.toContain('Gap of light')
    const errors = [{ path: 'input.end.gap', reason: 'this is needed', allowed: '' }]
    await refused.setProps({ problem: { type: '', title: '', status: 422, detail: '', errors } })
    expect(refused.text()).toContain('Gap of light')
    expect(refused.get('details').attributes('open')).toBeDefined()
    // What is needed stands before what may be left out, in the order it is asked.
    const all = typed.text()
    expect(all.indexOf('Pushed in by')).toBeLessThan(all.indexOf('What shows'))
    expect(all.indexOf('What shows')).toBeLessThan(all.indexOf('The far end'))
  })
  it('labels every field by its title, a group by its own and not by its model’s', async () => {
    const fields = fieldsOf(schema as never)
    expect(fields.map((f) => f.title)).toEqual(['Pushed in by', 'Runs slowly', 'What shows', 'The far end'])
    const w = mount(SchemaFields, { props: { fields, problem: null, modelValue: {} }, global: { stubs } })
    // A long form stands a slice at a time; what may be left out as a whole is folded to its title until it is opened.
    await vi.waitFor(() => expect(w.text()).toContain('The far end'))
    expect(w.text()).not.toContain('Gap of light')
    const fold = w.get('details')
    ;(fold.element as HTMLDetailsElement).open = true
    await fold.trigger('toggle')
    const text = w.text()
    for (const title of ['Pushed in by', 'What shows', 'The far end', 'Gap of light']) expect(text).toContain(title)
    expect(text).not.toMatch(/EndIn|pushed_in|Signs/)
  })
  it('asks several of a list as keys in a sentence, each pressed on its own and sent as the list', async () => {
    const fields = fieldsOf(schema as never)
    const lines = linesOf('On the belt: {signs}', fields, { signs: { 'edge-frayed': 'its edge is frayed' } }, () => [])
    const w = mount(SentenceForm, {
      props: { sentence: lines, fields, needed: [], problem: null, modelValue: {} },
      global: { stubs },
    })
    const keys = w.findAll('.many button')
    expect(keys.map((k) => k.text())).toEqual(['its edge is frayed', 'cord shows'])
    await keys[0]?.trigger('click')
    const typed = w.emitted('update:modelValue')?.[0]?.[0] as Record<string, boolean>
    expect(bodyOf(fields, typed)).toEqual({ signs: ['edge-frayed'] })
    await w.setProps({ modelValue: typed })
    expect(w.findAll('.many button').map((k) => k.attributes('aria-pressed'))).toEqual(['true', 'false'])
    await w.findAll('.many button')[0]?.trigger('click')
    expect(bodyOf(fields, w.emitted('update:modelValue')?.[1]?.[0] as typeof typed)).toBeUndefined()
  })
})

describe('a question that may leave a part out', () => {
  const schema = {
    required: ['speed'],
    properties: { speed: { title: 'Speed', 'x-kind': 'speed' }, driver: { $ref: '#/$defs/Groove', title: 'Driver' } },
    $defs: {
      Groove: {
        required: ['gap', 'angle'],
        properties: { gap: { 'x-kind': 'gap' }, angle: { 'x-kind': 'angle' }, less: { 'x-kind': 'gap' } },
      },
    },
  }
  it.each([
    [{ speed: '1750' }, true],
    [{}, false],
    [{ speed: '1750', 'driver.gap': '0.02' }, false],
    [{ speed: '1750', 'driver.less': '0.01' }, false],
    [{ speed: '1750', 'driver.gap': '0.02', 'driver.angle': '34' }, true],
    [{ speed: '1750', 'driver.gap': '' }, true],
  ])('%o asks %s', (typed, asks) => {
    expect(complete(fieldsOf(schema as never), typed)).toBe(asks)
  })
})

describe('refusals in a list', () => {
  it('go by what their field is called, and stand bare where they are about the whole', () => {
    const faults = [
      { path: 'input.wheels.0.pushed', called: 'Wheels 1, pushed in by', reason: 'too far', allowed: '' },
      { path: '', called: '', reason: 'nothing fits', allowed: '' },
    ]
    const w = mount(FaultList, { props: { faults } })
    expect(w.findAll('li').map((l) => l.text())).toEqual(['Wheels 1, pushed in by: too far', 'nothing fits'])
  })
})

describe('a part of a page that comes later', () => {
  const Part = defineComponent(() => () => h('p', 'the form'))
  it('is fetched once, by itself a while after the page stands', async () => {
    vi.useFakeTimers()
    const read = vi.fn(() => Promise.resolve({ default: Part }))
    const Late = later(read)
    expect(read).not.toHaveBeenCalled()
    await vi.advanceTimersByTimeAsync(10_000)
    expect(read).toHaveBeenCalledTimes(1)
    vi.useRealTimers()
    const w = mount(defineComponent(() => () => h('div', [h(Late)])))
    await new Promise((r) => setTimeout(r, 10))
    expect(w.text()).toBe('the form')
    expect(read).toHaveBeenCalledTimes(1)
  })
  it('is asked for again where the network was away the first time', async () => {
    vi.useFakeTimers()
    const read = vi
      .fn<() => Promise<{ default: typeof Part }>>()
      .mockRejectedValueOnce(new Error('away'))
      .mockResolvedValue({ default: Part })
    const Late = later(read)
    await vi.advanceTimersByTimeAsync(10_000)
    vi.useRealTimers()
    const w = mount(defineComponent(() => () => h('div', [h(Late)])))
    await new Promise((r) => setTimeout(r, 10))
    expect(w.text()).toBe('the form')
    expect(read).toHaveBeenCalledTimes(2)
  })
})
