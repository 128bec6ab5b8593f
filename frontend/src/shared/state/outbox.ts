import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { shallowRef } from 'vue'

import { attempt, type Outcome } from '@/api/client'
import type { Problem } from '@/api/types'

import { answered, operationOf } from './operations'

/** A save that has no answer yet, or one that was refused and that nobody has seen. */
export interface Entry {
  no: number
  at: string
  label: string
  method: 'POST' | 'PUT'
  url: string
  body: Record<string, unknown>
  state: 'waiting' | 'refused'
  problem?: Problem
}
interface Schema extends DBSchema {
  entries: { key: number; value: Entry }
}

/** Entries of this browser, all its tabs, oldest first; plain records, for the store takes no others. */
export const entries = shallowRef<Entry[]>([])

let opened: Promise<IDBPDatabase<Schema>> | undefined
const base = () =>
  (opened ??= openDB<Schema>('tuyere', 1, {
    upgrade: (db) => void db.createObjectStore('entries', { keyPath: 'no', autoIncrement: true }),
  }))
const tabs = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('tuyere.outbox')
tabs?.addEventListener('message', () => void look())

async function look(): Promise<void> {
  try {
    entries.value = await (await base()).getAll('entries')
  } catch {
    // Without the store nothing waits; save() says so when something should.
  }
}
async function changed(): Promise<void> {
  await look()
  tabs?.postMessage('changed')
}
async function put(entry: Omit<Entry, 'no'>): Promise<void> {
  await (await base()).add('entries', entry as Entry)
  await changed()
}
async function drop(no: number): Promise<void> {
  await (await base()).delete('entries', no)
  await changed()
}

// A server that holds the line and says nothing is one that does not answer.
const LONGEST_MS = 20_000

type Sent = Pick<Entry, 'method' | 'url' | 'body'>

async function send<T>(w: Sent): Promise<Outcome<T>> {
  return attempt<T>(
    fetch(w.url, {
      signal: AbortSignal.timeout(LONGEST_MS),
      method: w.method,
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(w.body),
    }).then(async (response) => {
      const json: unknown = await response.json()
      return response.ok ? { data: json as T, response } : { error: json, response }
    }),
  )
}

/** No answer that settles anything: no connection, or a server that could not do its work. */
const unanswered = (got: Outcome<unknown>): boolean => !got.ok && (got.offline || got.problem.status >= 500)

/** What a save belongs to: entries of one drive or machine go out in their order. */
export const subjectOf = (url: string): string => url.split('/').slice(0, 4).join('/')

/**
 * Save now, or keep the save on this device until the server has answered it.
 *
 * The name of the operation goes with the content: other content is another operation. A save does not overtake
 * one that waits for the same thing. A refusal is for the form that asked: it is not kept.
 */
export async function save<T>(
  method: 'POST' | 'PUT',
  url: string,
  content: object,
  label = 'a change',
): Promise<Outcome<T>> {
  // As it goes over the wire: what is typed later does not change what was saved.
  const body: Entry['body'] = {
    ...(JSON.parse(JSON.stringify(content)) as object),
    op_id: operationOf(method, url, content),
  }
  await flush()
  const behind = entries.value.some((e) => e.state === 'waiting' && subjectOf(e.url) === subjectOf(url))
  const got: Outcome<T> = behind ? waitsBehind<T>() : await send<T>({ method, url, body })
  if (got.ok || !unanswered(got)) {
    answered(method, url)
    return got
  }
  const twice = entries.value.some((e) => e.body.op_id === body.op_id)
  try {
    if (!twice) await put({ at: new Date().toISOString(), label, method, url, body, state: 'waiting' })
    return {
      ...got,
      problem: {
        ...got.problem,
        kept: body.op_id as string,
        detail: 'Not saved yet: it is kept on this device and is sent as soon as it can be.',
      },
    }
  } catch {
    const detail = 'Not saved, and this device cannot keep it either: leave the page open and save again.'
    return { ...got, problem: { ...got.problem, detail } }
  }
}

function waitsBehind<T>(): Outcome<T> {
  const problem: Problem = {
    type: 'tuyere:offline',
    title: 'An earlier save still waits',
    status: 0,
    detail: '',
    errors: [],
  }
  return { ok: false, problem, offline: true }
}

async function sendAll(): Promise<void> {
  await look()
  for (const entry of entries.value.filter((e) => e.state === 'waiting')) {
    const got = await send(entry)
    if (unanswered(got)) return
    answered(entry.method, entry.url)
    // A refusal stays until somebody has seen it; what waits behind it goes on.
    if (got.ok) await drop(entry.no)
    else {
      await (await base()).put('entries', { ...entry, state: 'refused', problem: got.problem })
      await changed()
    }
  }
}

let sending: Promise<void> | undefined

/** Send what waits, oldest first; one tab at a time. */
export function flush(): Promise<void> {
  if (!entries.value.some((e) => e.state === 'waiting')) return Promise.resolve()
  const one = async () => {
    try {
      if ('locks' in navigator && navigator.locks) await navigator.locks.request('tuyere.outbox', sendAll)
      else await sendAll()
    } finally {
      sending = undefined
    }
  }
  return (sending ??= one())
}

/** Try a refused entry again. */
export async function again(entry: Entry): Promise<void> {
  await (await base()).put('entries', { ...entry, problem: undefined, state: 'waiting' })
  await changed()
  await flush()
}

/** The person has seen an entry and lets it go. */
export const letGo = (entry: Entry): Promise<void> => drop(entry.no)

/** Saves that an earlier version of this program kept: taken over once. */
async function takeOver(): Promise<void> {
  const old = localStorage.getItem('tuyere.outbox')
  if (!old) return
  try {
    for (const w of JSON.parse(old) as Sent[])
      await put({ ...w, at: new Date().toISOString(), label: 'a change', state: 'waiting' })
    localStorage.removeItem('tuyere.outbox')
  } catch {
    // Left where it is; the next start tries again.
  }
}

export const ready: Promise<void> = takeOver().then(look).then(flush)
window.addEventListener('online', () => void flush())
setInterval(() => void flush(), 5000)
