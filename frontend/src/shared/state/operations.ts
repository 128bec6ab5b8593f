import { newId } from './kept'

const KEY = 'tuyere.operations'

/** Names of writes that have got no definite answer yet: what was said, and under which name. */
type Open = Record<string, { said: string; id: string }>

function open(): Open {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '{}') as Open
  } catch {
    return {}
  }
}
function keep(all: Open): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(all))
  } catch {
    // A full storage costs the recognition of a repeat after a reload, not the save.
  }
}

// A photo is not written down once more to be known again: what is long is told by its length and a sum over it.
const LONG = 20_000
function mark(text: string): string {
  if (text.length < LONG) return text
  let a = 0x811c9dc5
  let b = 0x1000193
  for (let k = 0; k < text.length; k++) {
    const c = text.charCodeAt(k)
    a = Math.imul(a ^ c, 0x01000193)
    b = Math.imul(b ^ c, 0x85ebca6b)
  }
  return `${text.length}:${a >>> 0}:${b >>> 0}`
}

/**
 * The name of a write: the same for the same content to the same place until it is answered, another one as soon as
 * the content changes. A name is never used for two things, for the server would take the second for a repeat.
 */
export function operationOf(method: string, url: string, body: object): string {
  const place = `${method} ${url}`
  const said = mark(JSON.stringify(body))
  const all = open()
  const known = all[place]
  if (known && known.said === said) return known.id
  const id = newId()
  keep({ ...all, [place]: { said, id } })
  return id
}

/** The write was answered for good: the next one is another, even if it says the same. */
export function answered(method: string, url: string): void {
  const place = `${method} ${url}`
  keep(Object.fromEntries(Object.entries(open()).filter(([at]) => at !== place)))
}
