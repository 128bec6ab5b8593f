import 'fake-indexeddb/auto'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createPinia, setActivePinia } from 'pinia'

import DriveView from '@/features/drive/views/DriveView.vue'

import answer from './fixtures/answer.json'
import families from './fixtures/families.json'
import refusal from './fixtures/refusal.json'
import driveJson from './fixtures/drive.json'
import { drive, worked, refused, down, common, shown, press, freshWindow, putAway } from './mounted'
import { serve, settle } from './served'

beforeEach(freshWindow)
afterEach(putAway)

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
    // What is seldom shown is fetched when it is.
    await vi.waitFor(() => expect(w.text()).toContain('Nothing drawn yet'), 10_000)
    await press(w, 'Write down what is there')
    await vi.waitFor(() => expect(w.text()).toContain('What is on the machine'))
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
