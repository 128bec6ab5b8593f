import 'fake-indexeddb/auto'
import { mount, type VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

import type { Drive, DriveInput } from '@/api/types'
import ChooseView from '@/features/choose/views/ChooseView.vue'
import ChooseStage from '@/features/drive/components/ChooseStage.vue'
import DutyStage from '@/features/drive/components/DutyStage.vue'
import FoundStage from '@/features/drive/components/FoundStage.vue'
import { useWorkedDrive } from '@/features/drive/composables/workedDrive'
import CommandLine from '@/features/shell/components/CommandLine.vue'
import FigureTable from '@/shared/ui/FigureTable.vue'
import HowCome from '@/shared/ui/HowComeDrawer.vue'
import { useSettings } from '@/shared/state/settings'

import answer from './fixtures/answer.json'
import compare from './fixtures/compare.json'
import nothingFits from './fixtures/nothing_fits.json'
import refit from './fixtures/refit.json'
import refusal from './fixtures/refusal.json'
import { drive, worked, refused, down, common, shown, press, fill, asked, freshWindow, putAway } from './mounted'
import { serve, settle } from './served'

beforeEach(freshWindow)
afterEach(putAway)

describe('the worked drive', () => {
  const onBench = () => {
    const d = useWorkedDrive()
    d.calc.value = 'v-belt-drive'
    return d
  }
  const given = drive.builds[0]?.input as DriveInput
  it('lets the last change win when answers come out of order', async () => {
    const late: ((r: Response) => void)[] = []
    vi.stubGlobal('fetch', () => new Promise<Response>((done) => late.push(done)))
    const d = onBench()
    const one = d.work(given)
    const two = d.work({ ...given, power: '20hp' })
    const reply = (belts: string) =>
      new Response(JSON.stringify({ ...answer, result: { ...answer.result, designation: belts } }))
    late[1]?.(reply('second'))
    await two
    late[0]?.(reply('first'))
    expect(await one).toBe(false)
    expect((d.answer.value?.result as { designation: string }).designation).toBe('second')
  })
  it('keeps the good answer and its input on a refusal', async () => {
    let asks = 0
    serve({ ...common, 'POST /api/calc/v-belt-drive': () => (asks++ ? refused : answer) })
    const d = onBench()
    await d.work(given)
    const before = d.input.value
    expect(await d.change('power', '15 in')).toBe(false)
    expect(d.input.value).toBe(before)
    expect(d.answer.value).toBeTruthy()
    expect(d.problem.value?.errors[0]?.path).toContain('power')
  })
  it('says in a sentence that another belt came with typed centres', async () => {
    const s = serve({
      ...common,
      'POST /api/calc/v-belt-drive': (b: Record<string, unknown>) => ({
        ...answer,
        result: {
          ...answer.result,
          designation: ((b.input as DriveInput).belt as { designation: string }).designation,
        },
      }),
      'POST /api/calc/drive-refit': refit,
    })
    const d = onBench()
    await d.work(given)
    expect(await d.change('centre_distance', '38')).toBe(true)
    expect(d.said.value).toContain('B90 became B97')
    expect(d.said.value).toContain('37 23/32 in')
    expect(asked(s, 'POST', 'drive-refit')).toHaveLength(1)
    await d.work(given)
    expect(d.said.value).toBe('')
  })
  it('names the nearest belt where none stands at typed centres', async () => {
    serve({
      ...common,
      'POST /api/calc/v-belt-drive': answer,
      'POST /api/calc/drive-refit': () => ({ status: 422, json: nothingFits }),
    })
    const d = onBench()
    await d.work(given)
    expect(await d.change('centre_distance', '300 in')).toBe(false)
    expect(d.problem.value?.errors[0]).toMatchObject({
      path: 'input.centre_distance',
      allowed: expect.stringContaining('nearest: B'),
    })
  })
})

describe('the duty', () => {
  it('keeps what was typed through a refusal and puts the reason beside its field', async () => {
    const s = serve({
      ...common,
      [`PUT /api/drives/${drive.id}/duty`]: () => ({
        status: 422,
        json: { ...refusal, errors: [{ ...refusal.errors[0], path: 'power' }] },
      }),
    })
    const onSaved = vi.fn()
    const w = await shown(DutyStage, { drive, onSaved })
    await fill(w, 'Power', '15 in')
    await w.find('form').trigger('submit')
    await settle(40)
    const power = w.find('[aria-label="Power"]')
    expect(power.attributes('aria-invalid')).toBe('true')
    expect(w.find('.duty-words [role="alert"]').text()).toContain(`Power: ${refusal.errors[0]?.reason ?? '?'}`)
    expect((power.element as HTMLInputElement).value).toBe('15 in')
    expect(asked(s, 'PUT', 'duty')[0]?.body.power).toBe('15 in')
    expect(onSaved).not.toHaveBeenCalled()
  })
  it('tells of a save that is answered after the stage was left', async () => {
    let answer: (d: unknown) => void = () => undefined
    serve({ ...common, [`PUT /api/drives/${drive.id}/duty`]: () => new Promise((done) => (answer = done)) })
    const onSaved = vi.fn()
    const w = await shown(DutyStage, { drive, onSaved })
    await fill(w, 'Power', '30 hp')
    await w.find('form').trigger('submit')
    await settle(40)
    w.unmount()
    answer(drive)
    await settle(40)
    expect(onSaved).toHaveBeenCalledTimes(1)
  })
  it('shows both versions where somebody saved meanwhile', async () => {
    const stale = {
      type: 'tuyere:stale',
      title: 'Changed meanwhile',
      status: 409,
      detail: 'Changed by K. Hurd',
      errors: [],
      differences: [
        {
          path: 'power',
          label: 'Power',
          choices: [
            { word: 'yours', shown: '20hp', value: '20hp' },
            { word: 'theirs', shown: '18 hp', value: 13.42 },
          ],
        },
      ],
      current: { rev: 7 },
    }
    const s = serve({ ...common, [`PUT /api/drives/${drive.id}/duty`]: () => ({ status: 409, json: stale }) })
    const w = await shown(DutyStage, { drive, onSaved: () => undefined })
    await fill(w, 'Power', '20hp')
    await w.find('form').trigger('submit')
    await settle(40)
    expect(w.text()).toContain('18 hp')
    expect(w.text()).toContain('20hp')
    // Theirs is taken for the power and all of it saved again: on top of their revision.
    await w.findAll('input[type="radio"]')[1]?.setValue(true)
    await press(w, 'Save what is marked')
    await settle(40)
    expect(asked(s, 'PUT', 'duty').at(-1)?.body).toMatchObject({ power: 13.42, rev: 7 })
  })
  it('keeps bare numbers in the unit they were typed in when the units are switched', async () => {
    serve(common)
    const w = await shown(DutyStage, { drive, onSaved: () => undefined })
    await fill(w, 'Power', '20')
    useSettings().units = 'si'
    await settle()
    expect((w.find('[aria-label="Power"]').element as HTMLInputElement).value).toBe('20 hp')
  })
})

describe('what is found', () => {
  const empty = { ...drive, builds: [] } as Drive
  it('sends what was typed, one odd belt with it, and an unread count as it is', async () => {
    const s = serve({
      ...common,
      [`POST /api/drives/${drive.id}/builds`]: () => ({
        status: 422,
        json: {
          ...refusal,
          errors: [
            { path: 'input.belt.count', value: 'three', reason: 'a whole number is wanted', allowed: '1 to 30' },
          ],
        },
      }),
    })
    const w = await shown(FoundStage, { drive: empty, showing: '', onSaved: () => undefined })
    await fill(w, 'Belt, as it is marked', 'B90')
    await fill(w, 'How many are on it', 'three')
    await fill(w, 'One of them is odd', 'the second, longer')
    await w.find('form').trigger('submit')
    await settle(40)
    const body = asked(s, 'POST', 'builds')[0]?.body as { input: { belt: Record<string, unknown> } }
    expect(body.input.belt).toEqual({ designation: 'B90', count: 'three', odd: 'the second, longer' })
    const bad = w.findAll('.bad')
    expect(bad.map((b) => b.find('label').text())).toEqual(['How many are on it'])
    expect(bad[0]?.text()).toContain('a whole number is wanted')
  })
  it('carries over what is known and forgets it once it is kept', async () => {
    serve({ ...common, [`POST /api/drives/${drive.id}/builds`]: drive.builds[0] })
    const onSaved = vi.fn()
    const w = await shown(FoundStage, { drive, showing: '', onSaved })
    await press(w, 'Write down what is on it now')
    const value = (label: string) =>
      (
        w.find(
          `[id="${w
            .findAll('label')
            .find((l) => l.text().startsWith(label))
            ?.attributes('for')}"]`,
        ).element as HTMLInputElement
      ).value
    expect(value('Driver diameter')).toBe('5.4 in')
    await fill(w, 'Belt, as it is marked', 'BX90')
    await fill(w, 'How many are on it', '3')
    await w.find('form').trigger('submit')
    await settle(40)
    expect(onSaved).toHaveBeenCalledTimes(1)
    await press(w, 'Write down what is on it now')
    expect(value('Belt, as it is marked')).toBe('')
  })
  it('keeps what was typed on the device while the server is away', async () => {
    serve({ ...common, [`POST /api/drives/${drive.id}/builds`]: () => down })
    const onSaved = vi.fn()
    const w = await shown(FoundStage, { drive: empty, showing: '', onSaved })
    await fill(w, 'Belt, as it is marked', 'B90')
    await fill(w, 'How many are on it', '3')
    await w.find('form').trigger('submit')
    await settle(40)
    expect(onSaved).not.toHaveBeenCalled()
    expect(w.find('form input').element as HTMLInputElement).toBeTruthy()
    const belt = w.findAll('label').find((l) => l.text().startsWith('Belt, as'))
    expect((w.find(`[id="${belt?.attributes('for')}"]`).element as HTMLInputElement).value).toBe('B90')
  })
})

describe('choosing a drive', () => {
  const duty = async (w: VueWrapper) => {
    for (const [label, typed] of [
      ['Power', '15hp'],
      ['Driver speed', '1750'],
      ['Driven speed wanted', '1005'],
      ['Centre distance, about', '34'],
    ] as const)
      await fill(w, label, typed)
  }
  const found = async () => {
    serve(common)
    const w = await shown(ChooseView, {}, '/choose')
    await duty(w)
    await w.find('form').trigger('submit')
    await settle(40)
    return w
  }
  it('folds the question once it is answered, and opens it at the field that is to be replaced', async () => {
    const w = await found()
    expect(w.findAll('.best .one').length).toBe(compare.result.families.filter((f) => f.options.length).length)
    expect(w.find('.folded').text()).toContain(
      'A 15hp motor at 1750 rpm turns a machine at 1005 rpm, about 34 in apart, 10 hours a day',
    )
    expect((w.find('form').element as HTMLElement).style.display).toBe('none')
    await w.findAll('.replace')[0]?.trigger('click')
    await settle()
    expect((w.find('form').element as HTMLElement).style.display).not.toBe('none')
  })
  it('never leaves the old drives beside a changed question', async () => {
    const w = await found()
    await press(w, 'Change the question')
    await fill(w, 'Power', '20hp')
    await settle()
    expect(w.findAll('.family')).toHaveLength(0)
    expect(w.text()).toContain('The drives that were found')
  })
  it('puts a refusal beside its field and shows no drives', async () => {
    serve({ ...common, 'POST /api/calc/drive-compare': () => refused })
    const w = await shown(ChooseView, {}, '/choose')
    await duty(w)
    await w.find('form').trigger('submit')
    await settle(40)
    expect(w.find('[aria-label="Power"]').attributes('aria-invalid')).toBe('true')
    expect(w.findAll('.family, .best')).toHaveLength(0)
  })
  it('fills in what the command line read and asks at once', async () => {
    const s = serve(common)
    const w = await shown(
      ChooseView,
      {},
      '/choose?driver_speed=1750&driven_speed=640&power=15hp&centre=28in&machine=fan-over-10-hp',
    )
    await settle(40)
    const body = asked(s, 'POST', 'drive-compare')[0]?.body as { input: Record<string, unknown> }
    expect(body.input).toMatchObject({
      power: '15hp',
      driver_speed: '1750',
      driven_speed: '640',
      centre: { about: '28in' },
    })
    expect(w.find('.folded').exists()).toBe(true)
  })
})

describe('choosing on a drive', () => {
  it('takes the centres off the drawing where the duty does not say them', async () => {
    const s = serve(common)
    const open = {
      ...drive,
      duty: drive.duty && { ...drive.duty, entries: { ...drive.duty.entries, centre: '' } },
    } as Drive
    const w = await shown(ChooseStage, { drive: open, today: worked.sheet })
    await settle(40)
    const body = asked(s, 'POST', 'drive-compare')[0]?.body as { input: { centre: Record<string, unknown> } }
    expect(body.input.centre.about).toBe(worked.sheet?.beside.centre_distance.value)
    expect(w.text()).toContain('as it is drawn')
    expect(w.find('.faults').exists()).toBe(false)
  })
})

describe('small parts that answer', () => {
  it('the command line shows what was not understood in plain sight', async () => {
    serve({
      'GET /api/shorthand': {
        destinations: [{ label: 'Choose: 1750 to 640 rpm', hint: 'not understood: 30', to: '/choose', query: {} }],
      },
    })
    const w = await shown(CommandLine)
    await w.find('input').trigger('focus')
    await w.find('input').setValue('1750 > 640 30')
    await settle()
    expect(w.find('.unread').text()).toBe('not understood: 30')
  })
  it('a long list of figures begins with the three of the task', () => {
    const first = ['belts', 'deflection_force_new', 'centre_distance']
    const w = mount(FigureTable, { props: { result: answer.result as Record<string, unknown>, first } })
    expect(w.findAll('.main dt').map((d) => d.text())).toEqual(['Belts', 'Deflection force new', 'Centre distance'])
    expect(w.find('details').element.hasAttribute('open')).toBe(false)
    expect(
      mount(FigureTable, { props: { result: { a: answer.result.belts }, first: ['a'] } })
        .find('details')
        .exists(),
    ).toBe(false)
  })
  it('the command line says that nothing is there only after it looked, and not where it could not look', async () => {
    let say: (x: unknown) => void = () => undefined
    serve({ 'GET /api/shorthand': () => new Promise((done) => (say = done)) })
    const w = await shown(CommandLine)
    const box = w.get('input')
    await box.trigger('focus')
    await box.setValue('1750 > 640 15hp')
    expect(w.get('[role=listbox]').text()).toBe('Looking…')
    say({ destinations: [] })
    await settle()
    expect(w.get('[role=listbox]').text()).toContain('Nothing holds these words')
    await box.setValue('1750 > 640 15hp fan')
    expect(w.get('[role=listbox]').text()).toBe('Looking…')
    say(down)
    await settle()
    expect(w.get('[role=listbox]').text()).toContain('the server does not answer')
    expect(w.get('[aria-live]').text()).toContain('the server does not answer')
    expect((box.element as HTMLInputElement).value).toBe('1750 > 640 15hp fan')
  })
  it('how come begins with the figure that was asked, in the person’s unit, its own unit beside it', async () => {
    const steps = worked.working
    const force = steps.find((s) => s.unit === 'N' && s.shown.endsWith('lbf'))
    const w = await shown(HowCome, { steps, step: force?.id ?? null, title: 'Force' })
    expect(w.find('.asked b').text()).toBe(force?.shown)
    const first = w.get('li')
    expect(first.get('.name b').text()).toBe(force?.shown)
    expect(first.text()).toMatch(/in the formula's own unit \S+ N/)
    // Every figure of the chain stands with its value.
    expect(w.findAll('li').every((li) => /\d/.test(li.get('.name b').text()))).toBe(true)
    const table = steps.find((s) => s.table)
    const t = await shown(HowCome, { steps, step: table?.id ?? null, title: 'Table' })
    expect(t.text()).toContain('read off the table')
    expect(t.text()).not.toContain('table(')
  })
})
