/** "driven_speed" as a person would say it. */
export function plainName(name: string): string {
  const spaced = name.replaceAll('_', ' ').replaceAll('-', ' ')
  return spaced.charAt(0).toUpperCase() + spaced.slice(1)
}

/** What a field of an answer is called: the answer says it where its plain name does not. */
export const titleIn = (titles: Record<string, string> | undefined, name: string): string =>
  titles?.[name] ?? plainName(name)

/** A day by the device's clock, as the address, a date field and the server have it. */
export const isoDay = (d: Date): string =>
  `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, '0')}-${String(d.getDate()).padStart(2, '0')}`
/** A moment as a short date, the same for everybody. */
export function shortDate(iso: string): string {
  const d = new Date(iso)
  const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
  return `${d.getDate()} ${months[d.getMonth()]} ${d.getFullYear()}`
}

/** The time of day of a moment, as the clock on the wall says it. */
export const clock = (iso: string): string =>
  new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })

// Keys whose word a hyphen does not make.
const KEYS: Record<string, string> = {
  v: 'V-belts',
  'v-light': 'light-duty V-belts',
  'v-joined': 'joined V-belts',
  'v-ribbed': 'ribbed belts',
  'v-link': 'link belts',
  sync: 'toothed belts',
  round: 'round belts',
  feeler: 'straightedge and feelers',
  tape: 'straightedge and tape',
  string: 'string and tape',
  'key-setscrew': 'key and set screw',
  pto: 'power take-off',
  backdrive: 'draught or back-flow',
}
/** A key of the interface in words: `lap-leather` reads as lap leather. */
export const keyWords = (key: string): string =>
  KEYS[key] ?? (/^[a-z0-9]+([-_][a-z0-9]+)+$/.test(key) ? key.replace(/[-_]/g, ' ') : key)

/** A whole number with its thousands set off; the device's own formatter takes 25 ms to wake for the first one. */
export const thousands = (n: number): string => String(Math.round(n)).replace(/\B(?=(\d{3})+$)/g, ',')
/** A count with its word: 1 line, 2 lines. */
export const counted = (n: number, word: string): string => `${thousands(n)} ${word}${n === 1 ? '' : 's'}`
