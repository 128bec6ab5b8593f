import type { Units } from '@/api/types'

const INCHES = /(?:(\d+) )?(\d+)\/(\d+) in\b|(\d+(?:\.\d+)?) in\b/g
/**
 * What is on a drive, as lists say it, with its sizes in the person's system: leather and toothed belts are kept by their
 * width in inches, and inches do not stand beside millimetres. Belt and chain numbers are names and stay. Digits as the core says a size.
 */
export function inSystem(what: string, units: Units): string {
  if (units === 'us') return what
  return what.replace(INCHES, (_all, whole?: string, top?: string, bottom?: string, plain?: string) => {
    const inches = plain === undefined ? Number(whole ?? 0) + Number(top) / Number(bottom) : Number(plain)
    const mm = inches * 25.4
    return `${mm < 1000 ? Number(mm.toFixed(1)) : Math.round(mm)} mm`
  })
}
