import { getCurrentScope, onScopeDispose, ref, watch, type Ref } from 'vue'

import type { Units } from '@/api/types'

import { useSettings } from './settings'

interface Stored<T> {
  units: Units
  value: T
}

/**
 * A ref that outlives a closed tab or a crash until it is forgotten: nothing typed is lost.
 *
 * `carry` takes the fields over into another system of units: it gives bare numbers the unit they were typed in, so
 * that none is ever read in another one, whether the switch is thrown with the form open or while it is put away.
 */
export function useKept<T extends object>(
  key: string,
  fresh: () => T,
  carry: (value: T, from: Units) => T = (v) => v,
): { value: Ref<T>; forget: () => void } {
  const name = `tuyere.kept.${key}`
  const settings = useSettings()
  const read = (): T => {
    try {
      const text = localStorage.getItem(name)
      if (!text) return fresh()
      const stored = JSON.parse(text) as Stored<T> | T
      const known =
        'value' in stored && 'units' in stored ? (stored as Stored<T>) : { units: settings.units, value: stored as T }
      const value = { ...fresh(), ...known.value }
      return known.units === settings.units ? value : carry(value, known.units)
    } catch {
      return fresh()
    }
  }
  const value = ref(read()) as Ref<T>
  let forgotten = false
  const write = () => {
    try {
      localStorage.setItem(name, JSON.stringify({ units: settings.units, value: value.value } satisfies Stored<T>))
    } catch {
      // A full storage: the page still holds it, and the save says what it could not keep.
    }
  }
  watch(
    value,
    () => {
      // The change that forgetting makes is not kept again.
      if (forgotten) forgotten = false
      else write()
    },
    { deep: true },
  )
  const stop = watch(
    () => settings.units,
    (_now, before) => {
      value.value = carry(value.value, before)
    },
    { flush: 'sync' },
  )
  if (getCurrentScope()) onScopeDispose(stop)
  const forget = () => {
    forgotten = true
    value.value = fresh()
    localStorage.removeItem(name)
  }
  return { value, forget }
}

/** A name for one operation: sent again with the same one, it is done once. */
export function newId(): string {
  if (typeof crypto.randomUUID === 'function') return crypto.randomUUID()
  const b = crypto.getRandomValues(new Uint8Array(16))
  b[6] = ((b[6] ?? 0) & 0x0f) | 0x40
  b[8] = ((b[8] ?? 0) & 0x3f) | 0x80
  const hex = [...b].map((x) => x.toString(16).padStart(2, '0')).join('')
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`
}
