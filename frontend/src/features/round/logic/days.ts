import { isoDay } from '@/shared/format/words'

const DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat']
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

/** A day as it is said on the round: Thu 26 Nov. */
export function dayName(iso: string): string {
  const d = new Date(iso)
  return `${DAYS[d.getDay()]} ${d.getDate()} ${MONTHS[d.getMonth()]}`
}

/** How late, today, or when: days are counted by the server, late ones positive. */
export function lateness(days: number, grade: string, when: string | null): string {
  if (grade === 'act') return `${days} day${days === 1 ? '' : 's'} late`
  if (grade === 'watch') return 'today'
  return when ? dayName(when) : ''
}

/** Minutes as a person plans them: 45 min, 1 h 40. */
export function spell(minutes: number): string {
  if (minutes < 60) return `${minutes} min`
  const rest = minutes % 60
  return `${Math.floor(minutes / 60)} h${rest ? ` ${String(rest).padStart(2, '0')}` : ''}`
}

/** The day so many days from now, as a date field wants it. */
export function inDays(days: number): string {
  const d = new Date()
  d.setDate(d.getDate() + days)
  return isoDay(d)
}
