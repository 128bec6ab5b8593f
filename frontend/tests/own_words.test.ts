import { createPinia, setActivePinia } from 'pinia'
import { effectScope, nextTick } from 'vue'
import { beforeEach, describe, expect, it } from 'vitest'

import { useSettings } from '@/shared/state/settings'
import { inOwnWords, watchOwnWords } from '@/shared/state/ownWords'

// design.md: the person's own word for the part, everywhere; what people typed is theirs.
const settled = async () => {
  await nextTick()
  await new Promise((r) => setTimeout(r, 20))
}
const body = () => document.body.textContent ?? ''

describe('sheave or pulley', () => {
  let scope = effectScope()
  beforeEach(() => {
    scope.stop()
    scope = effectScope()
    localStorage.clear()
    setActivePinia(createPinia())
    document.body.innerHTML =
      '<h2>Sheaves of the drive</h2><button aria-label="Take the sheave">take</button>' +
      '<p dir="auto">Sheave house</p><textarea>a sheave</textarea><svg><text>driver sheave</text></svg>'
  })

  it('is read in every sentence, drawing and name of a button, and never in what people typed', async () => {
    scope.run(() => watchOwnWords())
    useSettings().wheelWord = 'pulley'
    await settled()
    expect(document.querySelector('h2')?.textContent).toBe('Pulleys of the drive')
    expect(document.querySelector('text')?.textContent).toBe('driver pulley')
    expect(document.querySelector('button')?.getAttribute('aria-label')).toBe('Take the pulley')
    expect(document.querySelector('[dir]')?.textContent).toBe('Sheave house')
    expect(document.querySelector('textarea')?.value).toBe('a sheave')
  })

  it('leaves the words themselves where a person picks between them, and what a list must say', async () => {
    document.body.insertAdjacentHTML(
      'beforeend',
      '<div translate="no"><button aria-label="say sheave">sheave</button><button>pulley</button></div>' +
        '<textarea id="list" placeholder="sheave,B,5 3/4"></textarea>',
    )
    scope.run(() => watchOwnWords())
    useSettings().wheelWord = 'pulley'
    await settled()
    const [one, two] = document.querySelectorAll('[translate] button')
    expect([one?.textContent, two?.textContent]).toEqual(['sheave', 'pulley'])
    expect(one?.getAttribute('aria-label')).toBe('say sheave')
    expect(document.getElementById('list')?.getAttribute('placeholder')).toBe('sheave,B,5 3/4')
  })

  it('holds for what comes later: a new sentence, a changed one, a changed name', async () => {
    scope.run(() => watchOwnWords())
    useSettings().wheelWord = 'pulley'
    await settled()
    const p = document.body.appendChild(document.createElement('p'))
    p.textContent = 'The sheave runs out'
    await settled()
    expect(p.textContent).toBe('The pulley runs out')
    ;(p.firstChild as Text).data = 'Two sheaves run out'
    document.querySelector('button')?.setAttribute('title', 'Sheave')
    await settled()
    expect(p.textContent).toBe('Two pulleys run out')
    expect(document.querySelector('button')?.title).toBe('Pulley')
  })

  it('goes back to what was written, and leaves alone what the page wrote over since', async () => {
    scope.run(() => watchOwnWords())
    const settings = useSettings()
    settings.wheelWord = 'pulley'
    await settled()
    ;(document.querySelector('text')?.firstChild as Text).data = 'a flat pulley'
    settings.wheelWord = 'sheave'
    await settled()
    expect(document.querySelector('h2')?.textContent).toBe('Sheaves of the drive')
    expect(document.querySelector('text')?.textContent).toBe('a flat pulley')
    expect(document.querySelector('button')?.getAttribute('aria-label')).toBe('Take the sheave')
    expect(body()).not.toContain('Pulleys')
  })
})

describe('money', () => {
  // Common practice, no source: a sign before the sum, a name after it; a band has one sign.
  const said = (money: string, text: string) => inOwnWords(text, { wheel: 'sheave', money })
  it('has the sign before its sum, a name behind it, and the sign of any money where nobody said', () => {
    expect(said('$', 'saves 1,250 ¤ a year')).toBe('saves $1,250 a year')
    expect(said('kr.', 'saves 1,250 ¤ a year')).toBe('saves 1,250 kr. a year')
    expect(said('€', '95 – 120 ¤')).toBe('€95 – 120')
    expect(said('¤', '95 ¤')).toBe('¤95')
    expect(said('$', 'One costs, ¤')).toBe('One costs, $')
  })
  it('leaves a text without a sum alone', () => {
    expect(said('$', 'no price')).toBe('no price')
  })
})
