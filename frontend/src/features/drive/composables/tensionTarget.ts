import { computed, ref, watch } from 'vue'

import { calculate } from '@/api/calc'
import type { components } from '@/api/schema'
import type { Drive, DriveInput, Options, Problem } from '@/api/types'
import { save } from '@/shared/state/outbox'
import { useSettings } from '@/shared/state/settings'

type Target = components['schemas']['TensionTargetResponse']
type Schools = components['schemas']['TensionSchoolsResponse']
export interface Held {
  drive: Drive
  calc: string
  input: DriveInput
  options: Options
  /** Strands that can be pressed, longest first, where there is more than one kind. */
  strands?: { strand: string; span: { shown: string } }[]
}

/** What a belt is set to and both ends of it; nothing for a loop that is not set by its tension. */
export function useTensionTarget(of: () => Held | null) {
  const settings = useSettings()
  const target = ref<Target>()
  const schools = ref<Schools>()
  const problem = ref<Problem | null>(null)
  const state = ref<'new' | 'run in'>('new')
  // Which strand is pressed is kept with the drive: jobs, cards and tags go by it.
  const span = computed(() => {
    const kept = of()?.drive.ends.given.span
    // A strand that was picked counts only while the drive has it.
    return typeof kept === 'string' && of()?.strands?.some((s) => s.strand === kept) ? kept : ''
  })
  const given = () => of()?.drive.ends.given ?? {}
  const withoutSpan = () => Object.fromEntries(Object.entries(given()).filter(([name]) => name !== 'span'))
  /** The drive as another question takes it. */
  const asked = () => {
    const held = of()
    return held && { calc: held.calc, input: held.input, ...(span.value ? { span: span.value } : {}) }
  }
  let last = 0
  async function work() {
    const mine = ++last
    const held = of()
    const drive = asked()
    if (!held || !drive) {
      target.value = undefined
      schools.value = undefined
      return
    }
    const more = withoutSpan()
    const body = (input: object) => ({ units: settings.units, options: held.options, input })
    const [a, b] = await Promise.all([
      calculate<Target>('tension-target', body({ ...more, drive, state: state.value })),
      calculate<Schools>('tension-schools', body({ drive, ...('maker' in more ? { maker: more.maker } : {}) })),
    ])
    if (mine !== last) return
    problem.value = a.ok ? null : a.problem
    if (a.ok) target.value = a.data
    if (b.ok) schools.value = b.data
  }
  async function pickSpan(picked: string): Promise<Problem | null> {
    const held = of()
    if (!held) return null
    const body = {
      rev: held.drive.ends.rev,
      asked: picked ? { ...withoutSpan(), span: picked } : withoutSpan(),
      units: settings.units,
      created_by_name: settings.name,
    }
    const got = await save<Drive>('PUT', `/api/drives/${held.drive.id}/ends`, body, `strand of ${held.drive.name}`)
    return got.ok ? null : got.problem
  }
  watch(
    () => [of()?.calc, of()?.input, of()?.options, of()?.drive.ends.rev, settings.units, state.value],
    () => void work(),
    { immediate: true },
  )
  return { target, schools, problem, span, state, asked, pickSpan }
}
