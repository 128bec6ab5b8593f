import 'fake-indexeddb/auto'
import { mount, type VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createPinia, setActivePinia } from 'pinia'

import type { Drive, DriveAnswer, DriveInput } from '@/api/types'
import ChooseView from '@/features/choose/views/ChooseView.vue'
import ChooseStage from '@/features/drive/components/ChooseStage.vue'
import DutyStage from '@/features/drive/components/DutyStage.vue'
import FoundStage from '@/features/drive/components/FoundStage.vue'
import { useWorkedDrive } from '@/features/drive/composables/workedDrive'
import DriveView from '@/features/drive/views/DriveView.vue'
import CommandLine from '@/features/shell/components/CommandLine.vue'
import FigureTable from '@/shared/ui/FigureTable.vue'
import HowCome from '@/shared/ui/HowCome.vue'
import { useSettings } from '@/shared/state/settings'

import answer from './fixtures/answer.json'
import calculations from './fixtures/calculations.json'
import choices from './fixtures/choices.json'
import compare from './fixtures/compare.json'
import driveJson from './fixtures/drive.json'
import families from './fixtures/families.json'
import nothingFits from './fixtures/nothing_fits.json'
import refit from './fixtures/refit.json'
import refusal from './fixtures/refusal.json'
import { freshDevice, routed, serve, settle, type Served } from './served'

const drive = driveJson as unknown as Drive
const worked = answer as unknown as DriveAnswer
const refused = { status: 422, json: refusal }
const down = {
  status: 503,
  json: {
    type: 'tuyere:database',
    title: 'The database does not answer',
    status: 503,
    detail: 'Nothing was stored. Try again in a moment.',
    errors: [],
  },
}
const common = {
  'GET /api/families': families,
  'GET /api/choices': choices,
  'GET /api/calc': calculations,
  'GET /api/machines': { machines: [], total: 0, areas: [] },
  'POST /api/calc/v-belt-drive': answer,
  'POST /api/calc/drive-compare': compare,
  // A plain change: the input as it was, whatever was typed; what follows from it is the server's.
  'POST /api/calc/drive-refit': (b: Record<string, unknown>) => ({
    ...refit,
    result: { input: (b.input as { input: DriveInput }).input, says: '', centre_distance: null },
  }),
  [`GET /api/drives/${drive.id}`]: driveJson,
}
const stubs = {
  'el-button': {
    props: ['nativeType', 'disabled', 'loading', 'type', 'text'],
    template: '<button :type="nativeType || \'button\'" :disabled="disabled"><slot /></button>',
  },
  'el-input': {
    props: ['modelValue'],
    emits: ['update:modelValue'],
    inheritAttrs: false,
    template:
      '<input v-bind="$attrs" :value="modelValue" @input="$emit(\'update:modelValue\', $event.target.value)" />',
  },
  'el-checkbox': {
    props: ['modelValue', 'label'],
    emits: ['update:modelValue', 'change'],
    template:
      '<label><input type="checkbox" :checked="modelValue" @change="$emit(\'update:modelValue\', $event.target.checked); $emit(\'change\', $event.target.checked)" />{{ label }}<slot /></label>',
  },
  'el-drawer': {
    props: ['modelValue', 'title'],
    template: '<aside v-if="modelValue"><h2>{{ title }}</h2><slot /></aside>',
  },
  'el-dialog': { props: ['modelValue'], template: '<aside v-if="modelValue"><slot /></aside>' },
}
let open: VueWrapper | undefined
async function shown(component: unknown, props: Record<string, unknown> = {}, at = '/'): Promise<VueWrapper> {
  const router = await routed(at)
  open = mount(component as never, {
    props: props as never,
    global: { plugins: [router], stubs },
    attachTo: document.body,
  }) as VueWrapper
  await settle()
  return open
}
const press = async (w: VueWrapper, words: string) => {
  const button = w.findAll('button').find((b) => b.text().includes(words))
  if (!button) throw new Error(`no button says ${words}`)
  await button.trigger(button.attributes('type') === 'submit' ? 'submit' : 'click')
  await settle()
}
const fill = async (w: VueWrapper, label: string, typed: string) => {
  const at = w.findAll('label').find((l) => l.text().startsWith(label))
  // A blank of a sentence has its name on itself.
  const box = at ? w.find(`[id="${at.attributes('for')}"]`) : w.find(`[aria-label="${label}"]`)
  await box.setValue(typed)
}
const asked = (s: Served, method: string, path: string) =>
  s.asked.filter((a) => a.method === method && a.path.includes(path))

