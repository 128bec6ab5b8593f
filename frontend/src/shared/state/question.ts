import { computed, ref, shallowRef, type ComputedRef, type Ref, type ShallowRef } from 'vue'

import type { Outcome } from '@/api/client'
import type { Problem } from '@/api/types'

/**
 * An answer and the question it belongs to. As soon as the question differs, or is refused, the answer is no longer
 * one: `answer` is what may be shown as such, `former` what was answered before, to be shown as that or not at all.
 */
export interface Question<T> {
  answer: ComputedRef<T | undefined>
  former: ComputedRef<T | undefined>
  problem: ShallowRef<Problem | null>
  busy: Ref<boolean>
  /** Ask; the last one asked wins. */
  ask: (send: () => Promise<Outcome<T>>) => Promise<boolean>
  clear: () => void
}

/** `said` gives the question as it stands in the form now, as one text. */
export function useQuestion<T>(said: () => string): Question<T> {
  const got = shallowRef<{ said: string; data: T }>()
  const problem = shallowRef<Problem | null>(null)
  const busy = ref(false)
  let asked = 0
  const same = computed(() => got.value !== undefined && got.value.said === said())

  async function ask(send: () => Promise<Outcome<T>>): Promise<boolean> {
    const mine = ++asked
    const question = said()
    busy.value = true
    const outcome = await send()
    if (mine !== asked) return false
    busy.value = false
    problem.value = outcome.ok ? null : outcome.problem
    got.value = outcome.ok ? { said: question, data: outcome.data } : undefined
    return outcome.ok
  }
  return {
    answer: computed(() => (same.value ? got.value?.data : undefined)),
    former: computed(() => (same.value ? undefined : got.value?.data)),
    problem,
    busy,
    ask,
    clear: () => {
      asked++
      got.value = undefined
      problem.value = null
    },
  }
}
