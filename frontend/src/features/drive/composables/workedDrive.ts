import { ref, shallowRef } from 'vue'

import { api, attempt } from '@/api/client'
import type { DriveAnswer, DriveInput, Problem, SelectInput } from '@/api/types'
import { useSettings } from '@/shared/state/settings'

import { asUnderstood, withLeaf } from '../logic/normalise'

/** A drive on the bench: its input, the core's answer to it, and the refusal of the last change if there was one. */
export function useWorkedDrive() {
  const settings = useSettings()
  const input = shallowRef<DriveInput | null>(null)
  const basis = ref<'ip20-1988' | 'ip20-1977'>('ip20-1988')
  const answer = shallowRef<DriveAnswer | null>(null)
  const problem = shallowRef<Problem | null>(null)
  const busy = ref(false)
  const changed = ref(false)
  let asked = 0

  /** Work an input; on a refusal the last good answer stays in sight. */
  async function work(next: DriveInput, mark = true): Promise<boolean> {
    const mine = ++asked
    busy.value = true
    const got = await attempt(
      api.POST('/api/calc/v-belt-drive', { body: { units: settings.units, basis: basis.value, input: next } }),
    )
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

  /** Take a typed change of one field. A new centre distance means the standard belt nearest to it. */
  async function change(path: string, typed: unknown): Promise<boolean> {
    if (!input.value) return false
    if (path === 'centre_distance') return moveCentre(String(typed))
    return work(withLeaf(input.value, path, typed))
  }

  async function moveCentre(typed: string): Promise<boolean> {
    const now = input.value
    const was = answer.value
    if (!now || !was) return false
    const section = was.result.designation.replace(/[0-9.]+$/, '') as NonNullable<SelectInput['fixed']>['section']
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
            fixed: { driver: now.driver.sheave, driven: now.driven.sheave, section },
            limits: { belts: 20 },
            weights: { belts: 0, shaft_load: 0, width: 0, speed: 0 },
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
      problem.value = { type: '', title: reason, status: 422, detail: reason, errors: [{ path: 'input.centre_distance', reason, allowed }] }
      return false
    }
    return work(withLeaf(now, 'belt.designation', best.drive.designation))
  }

  return { input, basis, answer, problem, busy, changed, work, change }
}
