/** A count as a number; what is not one goes out as typed, so that the server can say what is wrong with it. */
export function countTyped(text: string): number | string | undefined {
  const n = Number(text)
  return text.trim() === '' ? undefined : Number.isFinite(n) ? n : text
}
