import { mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'

import type { CalcLine, Worked } from '@/api/types'
import CardPicture from '@/features/bench/components/CardPicture.vue'
import { PLACES } from '@/features/bench/logic/places'
import { complete, linesOf, neededOf, saidOf } from '@/features/bench/logic/sentence'
import { TOPICS } from '@/features/bench/logic/topics'
import CardView from '@/features/bench/views/CardView.vue'
import { bodyOf, fieldsOf, typedOf, type Schema } from '@/forms/schema'
import StartJobView from '@/features/jobs/views/StartJobView.vue'
import { fieldAt } from '@/forms/sentence'
import { carriedNote, carryNote } from '@/shared/state/benchNote'
import { useSettings } from '@/shared/state/settings'

import cards from './fixtures/cards.json'
import choices from './fixtures/choices.json'
import { asked, freshWindow, press, putAway, shown } from './mounted'
import { serve, settle } from './served'

// Every card of the bench, as the server declares it and answers its example.
type Card = { line: CalcLine & { card: NonNullable<CalcLine['card']> }; answer: Worked }
const all = cards as unknown as Card[]
const each = all.map((c) => [c.line.name, c] as const)
const fieldsOfLine = (line: CalcLine) => fieldsOf(line.input_schema as Schema & { $defs?: Record<string, Schema> })

beforeEach(freshWindow)
afterEach(putAway)

describe.each(each)('the card %s', (_name, { line, answer }) => {
  const fields = fieldsOfLine(line)
  it('asks in words and blanks that there are, under a topic of the bench', () => {
    const parts = linesOf(line.card.sentence, fields, line.card.names, () => []).flat()
    const asked = parts.flatMap((p) => (typeof p === 'string' ? [] : [p.path]))
    expect(asked.length).toBe([...line.card.sentence.matchAll(/\{/g)].length)
    expect(TOPICS).toContain(line.card.topic)
    for (const p of neededOf(fields)) expect(asked).toContain(p)
    // What may be picked has words, not keys.
    for (const p of parts)
      if (typeof p !== 'string' && p.options)
        expect(p.options.every((o) => !/^[a-z]+(-[a-z]+)+$/.test(o.name))).toBe(true)
  })
  it('is complete with its example, and sends it back as it was given', () => {
    const given = line.example.input as Record<string, unknown>
    const typed = typedOf(given)
    for (const f of fields)
      if (f.form === 'many')
        for (const o of (given[f.name] as string[] | undefined) ?? []) typed[`${f.path}.${o}`] = true
    expect(complete(fields, typed)).toBe(true)
    const said = (x: unknown): unknown =>
      Array.isArray(x)
        ? x.map(said)
        : x && typeof x === 'object'
          ? Object.fromEntries(Object.entries(x).map(([k, v]) => [k, said(v)]))
          : typeof x === 'boolean'
            ? x
            : String(x)
    expect(said(bodyOf(fields, typed))).toEqual(said(given))
  })
  it('has a picture without an answer and with one, and no place on it is nowhere', () => {
    for (const result of [undefined, answer.result]) {
      const w = mount(CardPicture, {
        props: { kind: line.card.picture, result, elevation: null, typed: { marking: '' } },
      })
      const svg = w.find('svg')
      expect(svg.exists()).toBe(true)
      expect(svg.attributes('aria-label') ?? '').not.toBe('')
      expect(w.html()).not.toMatch(/NaN|undefined|Infinity/)
      w.unmount()
    }
    for (const path of line.card.on_picture) {
      expect(fieldAt(path, fields)?.form).toBe('quantity')
      const at = (PLACES[line.card.picture] ?? []).find((p) => p.path === path)
      expect(at, path).toBeDefined()
      expect(at && at.x > 0 && at.x < 100 && at.y > 0 && at.y < 100).toBe(true)
    }
  })
  it('answers its example in a sentence, with its figures beside it and nothing named by a key', async () => {
    serve({ 'GET /api/choices': choices, [`POST /api/calc/${line.name}`]: answer })
    const w = await shown(CardView, { calc: line }, `/bench/${line.name}`)
    expect(w.text()).toContain('the answer stands here as you type')
    await w
      .findAll('button')
      .find((b) => b.text() === 'Example')
      ?.trigger('click')
    await new Promise((done) => setTimeout(done, 260))
    await settle()
    expect(w.find('.says').text()).toBe(answer.result.says)
    expect(w.find('.big .figure').text()).not.toBe('')
    const labels = w.findAll('.answer .label').map((l) => l.text())
    expect(labels.every((l) => l && !l.includes('_'))).toBe(true)
  })
})

describe('what is typed', () => {
  const drawn = (kind: string, typed: Record<string, string | boolean>) =>
    mount(CardPicture, { props: { kind, typed } }).html()
  it('is drawn before it is answered: the print on its belt, the teeth that hook, the heat that is lost', () => {
    expect(drawn('printed', { marking: 'B90' })).toContain('B90')
    expect(drawn('sprocket', { hooked: true })).not.toBe(drawn('sprocket', {}))
    expect(drawn('losses', { efficiency: '80 %' })).not.toBe(drawn('losses', { efficiency: '98 %' }))
    // What is no number yet draws nothing else than nothing.
    expect(drawn('losses', { efficiency: 'a lot' })).toBe(drawn('losses', {}))
  })
})

describe('a card in the other system', () => {
  it('sends its example in the units in which its figures stand', async () => {
    const { line, answer } = all.find((c) => c.line.name === 'crown') as Card
    useSettings().units = 'si'
    const served = serve({ 'GET /api/choices': choices, 'POST /api/calc/crown': answer })
    const w = await shown(CardView, { calc: line }, '/bench/crown')
    await w
      .findAll('button')
      .find((b) => b.text() === 'Example')
      ?.trigger('click')
    await new Promise((done) => setTimeout(done, 260))
    await settle()
    const sent = served.asked.at(-1)?.body as { units: string; input: Record<string, string> }
    expect(sent.units).toBe('si')
    expect(Object.values(sent.input).every((v) => v.endsWith('in'))).toBe(true)
  })
})

describe('a yes or no that stands as yes by itself', () => {
  const fields = fieldsOf({
    properties: {
      crowned: { type: 'boolean', default: true },
      hooked: { type: 'boolean', default: false },
    },
  })
  it('is sent only where somebody says otherwise', () => {
    expect(bodyOf(fields, {})).toBeUndefined()
    expect(bodyOf(fields, { crowned: true, hooked: false })).toBeUndefined()
    expect(bodyOf(fields, { crowned: false, hooked: true })).toEqual({ crowned: false, hooked: true })
  })
})

describe('what a card said', () => {
  const { line, answer } = all.find((c) => c.line.name === 'chain-wear') as Card
  const fields = fieldsOfLine(line)
  const lines = linesOf(line.card.sentence, fields, line.card.names, () => [])
  it('is told with its units, open blanks as dashes, lines that nobody filled left out', () => {
    const typed = typedOf(line.example.input as Record<string, unknown>)
    const said = saidOf(lines, fields, typed, 'us')
    expect(said).toContain(`${String(typed.measured)}${/[a-z]/.test(String(typed.measured)) ? '' : ' in'}`)
    expect(said).not.toMatch(/\{|undefined/)
    expect(saidOf([['Only ', { path: 'measured', says: '' }, '.']], fields, {}, 'us')).toBe('')
    expect(saidOf([['Words alone, and ', { path: 'measured', says: '' }, '.']], fields, { measured: '15' }, 'si')).toBe(
      'Words alone, and 15 mm.',
    )
  })
  it('goes to the machine, and into the record of the job that begins there', async () => {
    serve({ 'GET /api/choices': choices, 'POST /api/calc/chain-wear': answer })
    const w = await shown(CardView, { calc: line }, '/bench/chain-wear')
    await press(w, 'Example')
    await new Promise((done) => setTimeout(done, 260))
    await settle()
    await press(w, 'Use on a machine')
    expect(carriedNote()?.says).toContain(String(answer.result.says))
    putAway()

    const job = { id: 'j1', title: 'A visit', steps: [{ key: 'look', kind: 'decide' }, { key: 'write', kind: 'do' }, { key: 'sign', kind: 'sign' }] } // prettier-ignore
    const templates = [{ key: 'free', kind: 'free', title: 'A visit of your own', minutes: 30, own: false, asks: [] }]
    const served = serve({
      'GET /api/drives/d1/templates': { templates, take_ups: [], mountings: [], take_up: null, mounting: null },
      'POST /api/drives/d1/jobs': job,
      'POST /api/jobs/j1/events': job,
    })
    const start = await shown(StartJobView, { id: 'd1' }, '/drives/d1/jobs')
    expect(start.text()).toContain(String(answer.result.says))
    await press(start, 'A visit of your own')
    await press(start, 'Open the job')
    const sent = asked(served, 'POST', '/events')[0]?.body
    expect(sent).toMatchObject({ step: 'write', kind: 'noted' })
    expect(String(sent?.reason)).toContain(String(answer.result.says))
    expect(carriedNote()).toBeUndefined()
  })
  it('may be left out, and is never longer than the record holds', async () => {
    carryNote({ asks: 'Is it worn?', says: 'x'.repeat(900) })
    expect(carriedNote()?.says).toHaveLength(500)
    serve({ 'GET /api/drives/d1/templates': { templates: [], take_ups: [], mountings: [] } })
    const start = await shown(StartJobView, { id: 'd1' }, '/drives/d1/jobs')
    await press(start, 'Leave it out')
    expect(carriedNote()).toBeUndefined()
    sessionStorage.setItem('tuyere.benchNote', '{broken')
    expect(carriedNote()).toBeUndefined()
  })
})
