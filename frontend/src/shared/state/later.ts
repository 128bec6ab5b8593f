import { watch, type Ref } from 'vue'

import type { Problem } from '@/api/types'

import { entries, letGo } from './outbox'

/**
 * What becomes of a save that waits: once it was sent the form hears of it and `sent` is called; a refusal comes back to
 * the form that asked, as if it had come at once.
 */
export function useLater(problem: Ref<Problem | null>, sent: () => void): void {
  watch(entries, (all) => {
    const kept = problem.value?.kept
    if (!kept) return
    const mine = all.find((e) => e.body.op_id === kept)
    if (!mine) {
      problem.value = null
      sent()
    } else if (mine.state === 'refused' && mine.problem) {
      problem.value = mine.problem
      void letGo(mine)
    }
  })
}
