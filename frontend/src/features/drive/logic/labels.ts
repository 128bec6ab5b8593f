import type { Sheet } from '@/api/types'
import { wheelName } from '@/shared/format/words'

import type { Label } from '../components/ElevationSheet.vue'

/** What hangs on the elevation: the family's call-outs in the person's own words. */
export function driveLabels(sheet: Sheet, wheel: 'sheave' | 'pulley'): Label[] {
  return sheet.call_outs.map((c) => ({ ...c, label: wheelName(wheel, c.label), path: c.path ?? undefined }))
}
