import { computed, ref, watch } from 'vue'

import { calculate } from '@/api/calc'
import type { components } from '@/api/schema'
import type { Problem } from '@/api/types'
import type { Edge } from '@/gauge/BeltEdges.vue'
import type { Pointer } from '@/gauge/scale'
import { useKept } from '@/shared/state/kept'
import { useSettings } from '@/shared/state/settings'

type Read = components['schemas']['TensionReadingResponse']

/** Readings that somebody tries at the drive: not on record, but kept on the device until they are cleared. */
export function useTryReadings(
  id: string,
  drive: () => object | null,
  state: () => 'new' | 'run in',
  belts: () => number,
) {
  const settings = useSettings()
  const { value: kept, forget } = useKept(`gauge.${id}`, () => ({ read: {} as Record<string, string> }))
  const answer = ref<Read>()
  const problem = ref<Problem | null>(null)
  let last = 0
  async function work() {
    const mine = ++last
    const of = drive()
    const readings = Object.entries(kept.value.read)
      .filter(([no, force]) => force && Number(no) <= belts())
      .map(([no, force]) => ({ belt: Number(no), method: 'plunger', force }))
    if (!of || !readings.length) {
      answer.value = undefined
      problem.value = null
      return
    }
    const got = await calculate<Read>('tension-reading', {
      units: settings.units,
      input: { drive: of, state: state(), readings },
    })
    if (mine !== last) return
    problem.value = got.ok ? null : got.problem
    if (got.ok) answer.value = got.data
  }
  watch(
    () => [kept.value.read, drive(), state(), settings.units],
    () => void work(),
    { deep: true, immediate: true },
  )

  const r = computed(() => answer.value?.result)
  const edges = computed<Edge[]>(() =>
    Array.from({ length: belts() }, (_, k) => {
      const own = r.value?.belts.find((b) => b.belt === k + 1)
      return {
        no: k + 1,
        shown: own?.at.deflection_force?.shown ?? kept.value.read[k + 1] ?? '',
        force: own?.at.deflection_force?.value,
        state: own?.verdict ?? 'none',
        loose: own?.loose ?? false,
        says: own?.says ?? '',
      }
    }),
  )
  const pointers = computed<Pointer[]>(() =>
    (r.value?.belts ?? []).map((b) => ({
      key: `b${b.belt}`,
      name: belts() > 1 ? `belt ${b.belt}` : 'belt',
      number: b.at.deflection_force?.number ?? '',
      at: b.at.tension.value,
      state: b.verdict ?? 'fine',
    })),
  )
  const set = (no: number, typed: string) => (kept.value.read = { ...kept.value.read, [no]: typed })
  return { kept, answer, problem, edges, pointers, says: computed(() => r.value?.says ?? ''), set, forget }
}
