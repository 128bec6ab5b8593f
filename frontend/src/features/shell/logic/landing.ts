import { nextTick } from 'vue'
import type { Router } from 'vue-router'

/**
 * Where a person lands after a page was changed: the eye and the focus at its heading; after Back at the place of the
 * list that was left. The pages scroll inside the frame, so the browser keeps neither.
 */
const PATIENCE_MS = 1500
const left = new Map<string, number>()
let came = false

const view = () => document.querySelector<HTMLElement>('.view')
const here = () => `${(history.state as { position?: number } | null)?.position ?? 0}`

/** Calls back as soon as it is there, now or while the page fills; gives up after a while or on the next call. */
let stopLast = () => undefined as void
let later = 0
function whenThere(ready: () => boolean, then: () => void) {
  stopLast()
  window.clearTimeout(later)
  if (ready()) return then()
  const watcher = new MutationObserver(() => {
    if (!ready()) return
    stopLast()
    then()
  })
  const late = window.setTimeout(() => {
    stopLast()
    then()
  }, PATIENCE_MS)
  stopLast = () => {
    watcher.disconnect()
    window.clearTimeout(late)
  }
  watcher.observe(document.body, { childList: true, subtree: true })
}

/**
 * What is out of sight has an assumed height until it is near: the place is taken again while that settles, until the
 * person moves the page.
 */
function bringTo(v: HTMLElement, place: number) {
  const until = Date.now() + PATIENCE_MS
  let moved = false
  const stop = () => (moved = true)
  for (const e of ['wheel', 'touchstart', 'keydown', 'pointerdown'])
    v.addEventListener(e, stop, { once: true, passive: true })
  const again = () => {
    if (moved || Date.now() > until) return
    if (Math.abs(v.scrollTop - place) > 1) v.scrollTop = place
    window.setTimeout(again, 60)
  }
  again()
}

/**
 * Puts the focus on the heading, unless the person has it somewhere in the page already. A heading that stood while the
 * page was read goes with it: then the focus goes to the one that came.
 */
function focusHeading() {
  const heading = () => view()?.querySelector<HTMLElement>('h1') ?? null
  const lost = () => !document.activeElement || document.activeElement === document.body
  const take = () => {
    const at = document.activeElement
    // The page as a whole has it after a tap beside everything, or from the skip link: that is no place of its own.
    if (!heading() || (!lost() && at !== view() && view()?.contains(at))) return
    const h = heading()
    h?.setAttribute('tabindex', '-1')
    h?.focus({ preventScroll: true })
  }
  whenThere(
    () => heading() !== null,
    () => {
      take()
      const until = Date.now() + PATIENCE_MS
      const again = () => {
        if (lost()) take()
        if (Date.now() < until) later = window.setTimeout(again, 60)
      }
      again()
    },
  )
}

export function watchLanding(router: Router): void {
  let before = ''
  router.beforeEach((to, from) => {
    if (from.matched.length && to.path !== from.path) left.set(before, view()?.scrollTop ?? 0)
  })
  router.afterEach((to, from, failure) => {
    if (failure) return
    // A way that was gone back has a lower number than the one it comes from; whoever tells of it first.
    const wanted = Number(here()) < Number(before) ? left.get(here()) : undefined
    before = here()
    // The first page opens where the browser puts it; a stage of the same page is no new page.
    if (!came || to.path === from.path) {
      came = true
      return
    }
    void nextTick(() => {
      const v = view()
      if (!v) return
      if (!wanted) v.scrollTop = 0
      else
        return whenThere(
          () => v.scrollHeight - v.clientHeight >= wanted,
          () => bringTo(v, wanted),
        )
      focusHeading()
    })
  })
}
