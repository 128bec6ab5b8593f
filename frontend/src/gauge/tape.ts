// A tape beside something deep: its own marks, so that it reads true however large the drawing is.
const LEAST_PX = 3.2
/** Divisions of a tape in mm, the finest first, each with how many of them a longer mark has. */
const US = [1, 2, 4, 8, 16].map((k) => ({ mm: (25.4 / 16) * k, longer: [16 / k, 8 / k, 4 / k, 2 / k] }))
const SI = [1, 5, 10].map((mm) => ({ mm, longer: [10 / mm, 5 / mm] }))

export interface TapeMark {
  /** From the tape's zero, in the drawing's own px. */
  at: number
  /** 0 to 1: how long the mark is. */
  long: number
}

/** The marks of a tape from its zero over so many px, where a mm is so many px: as fine as can be told apart. */
export function tapeMarks(pxPerMm: number, over: number, us: boolean): TapeMark[] {
  const all = us ? US : SI
  const of = all.find((d) => d.mm * pxPerMm >= LEAST_PX) ?? all.at(-1)
  if (!of || pxPerMm <= 0) return []
  const longer = of.longer.filter((n) => Number.isInteger(n) && n > 1)
  return Array.from({ length: Math.floor(over / (of.mm * pxPerMm) + 1e-9) + 1 }, (_, n) => {
    const level = longer.findIndex((k) => n % k === 0)
    return { at: n * of.mm * pxPerMm, long: level < 0 ? 0.3 : 1 - level * (0.7 / (longer.length + 1)) }
  })
}
