import { api, attempt } from '@/api/client'
import { typedOf } from '@/forms/schema'
import type { Units } from '@/api/types'

/** What a question of the bench is asked of a drive that stands on a machine: its fields from what is known of it. */
export async function askedOfDrive(
  ident: string,
  calc: string,
  units: Units,
): Promise<Record<string, string | boolean>> {
  const got = await attempt(api.GET('/api/drives/{ident}/speeds', { params: { path: { ident }, query: { units } } }))
  const asked = got.ok ? got.data.questions.find((q) => q.calc === calc) : undefined
  return asked ? typedOf(asked.input) : {}
}
