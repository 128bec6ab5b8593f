import { ref, shallowRef } from 'vue'

import { calculate } from '@/api/calc'
import type { Build, DriveAnswer, DriveInput, Options, Problem, RefitAnswer } from '@/api/types'
import { useSettings } from '@/shared/state/settings'

import { asUnderstood } from '../logic/normalise'

/** A drive on the bench: its input, the core's answer to it, and the refusal of the last change if there was one. */
export function useWorkedDrive() {
  const settings = useSettings()
  const family = ref('')
  const calc = ref('')
  const input = shallowRef<DriveInput | null>(null)
  /** What is picked beside the input, such as a rating book; the defaults where it is left out. */
  const options = ref<Options>({})
  const answer = shallowRef<DriveAnswer | null>(null)
  const problem = shallowRef<Problem | null>(null)
  const busy = ref(false)
  const changed = ref(false)
  /** What a change did beyond what was typed, in one sentence; gone with the next change. */
  const said = ref('')
  let asked = 0

  /** Work an input; on a refusal the last good answer stays in sight. */
  async function work(next: DriveInput, mark = true): Promise<boolean> {
    const mine = ++asked
    busy.value = true
    said.value = ''
    const got = await calculate<DriveAnswer>(calc.value, {
      units: settings.units,
      options: options.value,
      input: next,
    })
    if (mine !== asked) return false
    busy.value = false
    if (!got.ok) {
      problem.value = got.problem
      return false
    }
    problem.value = null
    answer.value = got.data
    input.value = asUnderstood(next, got.data.input)
    if (mark) changed.value = true
    return true
  }

  /** Take up a drive of any family; what was shown of another one goes. */
  function take(of: string, by: string, next: DriveInput, mark = true): Promise<boolean> {
    if (by !== calc.value) answer.value = null
    family.value = of
    calc.value = by
    return work(next, mark)
  }

  /** Show a drive as it was worked before, without asking; a newer answer takes its place. */
  function show(of: Build | undefined, was: DriveAnswer | null) {
    family.value = of?.family ?? ''
    calc.value = of?.calc ?? ''
    options.value = of?.options ?? {}
    input.value = of?.input ?? null
    answer.value = was
  }

  /** Take a typed change of one field: its family says what follows, such as the nearest belt there is. */
  async function change(path: string, typed: string): Promise<boolean> {
    if (!input.value) return false
    const mine = ++asked
    busy.value = true
    const clears = answer.value?.sheet?.call_outs.find((c) => c.path === path)?.clears ?? []
    const got = await calculate<RefitAnswer>('drive-refit', {
      units: settings.units,
      options: options.value,
      input: { calc: calc.value, input: input.value, path, typed, clears },
    })
    if (mine !== asked) return false
    busy.value = false
    if (!got.ok) {
      problem.value = got.problem
      return false
    }
    const taken = await work(got.data.result.input)
    if (taken) said.value = got.data.result.says
    return taken
  }

  return { family, calc, input, options, answer, problem, busy, changed, said, work, take, show, change }
}
