import { nextTick } from 'vue'
import type { Router } from 'vue-router'

/**
 * Where a person lands after a page was changed: the eye and the focus at its heading; after Back at the place of the
 * list that was left. The pages scroll inside the frame, so the browser keeps neither.
 */
const PATIENCE_MS = 4000
const left = new Map<string, number>()
let came = false

const view = () => document.querySelector<HTMLElement>('.view')
const here = () => `${(history.state as { position?: number } | null)?.position ?? 0}`

/** Calls back as soon as it is there, now or while the page fills; gives up after a while or on the next call. */
let stopLast = () => undefined as void
function whenThere(ready: () => boolean, then: () => void) {
  stopLast()
  if (ready()) return then()
  const watcher = new MutationObserver(() => {
    if (!ready()) return
    stopLast()
    then()
  })
  const late = window.setTimeout(() => stopLast(), PATIENCE_MS)
  stopLast = () => {
    watcher.disconnect()
    window.clearTimeout(late)
  }
  watcher.observe(document.body, { childList: true, subtree: true })
}

/** Puts the focus on the heading, unless the person has it somewhere in the page already. */
function focusHeading() {
  const heading = () => view()?.querySelector<HTMLElement>('h1') ?? null
  whenThere(
    () => heading() !== null,
    () => {
      const at = document.activeElement
      if (at && at !== document.body && view()?.contains(at)) return
      const h = heading()
      h?.setAttribute('tabindex', '-1')
      h?.focus({ preventScroll: true })
    },
  )
}

export function watchLanding(router: Router): void {
  let before = ''
  let back = false
  router.beforeEach((to, from) => {
    if (from.matched.length && to.path !== from.path) left.set(before, view()?.scrollTop ?? 0)
  })
  window.addEventListener('popstate', () => (back = true))
  router.afterEach((to, from, failure) => {
    if (failure) return
    const wanted = back ? left.get(here()) : undefined
    back = false
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
          () => void (v.scrollTop = wanted),
        )
      focusHeading()
    })
  })
}
