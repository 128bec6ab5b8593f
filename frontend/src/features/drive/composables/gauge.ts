import { computed, ref, shallowRef } from 'vue'

import type { components } from '@/api/schema'
import type { Problem } from '@/api/types'
import type { Pointer } from '@/gauge/scale'
import { askNumber, unitsBeside } from '@/pad/ask'
import { faultText } from '@/shared/format/faults'
import { shortDate } from '@/shared/format/words'
import { useSettings } from '@/shared/state/settings'

import { useTensionTarget, type Held } from './tensionTarget'
import { useTryReadings } from './tryReadings'

/**
 * The gauge of a drive: what its belts are set to, both ends of it, readings that are tried on it and what it showed at the
 * last job. `held` is the drive while its tension is looked at; `pressed` whether its belts are set by pressing them one by
 * one; `again` reads the drive anew when the strand that is pressed was picked.
 */
export function useGauge(id: string, held: () => Held | null, pressed: () => boolean, again: () => Promise<unknown>) {
  const settings = useSettings()
  const tension = useTensionTarget(held)
  const target = computed(() => (held() ? tension.target.value : undefined))
  const tried = useTryReadings(
    id,
    () => tension.asked(),
    () => tension.state.value,
    () => (pressed() ? (target.value?.result.belts ?? 0) : target.value ? 1 : 0),
  )
  const failed = ref<Problem | null>(null)
  async function pickSpan(strand: string) {
    failed.value = await tension.pickSpan(strand)
    if (!failed.value) await again()
  }
  // What was read at the last job stands on the scale beside what is tried now.
  const lastRead = shallowRef<components['schemas']['TensionFall']['readings'][number]>()
  const pointers = computed<Pointer[]>(() => {
    const l = lastRead.value
    const earlier: Pointer[] = l
      ? [
          {
            key: 'last',
            name: shortDate(l.at).replace(/ \d{4}$/, ''),
            number: l.on_gauge.number,
            at: l.tension.value,
            state: 'fine',
            earlier: true,
          },
        ]
      : []
    return [...earlier, ...tried.pointers.value]
  })
  async function readBelt(no: number) {
    const unit = settings.units === 'us' ? 'lbf' : 'N'
    const given = await askNumber({
      label: tried.edges.value.length > 1 ? `Belt ${no}, the gauge shows` : 'The gauge shows',
      value: tried.kept.value.read[no] ?? '',
      unit,
      units: unitsBeside(unit),
    })
    if (given && 'typed' in given) tried.set(no, given.typed)
  }
  const fault = computed(() => {
    const e = tried.problem.value?.errors[0]
    return e ? faultText(e) : (tried.problem.value?.detail ?? '')
  })
  return { tension, target, tried, failed, pickSpan, lastRead, pointers, readBelt, fault }
}
