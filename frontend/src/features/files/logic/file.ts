import { attempt, type Outcome } from '@/api/client'
import type { components } from '@/api/schema'
import { thousands } from '@/shared/format/words'

export type FileState = components['schemas']['FileView']
export type FileLine = components['schemas']['LineView']
export type Verdict = FileState['counts'][number]['verdict']

/** In the order they matter to who decides; the mark says it without the colour. */
export const VERDICTS: { key: Verdict; word: string; mark: string; means: string }[] = [
  { key: 'refused', word: 'refused', mark: '■', means: 'cannot be; nothing of the file is taken while one is' },
  { key: 'changed', word: 'changed', mark: '◆', means: 'here, and the file has a later one: it goes in its place' },
  { key: 'added', word: 'added', mark: '+', means: 'not here yet' },
  { key: 'kept', word: 'kept as here', mark: '○', means: 'other here, as new or newer: ours stays' },
  { key: 'same', word: 'the same', mark: '=', means: 'here, and equal' },
]

export const atWork = (s: FileState | undefined): boolean =>
  s !== undefined && ['writing', 'looking', 'taking'].includes(s.doing)

export function countOf(state: FileState, verdict: Verdict): number {
  return state.counts.filter((c) => c.verdict === verdict).reduce((n, c) => n + c.count, 0)
}

export interface Kind {
  words: string
  many: string
  all: number
  ways: { verdict: Verdict; count: number }[]
}

/** Kinds of records in the file's order, each with how many go which way. */
export function byKind(state: FileState): Kind[] {
  const kinds = new Map<string, Kind>()
  for (const c of state.counts) {
    const kind = kinds.get(c.kind) ?? { words: c.words, many: c.many, all: 0, ways: [] }
    kind.all += c.count
    kind.ways.push({ verdict: c.verdict, count: c.count })
    kinds.set(c.kind, kind)
  }
  return [...kinds.values()]
}

const TRIES = 4
const wait = (ms: number) => new Promise((done) => setTimeout(done, ms))

/** Send a file in pieces, each small enough for a slow line, and again where the line broke; tells how much has gone. */
export async function sendFile(
  file: File,
  made: FileState,
  told: (share: number) => void,
  pause = 800,
): Promise<Outcome<unknown>> {
  let last: Outcome<unknown> = { ok: true, data: null }
  for (let no = 0; no * made.piece < file.size; no++) {
    const piece = file.slice(no * made.piece, (no + 1) * made.piece)
    for (let n = 0; n < TRIES; n++) {
      last = await attempt(
        fetch(`/api/files/${made.id}/pieces/${no}`, {
          method: 'PUT',
          headers: { 'Content-Type': 'application/octet-stream' },
          body: piece,
        }).then(async (response) => {
          const json: unknown = await response.json()
          return response.ok ? { data: json, response } : { error: json, response }
        }),
      )
      if (last.ok || !(last.offline || last.problem.status >= 500 || last.problem.status === 400)) break
      await wait(pause * (n + 1))
    }
    if (!last.ok) return last
    told(Math.min(1, ((no + 1) * made.piece) / file.size))
  }
  return last
}

/** 1,234 KB or 12.3 MB. */
export const sizeWords = (bytes: number): string =>
  bytes < 1e6 ? `${thousands(Math.max(1, Math.round(bytes / 1e3)))} KB` : `${(bytes / 1e6).toFixed(1)} MB`
