import { registerRoute, setCatchHandler } from 'workbox-routing'
import { CacheFirst, NetworkFirst } from 'workbox-strategies'

/**
 * Keeps the application and the last answers on the device, so that it opens and records without network.
 * Facts themselves never pass through here: they lie in the outbox until the server has them.
 */
declare const self: ServiceWorkerGlobalScope

const SHELL = 'shell'
/** Named anew when answers change their form: a page never reads one that it does not know. */
const ANSWERS = 'answers-2'

self.addEventListener('install', (event) => {
  event.waitUntil(
    (async () => {
      const cache = await caches.open(SHELL)
      await cache.add('/')
      const manifest = (await (await fetch('/build/manifest.json', { cache: 'no-cache' })).json()) as Record<
        string,
        { file: string; css?: string[]; assets?: string[] }
      >
      const files = new Set(Object.values(manifest).flatMap((m) => [m.file, ...(m.css ?? []), ...(m.assets ?? [])]))
      // The core that judges on the device is large: it is fetched when a line is looked at, not before the first view.
      await Promise.all([...files].filter((f) => !f.includes('php_')).map((f) => cache.add(`/build/${f}`).catch(() => undefined)))
      await self.skipWaiting()
    })(),
  )
})
self.addEventListener('activate', (event) => {
  event.waitUntil(
    (async () => {
      await Promise.all(
        (await caches.keys()).filter((name) => name.startsWith('answers') && name !== ANSWERS).map((name) => caches.delete(name)),
      )
      await self.clients.claim()
    })(),
  )
})
self.addEventListener('message', (event) => {
  if (event.data === 'claim') event.waitUntil(self.clients.claim())
})

function asKept(answer: Response): Response {
  const headers = new Headers(answer.headers)
  headers.set('X-Kept', '1')
  return new Response(answer.body, { status: answer.status, statusText: answer.statusText, headers })
}

registerRoute(({ url }) => url.pathname.startsWith('/build/'), new CacheFirst({ cacheName: SHELL }))
// Test packs and exports are opened like pages, but they are files of the server.
registerRoute(
  ({ url, request }) => request.mode === 'navigate' && !url.pathname.startsWith('/api/'),
  async () => {
    try {
      const fresh = await fetch('/')
      if (fresh.ok) await (await caches.open(SHELL)).put('/', fresh.clone())
      return fresh
    } catch {
      return (await caches.match('/')) ?? Response.error()
    }
  },
)
registerRoute(
  ({ url, request }) => request.method === 'GET' && url.pathname.startsWith('/api/v1/') && !/\.(pdf|csv|geojson)$/.test(url.pathname),
  new NetworkFirst({
    cacheName: ANSWERS,
    networkTimeoutSeconds: 8,
    plugins: [
      {
        cacheWillUpdate: async ({ response }) => (response.status === 200 ? response : null),
        // What is kept says what time it was then, and not what time it is.
        cachedResponseWillBeUsed: async ({ cachedResponse }) => cachedResponse && asKept(cachedResponse),
      },
    ],
  }),
)
setCatchHandler(async () => Response.error())
