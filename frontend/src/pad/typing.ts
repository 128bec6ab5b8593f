/** Typing a shop number with big keys: what stands after a key is pressed. No arithmetic: the server reads the text. */
export type PadKey =
  | '0'
  | '1'
  | '2'
  | '3'
  | '4'
  | '5'
  | '6'
  | '7'
  | '8'
  | '9'
  | '.'
  | '1/2'
  | '1/4'
  | '1/8'
  | '1/16'
  | '1/32'
  | 'sign'
  | 'back'
  | 'clear'

export const FRACTIONS = ['1/2', '1/4', '1/8', '1/16', '1/32'] as const
const LONGEST = 12

const parts = (text: string) => {
  const found = /^(-?)(\d*\.?\d*)(?: ?(\d+\/\d+))?$/.exec(text)
  return { sign: found?.[1] ?? '', number: found?.[2] ?? '', fraction: found?.[3] ?? '' }
}
const joined = (p: { sign: string; number: string; fraction: string }) =>
  p.sign + [p.number, p.fraction].filter(Boolean).join(' ')

/** A fraction more on a fraction: 1/4 pressed twice is 1/2, an eighth on a half is 5/8; what makes a whole goes no further. */
function more(fraction: string, key: string): string {
  if (!fraction) return key
  const [a = 0, b = 1] = fraction.split('/').map(Number)
  const [c = 0, d = 1] = key.split('/').map(Number)
  const top = (a * 32) / b + (c * 32) / d
  if (top >= 32) return fraction
  let whole = 32
  let part = top
  while (part % 2 === 0) {
    part /= 2
    whole /= 2
  }
  return `${part}/${whole}`
}

/** The text after a key: `12` then `1/2` is `12 1/2`; a digit after a fraction begins anew. */
export function pressed(text: string, key: PadKey): string {
  const p = parts(text)
  if (key === 'clear') return ''
  if (key === 'sign') return p.sign ? text.slice(1) : `-${text}`
  if (key === 'back') return p.fraction ? joined({ ...p, fraction: '' }) : text.slice(0, -1)
  if (key.includes('/')) return p.number.includes('.') ? text : joined({ ...p, fraction: more(p.fraction, key) })
  if (p.fraction) return key === '.' ? text : key
  if (key === '.' && p.number.includes('.')) return text
  if (text.length >= LONGEST) return text
  return joined({ ...p, number: (p.number === '0' && key !== '.' ? '' : p.number) + key })
}

/** What stands on the pad as a number: 3.4, 1 1/2, -3/8. Undefined while it is none yet. */
export function typedNumber(text: string): number | undefined {
  const found = /^\s*([-−]?)\s*(?:(\d+)\s+(\d+)\/(\d+)|(\d+)\/(\d+)|(\d+\.?\d*|\.\d+))\s*$/.exec(text)
  if (!found) return undefined
  const [, sign, whole, top, bottom, alone, under, plain] = found
  const n = plain ? Number(plain) : Number(whole ?? 0) + Number(top ?? alone) / Number(bottom ?? under)
  return Number.isFinite(n) ? (sign ? -n : n) : undefined
}
