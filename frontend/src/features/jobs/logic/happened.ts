import { newId } from '@/shared/state/kept'
import { useSettings } from '@/shared/state/settings'

/** Something that happened at a step of a job, as a person said it. */
export interface Happened {
  step: string
  kind: 'done' | 'skipped' | 'noted' | 'read' | 'found' | 'signed' | 'moved' | 'reopened'
  target?: string
  quantity?: string
  typed?: string
  turns?: number
  grade?: string
  faults?: string[]
  took?: { item: string; count: number }[]
  reason?: string
  corrects?: string | null
  conditions?: Record<string, unknown>
  origin?: string
  instrument?: Record<string, unknown>
}
/** The event that is sent of it: when, by whom, in which units. */
export function eventOf(said: Happened) {
  const { units, name } = useSettings()
  return { ...said, id: newId(), at: new Date().toISOString(), units, created_by_name: name }
}
