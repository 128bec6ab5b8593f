/** Where a bar of what is carried against what is needed ends and where its mark stands, 0 to 1. */
export function ratioOf(
  spare: { value: number } | null | undefined,
): { carries: number; needs: number; short: boolean } | null {
  if (!spare) return null
  // Spare is a percentage of what is needed; far more than needed is drawn as twice as much.
  const carries = Math.min(Math.max(1 + spare.value / 100, 0), 2)
  const whole = Math.max(carries, 1) * 1.08
  return { carries: carries / whole, needs: 1 / whole, short: spare.value < 0 }
}
