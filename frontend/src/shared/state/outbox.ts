import { ref } from 'vue'

import { attempt, type Outcome } from '@/api/client'

/** A save that could not be sent: it waits on this device and is sent once, when it can be. */
interface Waiting {
  method: 'POST' | 'PUT'
  url: string
  body: unknown
}

const KEY = 'tuyere.outbox'
function stored(): Waiting[] {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '[]') as Waiting[]
  } catch {
    return []
  }
}
export const waiting = ref<Waiting[]>(stored())
const keep = () => localStorage.setItem(KEY, JSON.stringify(waiting.value))

async function send<T>(w: Waiting): Promise<Outcome<T>> {
  return attempt<T>(
    fetch(w.url, { method: w.method, headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(w.body) }).then(
      async (response) => {
        const json: unknown = await response.json()
        return response.ok ? { data: json as T, response } : { error: json, response }
      },
    ),
  )
}

/** Save now, or keep the save until there is a connection. The body carries its op_id, so a repeat does no harm. */
export async function save<T>(method: 'POST' | 'PUT', url: string, body: unknown): Promise<Outcome<T>> {
  const got = await send<T>({ method, url, body })
  if (!got.ok && got.offline) {
    waiting.value = [...waiting.value, { method, url, body }]
    keep()
  }
  return got
}

async function flush() {
  while (waiting.value.length) {
    const first = waiting.value[0]
    if (!first) return
    const got = await send(first)
    if (!got.ok && got.offline) return
    // Sent, or refused for a reason that sending again will not change: either way it has been answered.
    waiting.value = waiting.value.slice(1)
    keep()
  }
}
window.addEventListener('online', () => void flush())
setInterval(() => void (waiting.value.length && flush()), 5000)
