import { watch, type Ref } from 'vue'

import type { Units } from '@/api/types'
import { withUnit } from '@/shared/format/units'

import { useSettings } from './settings'

/** What a bare number means in each system. */
export type UnitPair = readonly [us: string, si: string]
export const LENGTH: UnitPair = ['in', 'mm']
export const POWER: UnitPair = ['hp', 'kW']
export const FORCE: UnitPair = ['lbf', 'N']

/** A form's fields with the unit that their bare numbers were typed in; `pairs` names the quantities. */
export function carryFields<T extends object>(
  fields: T,
  from: Units,
  pairs: Partial<Record<keyof T & string, UnitPair>>,
): T {
  const out = { ...fields } as Record<string, unknown>
  for (const [name, pair] of Object.entries(pairs) as [string, UnitPair][]) {
    const typed = out[name]
    if (typeof typed === 'string') out[name] = withUnit(typed, pair[from === 'us' ? 0 : 1])
  }
  return out as T
}

/** The same for a form that is not kept: at the switch of units, before anything is asked again. */
export function useCarried<T extends object>(fields: Ref<T>, pairs: Partial<Record<keyof T & string, UnitPair>>): void {
  const settings = useSettings()
  watch(
    () => settings.units,
    (_now, before) => {
      fields.value = carryFields(fields.value, before, pairs)
    },
    { flush: 'sync' },
  )
}
