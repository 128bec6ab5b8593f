import { onScopeDispose, watch } from 'vue'

import { useSettings } from './settings'

/**
 * The words of the person in place of those that the page is written with: pulley where they do not say sheave, the sign of
 * their money where a sum stands (`¤`, the sign of any money). In every sentence, drawing and name of a button, those of
 * the next screen too. What people typed themselves (`dir="auto"`, fields) stays, and what says the words themselves
 * (`translate="no"`).
 */
const ATTRIBUTES = ['aria-label', 'title', 'placeholder', 'alt']
const OWN = '[dir="auto"], [translate="no"], textarea'
interface Said {
  wheel: 'sheave' | 'pulley'
  money: string
}
/** A text in the person's words. A sign goes before its sum, a name of money after it. */
export function inOwnWords(text: string, { wheel, money }: Said): string {
  let said = text
  if (wheel === 'pulley') said = said.replaceAll('sheave', 'pulley').replaceAll('Sheave', 'Pulley')
  if (said.includes('¤'))
    said = (
      [...money].length === 1
        ? said.replace(/(\d[\d.,\u202f]*(?: – [\d.,\u202f]+)?) ¤/g, (_, sum: string) => money + sum)
        : said
    ).replaceAll('¤', () => money)
  return said
}
let own: Said = { wheel: 'sheave', money: '$' }
const as = (text: string): string => inOwnWords(text, own)

// What stood there, so that it can be put back; what the page wrote over since is left alone.
const texts = new Map<Text, { was: string; now: string }>()
const attributes = new Map<Element, Map<string, { was: string; now: string }>>()

function sayText(node: Text) {
  const said = { was: node.data, now: as(node.data) }
  if (said.now === said.was || node.parentElement?.closest(OWN)) return
  texts.set(node, said)
  node.data = said.now
}
function sayAttribute(el: Element, name: string) {
  const was = el.getAttribute(name)
  if (!was || as(was) === was || el.closest(OWN)) return
  const held = attributes.get(el) ?? new Map<string, { was: string; now: string }>()
  held.set(name, { was, now: as(was) })
  attributes.set(el, held)
  el.setAttribute(name, as(was))
}
function sayUnder(root: Node) {
  if (root instanceof Text) return sayText(root)
  if (!(root instanceof Element)) return
  for (const el of [root, ...root.querySelectorAll(ATTRIBUTES.map((a) => `[${a}]`).join(','))])
    for (const name of ATTRIBUTES) sayAttribute(el, name)
  const walk = document.createTreeWalker(root, NodeFilter.SHOW_TEXT)
  for (let n = walk.nextNode(); n; n = walk.nextNode()) sayText(n as Text)
}
function putBack() {
  for (const [node, { was, now }] of texts) if (node.data === now) node.data = was
  for (const [el, held] of attributes)
    for (const [name, { was, now }] of held) if (el.getAttribute(name) === now) el.setAttribute(name, was)
  texts.clear()
  attributes.clear()
}
/** What left the page is forgotten. */
function tidy() {
  for (const node of texts.keys()) if (!node.isConnected) texts.delete(node)
  for (const el of attributes.keys()) if (!el.isConnected) attributes.delete(el)
}

/** Keeps the whole page in the person's words, for as long as it stands. */
export function watchOwnWords(root: Element = document.body): void {
  const settings = useSettings()
  const watcher = new MutationObserver((records) => {
    for (const r of records) {
      if (r.type === 'characterData') sayText(r.target as Text)
      else if (r.type === 'attributes') sayAttribute(r.target as Element, r.attributeName ?? '')
      else for (const n of r.addedNodes) sayUnder(n)
    }
    if (texts.size + attributes.size > 2000) tidy()
  })
  onScopeDispose(() => watcher.disconnect())
  watch(
    () => [settings.wheelWord, settings.money] as const,
    ([wheel, money]) => {
      watcher.disconnect()
      putBack()
      own = { wheel, money: money.trim() || '¤' }
      sayUnder(root)
      watcher.observe(root, {
        subtree: true,
        childList: true,
        characterData: true,
        attributes: true,
        attributeFilter: ATTRIBUTES,
      })
    },
    { immediate: true },
  )
}
