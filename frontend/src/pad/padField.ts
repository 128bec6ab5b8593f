import { nextTick, ref, type Ref } from 'vue'

import { askNumber, byTouch, unitsBeside } from './ask'

/**
 * A field whose number is asked on the pad when it is touched. It stays a field: a keyboard that is plugged in, and what
 * is pasted, go into it as before; "letters" on the pad brings the device's own keyboard up.
 */
export function usePadField(
  typed: Ref<string>,
  about: () => { label: string; unit: string; before?: string; sign?: boolean },
) {
  const letters = ref(false)
  async function touched(e: PointerEvent) {
    const box = e.currentTarget as HTMLElement
    const input = box.matches('input') ? (box as HTMLInputElement) : box.querySelector('input')
    if (!byTouch(e) || letters.value || !input || input.disabled) return
    // The field does not take the focus, so the device's keyboard stays away.
    e.preventDefault()
    const of = about()
    const given = await askNumber({ ...of, value: typed.value, units: of.unit ? unitsBeside(of.unit) : [] })
    if (!given) return
    if ('letters' in given) {
      letters.value = true
      await nextTick()
      input.focus()
      return
    }
    typed.value = given.typed
    input.dispatchEvent(new Event('change', { bubbles: true }))
  }
  return { letters, touched }
}
