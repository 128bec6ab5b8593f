import { defineAsyncComponent, type Component } from 'vue'

/** How long after the page stands the rest of it is fetched, in ms, so that it is there without a network too. */
export const AFTER_MS = 4000

/**
 * A part of a page that is not in its first sight: fetched when it is asked for, and by itself a while after the page
 * stands, so that a lost network takes nothing away.
 */
export function later<T extends Component>(read: () => Promise<{ default: T }>): T {
  let reading: Promise<T> | undefined
  const once = () =>
    (reading ??= read().then(
      (m) => m.default,
      (e: unknown) => {
        reading = undefined
        throw e
      },
    ))
  window.setTimeout(() => void once().catch(() => undefined), AFTER_MS)
  return defineAsyncComponent<T>({ loader: once, delay: 0 })
}
