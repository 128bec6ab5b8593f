import { onBeforeUnmount, onMounted, ref, type Ref } from 'vue'

/**
 * Counts the frames since a part of a page stands, up to `last`: what is in sight is made at once, what lies under it a
 * frame later, so that no frame is long and a touch is answered meanwhile.
 */
export function useFrames(last: number): Readonly<Ref<number>> {
  const frame = ref(0)
  let asked = 0
  const next = () => {
    frame.value += 1
    asked = frame.value < last ? requestAnimationFrame(next) : 0
  }
  onMounted(() => (asked = requestAnimationFrame(next)))
  onBeforeUnmount(() => cancelAnimationFrame(asked))
  return frame
}
