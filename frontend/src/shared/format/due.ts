import type { components } from '@/api/schema'

/** Where a person goes to do what is due at a drive: the job that does it, with its template where it has one. Empty without a drive. */
export const startOf = (due: components['schemas']['DueLine']): string =>
  due.drive_id
    ? `/drives/${due.drive_id}/jobs?due=${due.id}${due.template ? `&template=${encodeURIComponent(due.template)}` : ''}`
    : ''
