/// <reference lib="webworker" />
/**
 * What the browser keeps so that the pages open while the server is away: the pages themselves, and the last seen copy of
 * what was open. What is typed then waits in the page's own queue. Signing out forgets the copies.
 */
declare const self: ServiceWorkerGlobalScope
export {}

const pages = 'bonitas-pages'
const copies = 'bonitas-copies'
/** Answers that the work rests on; everything else of the server is asked each time, or fails as it does without us. */
const worthCopying = /^\/api\/(session|day|makeovers\/[0-9a-f-]{36})$/
const patienceMs = 4000

async function fill(): Promise<void> {
  const wanted = (await (await fetch('/pages.json', { cache: 'no-store' })).json()) as string[]
  const cache = await caches.open(pages)
  const had = new Set((await cache.keys()).map((request) => new URL(request.url).pathname))
  await cache.add(new Request('/', { cache: 'no-store' }))
  await cache.addAll(wanted.filter((path) => !had.has(path)))
  for (const path of had) if (path !== '/' && !wanted.includes(path)) await cache.delete(path)
}

self.addEventListener('install', (event) => event.waitUntil(fill().then(() => self.skipWaiting())))
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))
self.addEventListener('message', (event: ExtendableMessageEvent) => {
  if (event.data === 'forget') event.waitUntil(caches.delete(copies))
})

self.addEventListener('fetch', (event) => {
  const { request } = event
  const { origin, pathname } = new URL(request.url)
  if (request.method !== 'GET' || origin !== self.location.origin) return
  // a client's page is another page, and is never kept
  if (pathname === '/for') return
  if (request.mode === 'navigate') event.respondWith(page(request))
  else if (pathname.startsWith('/assets/')) event.respondWith(asset(request))
  else if (worthCopying.test(pathname)) event.respondWith(copied(request))
})

/** The page as the server has it now; the kept one where it does not answer in time. */
async function page(request: Request): Promise<Response> {
  const kept = await caches.match('/', { cacheName: pages })
  if (!kept) return fetch(request)
  return Promise.race([
    fetch(request),
    new Promise<Response>((_resolve, reject) => setTimeout(() => reject(new Error('late')), patienceMs)),
  ]).catch(() => kept)
}
/** The name of an asset changes with its content: a kept one is the right one. */
async function asset(request: Request): Promise<Response> {
  return (await caches.match(request, { cacheName: pages })) ?? fetch(request)
}
/** The server's answer, copied as it passes; the copy, marked as one, where there is no answer. */
async function copied(request: Request): Promise<Response> {
  const cache = await caches.open(copies)
  try {
    const answer = await fetch(request)
    if (answer.ok) await cache.put(request, answer.clone())
    else if (answer.status === 401) await caches.delete(copies)
    return answer
  } catch (error) {
    const kept = await cache.match(request)
    if (!kept) throw error
    const headers = new Headers(kept.headers)
    headers.set('x-bonitas-copy', kept.headers.get('date') ?? 'yes')
    return new Response(kept.body, { status: kept.status, headers })
  }
}
