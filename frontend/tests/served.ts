import { vi } from 'vitest'
import { createPinia, setActivePinia } from 'pinia'
import { createMemoryHistory, createRouter, type Router } from 'vue-router'

/** A server of a few answers: what was asked of it is kept in order. */
export interface Served {
  asked: { method: string; path: string; body: Record<string, unknown> }[]
}
type Answer = unknown | ((body: Record<string, unknown>, path: string) => unknown | { status: number; json: unknown })

/** Put answers in place of the network, by `METHOD /path`; a path may end in * for all below it. */
export function serve(answers: Record<string, Answer>): Served {
  const served: Served = { asked: [] }
  const answer = async (input: Request | string, init?: RequestInit) => {
    const request = typeof input === 'string' ? undefined : input
    const method = request?.method ?? init?.method ?? 'GET'
    const path = new URL(request?.url ?? String(input), 'http://localhost').pathname
    const text = request ? await request.text() : String(init?.body ?? '')
    const body = (text ? JSON.parse(text) : {}) as Record<string, unknown>
    served.asked.push({ method, path, body })
    const key = [
      `${method} ${path}`,
      ...Object.keys(answers).filter((k) => k.endsWith('*') && `${method} ${path}`.startsWith(k.slice(0, -1))),
    ].find((k) => k in answers)
    const found = key ? answers[key] : undefined
    // A handler may never answer: then nothing comes, as from a server that is busy.
    const made: unknown = await (typeof found === 'function'
      ? (found as (b: Record<string, unknown>, p: string) => unknown)(body, path)
      : found)
    const status =
      made && typeof made === 'object' && 'status' in made && 'json' in made
        ? Number((made as { status: number }).status)
        : found === undefined
          ? 404
          : 200
    const json =
      made && typeof made === 'object' && 'json' in made && 'status' in made
        ? (made as { json: unknown }).json
        : (made ?? { title: 'Not there', status: 404, detail: path })
    return new Response(JSON.stringify(json), { status, headers: { 'Content-Type': 'application/json' } })
  }
  // Both ways to the network: what the client took hold of, and what is asked for by name.
  ;(globalThis as unknown as { served: unknown }).served = answer
  vi.stubGlobal('fetch', answer)
  return served
}

/** A router with the pages' addresses and nothing behind them. */
export async function routed(at: string): Promise<Router> {
  const blank = { template: '<div />' }
  const router = createRouter({ history: createMemoryHistory(), routes: [{ path: '/:rest(.*)*', component: blank }] })
  await router.push(at)
  return router
}

/** A fresh device: nothing kept, nothing chosen. */
export function freshDevice() {
  localStorage.clear()
  sessionStorage.clear()
  setActivePinia(createPinia())
  ;(window as unknown as { happyDOM?: { setURL: (u: string) => void } }).happyDOM?.setURL('http://localhost/')
}

/** Let promises and watchers come to rest. */
export async function settle(rounds = 12) {
  for (let k = 0; k < rounds; k++) await new Promise((r) => setTimeout(r, 0))
}
