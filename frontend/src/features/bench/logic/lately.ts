/** The questions this device asked lately, newest first: yesterday's is asked again today. */
const KEY = 'tuyere.bench.lately'
const MOST = 4

export function lately(): string[] {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '[]') as unknown
    return Array.isArray(kept) ? kept.filter((k): k is string => typeof k === 'string') : []
  } catch {
    return []
  }
}
export function usedCard(name: string): void {
  try {
    localStorage.setItem(KEY, JSON.stringify([name, ...lately().filter((k) => k !== name)].slice(0, MOST)))
  } catch {
    // A full storage costs this list, nothing else.
  }
}
