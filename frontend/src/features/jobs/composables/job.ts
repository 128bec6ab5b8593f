import { computed, onMounted, ref, watch } from 'vue'

import { api, attempt } from '@/api/client'
import type { Job, JobStep, Problem } from '@/api/types'
import { entries, flush, save } from '@/shared/state/outbox'
import { wayOfDrive } from '@/shared/state/knownDrives'
import { setPlace } from '@/shared/state/place'
import { useSettings } from '@/shared/state/settings'

import { eventOf, type Happened } from '../logic/happened'

/** A job on this device: as the server tells it, with what waits here to be sent. */
export function useJob(id: () => string) {
  const settings = useSettings()
  const job = ref<Job>()
  const missing = ref<Problem | null>(null)
  const problem = ref<Problem | null>(null)
  const busy = ref(false)
  const url = computed(() => `/api/jobs/${id()}/events`)
  const kept = computed(() => `tuyere.job.${id()}`)

  function take(fresh: Job) {
    job.value = fresh
    setPlace(fresh.title, wayOfDrive(fresh.drive_id, fresh.machine, fresh.drive))
    try {
      localStorage.setItem(kept.value, JSON.stringify(fresh))
    } catch {
      // A full storage costs the job's view without a connection, nothing that was entered.
    }
  }
  async function load() {
    const query = { units: settings.units }
    const got = await attempt(api.GET('/api/jobs/{ident}', { params: { path: { ident: id() }, query } }))
    if (got.ok) {
      missing.value = null
      return take(got.data)
    }
    const last = localStorage.getItem(kept.value)
    if (got.offline && last) job.value = JSON.parse(last) as Job
    missing.value = got.problem
  }
  const waiting = computed(() => entries.value.filter((e) => e.url === url.value && e.state === 'waiting'))
  const refused = computed(() => entries.value.filter((e) => e.url === url.value && e.state === 'refused'))
  /** Where a step stands, with what waits on this device counted in. */
  function status(step: JobStep): JobStep['status'] {
    if (step.status !== 'open') return step.status
    const mine = waiting.value.filter((e) => e.body.step === step.key)
    if (mine.some((e) => e.body.kind === 'skipped')) return 'skipped'
    return mine.some((e) => ['done', 'found', 'signed'].includes(String(e.body.kind))) ? 'done' : 'open'
  }
  /** What waits on this device for a target of a step, as typed. */
  const waits = (step: string, target: string): string =>
    String(waiting.value.findLast((e) => e.body.step === step && e.body.target === target)?.body.typed ?? '')

  /** Something happened. True where it is kept: by the server, or on this device until it can be sent. */
  async function happened(event: Happened): Promise<boolean> {
    busy.value = true
    problem.value = null
    const label = `${event.kind} at ${job.value?.title ?? 'a job'}`
    const got = await save<Job>('POST', url.value, eventOf(event), label)
    busy.value = false
    if (got.ok) {
      take(got.data)
      return true
    }
    if (got.problem.kept) return true
    problem.value = got.problem
    return false
  }
  onMounted(load)
  watch(() => settings.units, load)
  // What was sent after the line came back changes the job: it is read anew when the last entry has gone.
  watch(
    () => waiting.value.length,
    (now, before) => {
      if (before && !now) void load()
    },
  )
  return { job, missing, problem, busy, waiting, refused, status, waits, happened, load, flush }
}
