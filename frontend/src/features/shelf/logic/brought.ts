import { onMounted, ref, shallowRef, watch, type Ref, type ShallowRef } from 'vue'

import type { Problem } from '@/api/types'
import { useKept } from '@/shared/state/kept'
import { save } from '@/shared/state/outbox'
import { useSettings } from '@/shared/state/settings'

type Asked<T> = Promise<{ ok: true; data: T } | { ok: false; problem: Problem }>

/** A list that comes in as CSV: typed or pasted, looked through, then kept whole in place of the one before it. */
export function useBroughtList<Line, Preview>(
  key: string,
  url: string,
  preview: (units: 'us' | 'si', text: string) => Asked<Preview>,
  read: (units: 'us' | 'si') => Promise<Line[]>,
) {
  const settings = useSettings()
  // Not there until it is read.
  const lines: ShallowRef<Line[] | undefined> = shallowRef()
  const looked: ShallowRef<Preview | undefined> = shallowRef()
  const problem: Ref<Problem | null> = ref(null)
  const { value: entry, forget } = useKept(key, () => ({ text: '' }))

  // A list that was looked through is that list: another text is looked through anew.
  watch(
    () => entry.value.text,
    () => (looked.value = undefined),
  )
  async function look() {
    const got = await preview(settings.units, entry.value.text)
    problem.value = got.ok ? null : got.problem
    looked.value = got.ok ? got.data : undefined
  }
  async function keep() {
    const body = {
      created_by_name: settings.name,
      units: settings.units,
      text: entry.value.text,
      leave_out_wrong: true,
    }
    const got = await save<{ lines: Line[] }>('PUT', url, body, 'a list')
    problem.value = got.ok ? null : got.problem
    if (!got.ok) return
    lines.value = got.data.lines
    looked.value = undefined
    forget()
  }
  const again = async () => (lines.value = await read(settings.units))
  onMounted(again)
  watch(() => settings.units, again)
  return { lines, looked, problem, entry, look, keep }
}
