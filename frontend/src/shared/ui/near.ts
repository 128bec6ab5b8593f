import { onBeforeUnmount, onMounted, ref, type Ref } from 'vue'

/** How far outside the window a thing counts as near, so that it is drawn before it is seen. */
const MARGIN = '600px'
const waiting = new Map<Element, () => void>()
let watcher: IntersectionObserver | undefined
let printing = false

function watch(el: Element, then: () => void) {
  watcher ??= new IntersectionObserver(
    (entries) => {
      for (const e of entries) if (e.isIntersecting) waiting.get(e.target)?.()
    },
    { rootMargin: MARGIN },
  )
  // On paper everything is in sight.
  if (!printing) {
    printing = true
    window.addEventListener('beforeprint', () => [...waiting.values()].forEach((near) => near()))
  }
  waiting.set(el, then)
  watcher.observe(el)
}
function leave(el: Element) {
  waiting.delete(el)
  watcher?.unobserve(el)
}

/** True from the moment the element has come near the window: what is costly to draw is drawn then, once, and stays. */
export function useNear(el: Ref<Element | null | undefined>): Ref<boolean> {
  const near = ref(typeof IntersectionObserver === 'undefined')
  let at: Element | undefined
  onMounted(() => {
    if (near.value || !el.value) return
    const seen = (at = el.value)
    watch(seen, () => {
      near.value = true
      leave(seen)
    })
  })
  onBeforeUnmount(() => at && leave(at))
  return near
}
