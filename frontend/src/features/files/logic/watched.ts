import { onBeforeUnmount, ref } from 'vue'

import { api, attempt } from '@/api/client'
import type { Problem } from '@/api/types'

import { atWork, type FileState } from './file'

/** A file on its way, asked about until it is done. */
export function useWatched() {
  const state = ref<FileState>()
  const problem = ref<Problem | null>(null)
  let timer: ReturnType<typeof setTimeout> | undefined
  let gone = false

  async function ask() {
    if (!state.value || gone) return
    const got = await attempt(api.GET('/api/files/{ident}', { params: { path: { ident: state.value.id } } }))
    if (gone) return
    if (got.ok) {
      state.value = got.data
      problem.value = null
    } else if (!got.offline) problem.value = got.problem
    if (atWork(state.value) && (got.ok || got.offline)) timer = setTimeout(() => void ask(), 500)
  }
  function watch(fresh: FileState) {
    clearTimeout(timer)
    state.value = fresh
    void ask()
  }
  function forget() {
    clearTimeout(timer)
    state.value = undefined
    problem.value = null
  }
  onBeforeUnmount(() => {
    gone = true
    clearTimeout(timer)
  })
  return { state, problem, watch, forget }
}
