import type { DriveInput } from '@/api/types'
import { countTyped } from '@/shared/format/counts'

/** V-belts as they are written down at the machine. */
export type VBeltFound = Record<
  'driver' | 'driven' | 'kind' | 'groove' | 'belt' | 'count' | 'odd' | 'centre',
  string
> & { flat: boolean }

interface Known {
  driver: { sheave: { kind?: string; groove: string } }
  driven: { sheave: { groove: string } }
}

/** The fields with what is known of the last one: it is looked at and put right, not typed anew. */
export function knownFields(last: { input: DriveInput; entries: string[] } | null): VBeltFound {
  const known = last?.input as Known | undefined
  return {
    driver: last?.entries[0] ?? '',
    driven: last?.entries[1] ?? '',
    kind: known?.driver.sheave.kind ?? 'outside',
    groove: known?.driver.sheave.groove ?? '',
    belt: '',
    count: '',
    odd: '',
    centre: '',
    flat: known?.driven.sheave.groove === 'flat',
  }
}

/** What the drive's calculation takes of them. */
export function foundInput(f: VBeltFound): DriveInput {
  const wheel = (diameter: string) => ({ diameter, kind: f.kind, groove: f.groove || undefined })
  return {
    driver: { sheave: wheel(f.driver) },
    driven: { sheave: f.flat ? { diameter: f.driven, kind: 'outside', groove: 'flat' } : wheel(f.driven) },
    centre_by_tape: f.centre.trim() || undefined,
    belt: { designation: f.belt, count: countTyped(f.count), odd: f.odd.trim() || undefined },
  }
}