beforeEach(() => {
  freshDevice()
  vi.stubGlobal('ResizeObserver', class { observe() {} disconnect() {} }) // prettier-ignore
  Element.prototype.scrollIntoView = () => undefined
})
afterEach(() => {
  open?.unmount()
  open = undefined
  vi.unstubAllGlobals()
})

describe('the page of a drive', () => {
  it('shows what stands on the machine, worked anew, with its speed as a band', async () => {
    serve(common)
    const w = await shown(DriveView, { id: drive.id })
    expect(w.text()).toContain('4 × B90')
    const first = worked.sheet?.answers.find((a) => a.stage === 'tension')
    expect(w.find('.number').text()).toContain(`${first?.main} ${first?.unit}`)
    expect(w.find('.number').text()).toContain(first?.how)
    await press(w, 'Duty')
    const band = worked.sheet?.driven_band
    expect(w.text()).toContain(`${band?.low.number} – ${band?.high.number}`)
    expect(w.text()).toContain(worked.sheet?.wanted?.says)
  })
  it('keeps the figures that hold beside a refused change, and says the refusal whole', async () => {
    let asks = 0
    serve({ ...common, 'POST /api/calc/v-belt-drive': () => (asks++ ? refused : answer) })
    const w = await shown(DriveView, { id: drive.id })
    await w
      .findAll('button.touch')
      .find((b) => b.attributes('aria-label')?.startsWith('driver '))
      ?.trigger('click')
    await w.find('.callout form input').setValue('15 in')
    await w.find('.callout form').trigger('submit')
    await settle()
    const told = w.find('[role="alert"]').text()
    expect(told).toContain(refusal.errors[0]?.reason ?? '?')
    expect(told).toContain(refusal.errors[0]?.allowed ?? '?')
    expect(w.text()).toContain('4 × B90')
    expect((w.find('.callout form input').element as HTMLInputElement).value).toBe('15 in')
  })
  it('says so when the drive cannot be read, and shows no empty page', async () => {
    serve({ ...common, [`GET /api/drives/${drive.id}`]: () => down })
    const w = await shown(DriveView, { id: drive.id })
    expect(w.find('h1').text()).toBe('The drive could not be read')
    expect(w.text()).toContain('Try again')
  })
  it('has a way on where there is no such drive, and no address or number of it', async () => {
    const gone = { status: 404, json: { ...down.json, status: 404, detail: 'there is no drive 00000000-0000-4000' } }
    serve({ ...common, [`GET /api/drives/${drive.id}`]: () => gone })
    const w = await shown(DriveView, { id: drive.id })
    expect(w.find('h1').text()).toBe('This drive is not kept here')
    expect(w.text()).not.toMatch(/api|0000|[0-9a-f]{8}-/)
    expect(w.html()).toContain('To the machines')
  })
  it('cries no wolf while it is read: no red, nothing to be done, only its own shape', async () => {
    serve({ ...common, 'POST /api/calc/v-belt-drive': () => new Promise(() => undefined) })
    const w = await shown(DriveView, { id: drive.id })
    expect(w.find('h1').text()).toBe(drive.name)
    expect(w.text()).not.toMatch(/nothing drawn|see what is wrong|choose one first/i)
    expect(w.html()).not.toContain('var(--hot)"')
    expect(w.find('[aria-label="Reading the drive"]').exists()).toBe(true)
  })
  it('shows what was read last where nobody answers, and when that was', async () => {
    serve(common)
    const before = await shown(DriveView, { id: drive.id })
    before.unmount()
    const offline = () => {
      throw new TypeError('offline')
    }
    serve({ [`GET /api/drives/${drive.id}`]: offline, 'GET /api/families': families })
    const w = await shown(DriveView, { id: drive.id })
    expect(w.text()).toContain('No connection. Tuyere shows what this device last read')
    const first = worked.sheet?.answers.find((a) => a.stage === 'tension')
    expect(w.find('.number').text()).toContain(first?.main)
  })
  it('offers the two ways on where nothing is known of a drive', async () => {
    serve({ ...common, [`GET /api/drives/${drive.id}`]: { ...driveJson, duty: null, builds: [] } })
    const w = await shown(DriveView, { id: drive.id })
    expect(w.text()).toContain('Nothing drawn yet')
    await press(w, 'Write down what is there')
    expect(w.text()).toContain('What is on the machine')
  })
  it('keeps an unsaved change through a closed tab and puts it back on demand', async () => {
    serve(common)
    const first = await shown(DriveView, { id: drive.id })
    await first
      .findAll('button.touch')
      .find((b) => b.attributes('aria-label')?.startsWith('driver '))
      ?.trigger('click')
    await first.find('.callout form input').setValue('1450')
    await first.find('.callout form').trigger('submit')
    await settle()
    expect(first.text()).toContain('Changed here, not saved')
    first.unmount()
    setActivePinia(createPinia())
    const again = await shown(DriveView, { id: drive.id })
    expect(again.text()).toContain('Changed here, not saved')
    await press(again, 'Put back')
    expect(again.text()).not.toContain('Changed here, not saved')
  })
})

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
    const w = await shown(DutyStage, { drive })
    await fill(w, 'Power', '15 in')
    await w.find('form').trigger('submit')
    await settle(40)
    const power = w.find('[aria-label="Power"]')
    expect(power.attributes('aria-invalid')).toBe('true')
    expect(w.find('.duty-words [role="alert"]').text()).toContain(`Power: ${refusal.errors[0]?.reason ?? '?'}`)
    expect((power.element as HTMLInputElement).value).toBe('15 in')
    expect(asked(s, 'PUT', 'duty')[0]?.body.power).toBe('15 in')
    expect(w.emitted('saved')).toBeUndefined()
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
    const w = await shown(DutyStage, { drive })
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
    const w = await shown(DutyStage, { drive })
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
    const w = await shown(FoundStage, { drive: empty, showing: '' })
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
    const w = await shown(FoundStage, { drive, showing: '' })
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
    expect(w.emitted('saved')).toHaveLength(1)
    await press(w, 'Write down what is on it now')
    expect(value('Belt, as it is marked')).toBe('')
  })
  it('keeps what was typed on the device while the server is away', async () => {
    serve({ ...common, [`POST /api/drives/${drive.id}/builds`]: () => down })
    const w = await shown(FoundStage, { drive: empty, showing: '' })
    await fill(w, 'Belt, as it is marked', 'B90')
    await fill(w, 'How many are on it', '3')
    await w.find('form').trigger('submit')
    await settle(40)
    expect(w.emitted('saved')).toBeUndefined()
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
    expect(w.find('.folded').text()).toContain('15hp, 1750 to 1005 rpm, 34 apart')
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
  it('how come begins with the figure that was asked, in the person’s unit, its own unit beside it', async () => {
    const steps = worked.working
    const force = steps.find((s) => s.unit === 'N' && s.shown.endsWith('lbf'))
    const w = await shown(HowCome, { steps, step: force?.id ?? null, title: 'Force' })
    expect(w.find('.asked b').text()).toBe(force?.shown)
    expect(w.find('li.first .value').text()).toMatch(/lbf \(.* N\)$/)
    const table = steps.find((s) => s.table)
    const t = await shown(HowCome, { steps, step: table?.id ?? null, title: 'Table' })
    expect(t.text()).toContain('read off the table')
    expect(t.text()).not.toContain('table(')
  })
})
