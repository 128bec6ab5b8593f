/** A number without a unit: digits, a fraction, a comma; what a tape or a nameplate gives. */
const BARE = /^[\s\d.,/+\-½¼¾⅛⅜⅝⅞⅓⅔⁄]*\d[\s\d.,/+\-½¼¾⅛⅜⅝⅞⅓⅔⁄]*$|^\s*[½¼¾⅛⅜⅝⅞⅓⅔]\s*$/

export const isBare = (typed: string): boolean => BARE.test(typed)

/** A bare number with the unit it was meant in; what carries its own unit stays as it was typed. */
export function withUnit(typed: string, unit: string): string {
  return unit && typed.trim() && isBare(typed) ? `${typed.trim()} ${unit}` : typed
}
