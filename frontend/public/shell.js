// Keeps the program itself on the device, so that it opens where there is no network. Data is never kept here: what was
// read last is the page's own (`lastRead`), and what is written waits in its outbox.
const KEPT = 'tuyere-shell'

/** Every file of the program that this device has not yet; those of an earlier version go. */
async function keepAll() {
  const cache = await caches.open(KEPT)
  const listed = await fetch('/shell.json', { cache: 'no-store' })
  if (!listed.ok) return
  const wanted = new Set(await listed.json())
  for (const request of await cache.keys())
    if (request.url.includes('/assets/') && !wanted.has(new URL(request.url).pathname)) await cache.delete(request)
  // The page itself, for the first one came before anything could be kept.
  await cache.add('/')
  // One that cannot be had now is asked for the next time; the others are kept all the same.
  for (const path of wanted) if (!(await cache.match(path))) await cache.add(path).catch(() => undefined)
}
async function fromNetwork(request, key) {
  const cache = await caches.open(KEPT)
  try {
    const got = await fetch(request)
    if (got.ok) await cache.put(key, got.clone())
    return got
  } catch (e) {
    const kept = await cache.match(key)
    if (kept) return kept
    throw e
  }
}
async function fromDevice(request) {
  return (await caches.match(request)) ?? fetch(request)
}

self.addEventListener('install', () => self.skipWaiting())
self.addEventListener('activate', (e) => e.waitUntil(self.clients.claim()))
self.addEventListener('message', (e) => {
  if (e.data === 'keep') e.waitUntil(keepAll())
})
self.addEventListener('fetch', (e) => {
  const { pathname, origin } = new URL(e.request.url)
  if (e.request.method !== 'GET' || origin !== self.location.origin || pathname.startsWith('/api/')) return
  // Every address of the program is its one page.
  if (e.request.mode === 'navigate') e.respondWith(fromNetwork(e.request, '/'))
  else if (pathname.startsWith('/assets/')) e.respondWith(fromDevice(e.request))
  else if (/^\/[\w-]+\.(js|svg)$/.test(pathname)) e.respondWith(fromNetwork(e.request, pathname))
})
