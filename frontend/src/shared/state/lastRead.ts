/** What this device last read of a page, so that it is there before the server answers, and without one. */
interface Kept<T> {
  at: string
  data: T
}
const PREFIX = 'tuyere.read.'
const MOST = 40

/** The last reading of `key`; null where there is none, or none that can be read. */
export function lastRead<T>(key: string): Kept<T> | null {
  try {
    return JSON.parse(localStorage.getItem(PREFIX + key) ?? 'null') as Kept<T> | null
  } catch {
    return null
  }
}

function others(): { name: string; at: string }[] {
  return Array.from({ length: localStorage.length }, (_, k) => localStorage.key(k) ?? '')
    .filter((name) => name.startsWith(PREFIX))
    .map((name) => ({ name, at: lastRead(name.slice(PREFIX.length))?.at ?? '' }))
    .sort((a, b) => a.at.localeCompare(b.at))
}

/** Keeps a reading; the oldest ones make room. A full storage costs this copy, nothing that was typed. */
export function keepRead(key: string, data: unknown): void {
  const text = JSON.stringify({ at: new Date().toISOString(), data })
  for (let tries = 0; tries < 3; tries++) {
    try {
      localStorage.setItem(PREFIX + key, text)
      for (const old of others().slice(0, -MOST)) localStorage.removeItem(old.name)
      return
    } catch {
      for (const old of others().slice(0, 5)) localStorage.removeItem(old.name)
    }
  }
}
