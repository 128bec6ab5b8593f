import createClient from 'openapi-fetch'

import type { paths } from './schema'
import type { Problem } from './types'

export const api = createClient<paths>({ baseUrl: '/' })

/** What a request came to: data, a problem the server explained, or no connection at all. */
export type Outcome<T> = { ok: true; data: T } | { ok: false; problem: Problem; offline: boolean }

function asProblem(error: unknown, status: number): Problem {
  const given = (error ?? {}) as Partial<Problem>
  return {
    type: given.type ?? 'tuyere:http',
    title: given.title ?? 'The server did not answer as expected',
    status: given.status ?? status,
    detail: given.detail ?? '',
    errors: given.errors ?? [],
    current: given.current,
    differences: given.differences,
  }
}

/** Run a typed request and fold every way it can fail into one shape. */
export async function attempt<T>(
  request: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<Outcome<T>> {
  try {
    const { data, error, response } = await request
    if (data !== undefined && error === undefined) return { ok: true, data }
    return { ok: false, problem: asProblem(error, response.status), offline: false }
  } catch {
    const problem = asProblem(
      { type: 'tuyere:offline', title: 'No connection', detail: 'Nothing was lost here; try again in a moment.' },
      0,
    )
    return { ok: false, problem, offline: true }
  }
}
