import { onBeforeUnmount, onMounted, ref, type Ref } from 'vue'

import { AFTER_MS } from './later'

const SIGNS = ['pointerdown', 'keydown', 'wheel', 'touchmove', 'scroll', 'beforeprint'] as const

/**
 * True once the first sight is over: somebody touches, scrolls, types or prints, or the page has stood a while. What lies
 * below everything else is made then, so that the first sight does not wait for it.
 */
export function useAfterSight(): Ref<boolean> {
  const over = ref(false)
  let timer: number | undefined
  function end() {
    over.value = true
    put()
  }
  function put() {
    window.clearTimeout(timer)
    for (const s of SIGNS) window.removeEventListener(s, end, true)
  }
  onMounted(() => {
    timer = window.setTimeout(end, AFTER_MS)
    for (const s of SIGNS) window.addEventListener(s, end, { capture: true, passive: true })
  })
  onBeforeUnmount(put)
  return over
}
