import { computed, onBeforeUnmount, ref, watch, type ComputedRef } from 'vue'

/**
 * A long list, a slice more at every frame, so that no frame is long: what is in sight stands at once and the page
 * answers a touch meanwhile. A list that shrinks, or that is asked anew, keeps what stands.
 */
export function useSlices<T>(list: () => readonly T[], slice: number): ComputedRef<T[]> {
  const shown = ref(slice)
  let frame = 0
  const next = () => {
    frame = 0
    if (shown.value >= list().length) return
    shown.value += slice
    frame = requestAnimationFrame(next)
  }
  watch(
    () => list().length,
    () => {
      if (!frame) frame = requestAnimationFrame(next)
    },
    { immediate: true },
  )
  onBeforeUnmount(() => cancelAnimationFrame(frame))
  return computed(() => list().slice(0, shown.value))
}
