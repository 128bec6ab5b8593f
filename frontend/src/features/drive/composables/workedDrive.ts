import { ref, shallowRef } from 'vue'

import { calculate } from '@/api/calc'
import { api, attempt } from '@/api/client'
import type { Basis, DriveAnswer, DriveInput, Problem, VBeltAnswer, VBeltInput } from '@/api/types'
import { useSettings } from '@/shared/state/settings'

import { withLeaf } from '@/shared/format/nested'

import { asUnderstood, without } from '../logic/normalise'

type Groove = NonNullable<VBeltInput['driver']['sheave']['groove']>

/** A drive on the bench: its input, the core's answer to it, and the refusal of the last change if there was one. */
export function useWorkedDrive() {
  const settings = useSettings()
  const family = ref('v-belt')
  const calc = ref('v-belt-drive')
  const input = shallowRef<DriveInput | null>(null)
  const basis = ref<Basis>('ip20-1988')
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
    const got = await calculate<DriveAnswer>(calc.value, { units: settings.units, basis: basis.value, input: next })
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

  /** Take a typed change of one field, which takes the place of `clears`. */
  async function change(path: string, typed: unknown): Promise<boolean> {
    if (!input.value) return false
    if (calc.value === 'v-belt-drive' && path === 'centre_distance') return moveCentre(String(typed))
    const clears = answer.value?.sheet?.call_outs.find((c) => c.path === path)?.clears ?? []
    const old = valueAt(input.value, path)
    // Counts go out as numbers; what is not one goes out as typed, so that the server can say what is wrong with it.
    const number = Number(typed)
    const value = typeof old === 'number' && Number.isInteger(number) && isCount(path) ? number : typed
    return work(withLeaf(without(input.value, clears), path, value))
  }
  const isCount = (path: string) => /teeth|pitches|strands|count/.test(path)
  const valueAt = (record: DriveInput, path: string) =>
    path.split('.').reduce<unknown>((at, k) => (at as DriveInput | undefined)?.[k], record)

  // V-belts come in standard lengths only: a new centre distance means the belt nearest to it.
  async function moveCentre(typed: string): Promise<boolean> {
    const now = input.value as VBeltInput | null
    const was = answer.value as unknown as VBeltAnswer | null
    if (!now || !was) return false
    if (now.driven.sheave.groove === 'flat') {
      const reason = 'on a flat pulley the belt decides the centre distance'
      problem.value = {
        type: '',
        title: reason,
        status: 422,
        detail: reason,
        errors: [{ path: 'input.centre_distance', reason, allowed: 'type another belt' }],
      }
      return false
    }
    const own = was.result.groove as Groove
    const driver = { ...now.driver.sheave, groove: now.driver.sheave.groove ?? own }
    const driven = { ...now.driven.sheave, groove: now.driven.sheave.groove ?? own }
    const section = was.result.section
    busy.value = true
    const got = await attempt(
      api.POST('/api/calc/v-belt-select', {
        body: {
          units: settings.units,
          basis: basis.value,
          input: {
            power: now.power,
            service_factor: now.service_factor,
            driver_speed: now.driver.speed,
            driven_speed: was.result.driven_speed.value,
            tolerance: 50,
            centre: { about: typed },
            fixed: { driver, driven, section },
            slip: now.slip,
            limits: { belts: 20 },
            series: 'all',
            own_ratings: now.own_ratings,
            weights: { parts: 0, size: 0, width: 0, weight: 0, shaft_load: 0, speed: 0, spare: 0, common: 0, stock: 0 },
            keep: 1,
          },
        },
      }),
    )
    busy.value = false
    if (!got.ok) {
      const errors = got.problem.errors.map((e) => ({ ...e, path: 'input.centre_distance' }))
      problem.value = { ...got.problem, errors }
      return false
    }
    const best = got.data.result.options[0]
    if (!best) {
      const why = got.data.result.rejected.find((r) => r.limit === 'centre distance')
      const reason = `no standard ${section} belt comes within 3 % of that`
      const allowed = why?.nearest ? `nearest: ${why.nearest}, ${why.says}` : ''
      problem.value = {
        type: '',
        title: reason,
        status: 422,
        detail: reason,
        errors: [{ path: 'input.centre_distance', reason, allowed }],
      }
      return false
    }
    const before = was.result.designation
    const taken = await work(withLeaf(now as unknown as DriveInput, 'belt.designation', best.drive.designation))
    if (taken && best.drive.designation !== before)
      said.value = `Belts come in standard lengths: ${before} became ${best.drive.designation}, which stands at ${best.drive.centre_distance.shown}.`
    return taken
  }

  return { family, calc, input, basis, answer, problem, busy, changed, said, work, take, change }
}
