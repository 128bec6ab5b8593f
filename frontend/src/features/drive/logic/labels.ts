import type { DriveAnswer, DriveInput } from '@/api/types'

import type { Label } from '../components/ElevationSheet.vue'

/** What hangs on the elevation of a V-belt drive. */
export function driveLabels(answer: DriveAnswer, input: DriveInput, wheel: string): Label[] {
  const r = answer.result
  const echo = answer.input as Record<string, Record<string, Record<string, { shown: string }>>>
  const shown = (side: 'driver' | 'driven') => echo[side]?.sheave?.diameter?.shown ?? ''
  const split = (text: string): [string, string] => {
    const cut = text.lastIndexOf(' ')
    return [text.slice(0, cut), text.slice(cut + 1)]
  }
  const kindWord = (kind?: string | null) => (kind === 'outside' || !kind ? 'OD' : kind)
  const speed = (answer.input.driver as Record<string, { shown: string }>).speed?.shown ?? ''
  const [n1, u1] = split(speed)
  const [d1, ud1] = split(shown('driver'))
  const [d2, ud2] = split(shown('driven'))
  return [
    { key: 'n1', at: 'driver', label: 'driver', number: n1, unit: u1, path: 'driver.speed' },
    { key: 'd1', at: 'driver', label: `${wheel} ${kindWord(input.driver.sheave.kind)}`, number: d1, unit: ud1, path: 'driver.sheave.diameter' },
    { key: 'n2', at: 'driven', label: 'driven', number: r.driven_speed.number, unit: r.driven_speed.unit_shown, step: r.driven_speed.step },
    { key: 'd2', at: 'driven', label: `${wheel} ${kindWord(input.driven.sheave.kind)}`, number: d2, unit: ud2, path: 'driven.sheave.diameter' },
    { key: 'a', at: 'centre', label: 'centres', number: r.centre_distance.number, unit: r.centre_distance.unit_shown, path: 'centre_distance' },
    { key: 'slack', at: 'slack', label: 'slack, per belt', number: r.slack.number, unit: r.slack.unit_shown, step: r.slack.step },
    { key: 'tight', at: 'tight', label: 'tight, per belt', number: r.tight.number, unit: r.tight.unit_shown, step: r.tight.step },
  ]
}
