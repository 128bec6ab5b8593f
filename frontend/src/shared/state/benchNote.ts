// What a card of the bench said, on its way to the machine that it was asked for. It goes with the tab, not with the device.
export interface BenchNote {
  asks: string
  /** The question and its answer in words, with their units. */
  says: string
}
const KEY = 'tuyere.benchNote'
/** As much as the record of a step holds. */
export const LONGEST_NOTE = 500

export function carryNote(note: BenchNote): void {
  sessionStorage.setItem(KEY, JSON.stringify({ ...note, says: note.says.slice(0, LONGEST_NOTE) }))
}
export function carriedNote(): BenchNote | undefined {
  try {
    const kept = JSON.parse(sessionStorage.getItem(KEY) ?? 'null') as Partial<BenchNote> | null
    return kept?.says ? { asks: String(kept.asks ?? ''), says: String(kept.says) } : undefined
  } catch {
    return undefined
  }
}
export const leaveNote = (): void => sessionStorage.removeItem(KEY)
