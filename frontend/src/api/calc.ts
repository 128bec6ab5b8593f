import { attempt, type Outcome } from './client'

/** Work a calculation by its name, where the name is only known at run time. */
export function calculate<T>(name: string, body: Record<string, unknown>): Promise<Outcome<T>> {
  const asked = fetch(`/api/calc/${name}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
  })
  return attempt<T>(
    asked.then(async (response) => {
      const json: unknown = await response.json()
      return response.ok ? { data: json as T, response } : { error: json, response }
    }),
  )
}
