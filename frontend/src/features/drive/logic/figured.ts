/** A line of instruction cut where its figures stand: the server puts them between * marks. */
export function figured(line: string): { text: string; figure: boolean }[] {
  return line
    .split('*')
    .map((text, k) => ({ text, figure: k % 2 === 1 }))
    .filter((p) => p.text)
}
