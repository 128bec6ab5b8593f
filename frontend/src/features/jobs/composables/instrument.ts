import { ref, watch } from 'vue'

import { api, attempt } from '@/api/client'
import type { Problem, Shown } from '@/api/types'
import { newId } from '@/shared/state/kept'
import { useSettings } from '@/shared/state/settings'

export interface Place {
  drive: string
  job: string
  step: string
  target: string
  kind: string
  instrument: string
  /** A simulated drive stands behind the real one. */
  twin: boolean
}

/** What an instrument shows of the thing that is asked for: a simulated one on demand, a real one what it told lately. */
export function useInstrument(at: () => Place | null) {
  const settings = useSettings()
  const lately = ref<Shown | null>(null)
  const taking = ref(false)
  const problem = ref<Problem | null>(null)

  async function look() {
    lately.value = null
    problem.value = null
    const p = at()
    if (!p || p.twin || !p.kind || p.kind === 'text') return
    const got = await attempt(api.GET('/api/instruments/shown', { params: { query: { quantity: p.kind } } }))
    const now = at()
    if (got.ok && now?.target === p.target && now.step === p.step) lately.value = got.data.shown[0] ?? null
  }
  watch(() => [at()?.step, at()?.target, at()?.kind], look, { immediate: true })

  /** What it shows now; null where it could not be read, and then `problem` says why. */
  async function take(): Promise<Shown | null> {
    const p = at()
    if (!p) return null
    if (!p.twin) return lately.value
    taking.value = true
    problem.value = null
    const got = await attempt(
      api.POST('/api/drives/{ident}/instruments', {
        params: { path: { ident: p.drive } },
        body: {
          id: newId(),
          op_id: newId(),
          created_by_name: settings.name,
          units: settings.units,
          instrument: p.instrument,
          target: p.target,
          job_id: p.job,
          step: p.step,
          reads: '',
          running: false,
        },
      }),
    )
    taking.value = false
    if (got.ok) return got.data
    problem.value = got.problem
    return null
  }
  return { lately, taking, problem, take, look }
}
