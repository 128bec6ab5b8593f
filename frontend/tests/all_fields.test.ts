import { mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'

import type { CalcLine, Worked } from '@/api/types'
import BenchView from '@/features/bench/views/BenchView.vue'
import { unremarked } from '@/features/bench/logic/remarked'
import { saysOf } from '@/features/bench/logic/sentence'
import CalculatorView from '@/features/bench/views/CalculatorView.vue'
import { fieldsOf, helpBeside } from '@/forms/schema'
import { titleIn } from '@/shared/format/words'
import FigureTable from '@/shared/ui/FigureTable.vue'

import cards from './fixtures/cards.json'
import choices from './fixtures/choices.json'
import { freshWindow, press, putAway, shown } from './mounted'
import { serve, settle } from './served'

// The plain form of every card: what it will say stands on its rules before it is said, and is said.
type Card = { line: CalcLine & { card: NonNullable<CalcLine['card']> }; answer: Worked }
const all = cards as unknown as Card[]

beforeEach(freshWindow)
afterEach(putAway)

describe.each(all.map((c) => [c.line.name, c] as const))('all fields of %s', (name, { line, answer }) => {
  it('draws what is measured, tells what it will say, and says it', async () => {
    serve({
      'GET /api/choices': choices,
      [`GET /api/calc/${name}`]: line,
      'GET /api/calc': { calculations: [line] },
      [`POST /api/calc/${name}`]: answer,
    })
    const w = await shown(CalculatorView, { name }, `/bench/${name}?all`)
    expect(w.find('.sketch svg').exists()).toBe(true)
    const told = w.findAll('.to-come dt').map((d) => d.text())
    expect(told).toEqual(line.tells)
    expect(told.length).toBeGreaterThan(0)
    await press(w, 'Fill in the example')
    await settle()
    expect(w.find('.to-come').exists()).toBe(false)
    expect(w.find('.answer').text()).toContain(String(answer.result.says))
    // What is told may be empty in one case and not in another; what is there bears the name it was told by.
    const named = new Set(Object.keys(answer.result).map((k) => titleIn(answer.titles, k)))
    for (const t of told) expect(named).toContain(t)
    // A reading on its bar needs no word of the program for its state.
    if (answer.result.bar) {
      const rows = w.findAll('.answer th').map((t) => t.text())
      expect(rows).not.toContain('State')
      expect(rows).not.toContain(titleIn(answer.titles, 'verdict'))
    }
    const back = w.findAll('a').find((a) => a.text() === 'as one sentence')
    expect(back?.attributes('href')).toBe(`/bench/${name}`)
  })
})

describe('the bench', () => {
  it('stands topic by topic, and holds every card once in the end', async () => {
    serve({ 'GET /api/calc': { calculations: all.map((c) => c.line) } })
    const w = await shown(BenchView, {}, '/bench')
    await settle(40)
    await new Promise((done) => setTimeout(done, 300))
    const asked = w.findAll('.drawn h3').map((h) => h.text())
    expect([...asked].sort()).toEqual(all.map((c) => c.line.card.asks).sort())
    expect(w.findAll('.drawn .sketch svg').length).toBeGreaterThanOrEqual(all.length)
    const jumps = w.findAll('.jump button').map((b) => b.text().replace(/\s*\d+$/, ''))
    expect(
      w
        .findAll('.group h2')
        .map((h) => h.text())
        .slice(0, jumps.length),
    ).toEqual(jumps)
  })
})

describe('what is said twice', () => {
  it('stands once: a reason under its own caution, words beside a label that add to it', () => {
    const notice = { level: 'caution', code: 'x', path: '', text: 'It rides low and carries less.', action: 'Fit a B belt instead of it.' } as const // prettier-ignore
    const result = { reason: 'It rides low and carries less.', instead: 'Fit a B belt instead of it.', verdict: 'less' }
    expect(unremarked(result, [notice])).toEqual({ verdict: 'less' })
    expect(unremarked(result, [])).toEqual(result)
    const [a, b] = fieldsOf({
      properties: {
        timing: { type: 'boolean', title: 'Keeps two shafts in time', description: 'it keeps two shafts in time' },
        slow: { type: 'boolean', title: 'Runs slowly', description: 'under 100 rpm' },
      },
    })
    expect([a, b].map((f) => f && helpBeside(f))).toEqual(['', 'under 100 rpm'])
    // The words themselves stay: a blank in a sentence is named by them.
    expect(a && saysOf(a)).toBe('it keeps two shafts in time')
  })
  it('has its gaps: a sentence in a table of figures is not set like a figure', async () => {
    const w = mount(FigureTable, { props: { result: { reason: 'It rides low and carries less.', n: 'three' } } })
    const cells = w.findAll('td.figure')
    expect(cells.map((c) => c.classes('words'))).toEqual([true, false])
  })
})
