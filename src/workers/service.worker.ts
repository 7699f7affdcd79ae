/// <reference lib="webworker" />
import {
  CacheableResponsePlugin,
  CacheFirst,
  ExpirationPlugin,
  NetworkOnly,
  Serwist,
  type PrecacheEntry,
} from 'serwist'
import { pageWith, seenAt, SEEN_CACHE } from './lastSeen'

/**
 * What keeps the application on the device: its files are fetched once a version, and a page that the
 * network does not bring opens from them. Jobs are kept by the page itself. The build puts in the files and
 * their version.
 */
declare const self: ServiceWorkerGlobalScope
declare const FILES: (PrecacheEntry | string)[]
declare const VERSION: string

/** The page that opens any job that is kept on the device. */
const SHELL = '/offline'
const SHELLS = 'neat-bracket-shell-'
/** A line that takes longer to answer counts as none, ms. */
const PATIENCE_MS = 4_000
/** What stands between here and the server says that it is not there. */
const NOBODY_THERE: ReadonlySet<number> = new Set([502, 503, 504])
const PHOTOS = 'neat-bracket-photos'
const MOST_PHOTOS = 4_000

/**
 * A worker reads what it is to do from its own address. A kept answer brings the address under which it was
 * kept, a new one takes that which was asked for.
 */
const underItsAddress = ({ request, response }: { request: Request; response: Response }) =>
  Promise.resolve(request.destination === 'worker' ? new Response(response.body, response) : response)

/** Of a photo that cannot be had as large as it is asked for, the size that is kept here. */
const anySize = ({ request }: { request: Request }) =>
  caches.match(request, { cacheName: PHOTOS, ignoreSearch: true, ignoreVary: true })

const worker = new Serwist({
  precacheEntries: FILES,
  precacheOptions: { cacheName: `${SHELLS}${VERSION}`, plugins: [{ handlerWillRespond: underItsAddress }] },
  clientsClaim: true,
  runtimeCaching: [
    {
      // Photos are named by what is in them: what was seen once need not be asked for again.
      matcher: ({ url, sameOrigin }) => sameOrigin && /^[/]api[/]photos[/][^/]+$/.test(url.pathname),
      handler: new CacheFirst({
        cacheName: PHOTOS,
        plugins: [
          new CacheableResponsePlugin({ statuses: [200] }),
          new ExpirationPlugin({ maxEntries: MOST_PHOTOS, purgeOnQuotaError: true }),
          { handlerDidError: anySize },
        ],
      }),
    },
    {
      // Files of a version that a page still shows while another one works already.
      matcher: ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/_next/static/'),
      handler: async ({ request }) => (await caches.match(request, { ignoreVary: true })) ?? fetch(request),
    },
    {
      matcher: ({ request, url }) => request.mode === 'navigate' && !url.pathname.startsWith('/api/'),
      handler: page,
    },
  ],
})

/** A page from the server; the one that is kept here when nobody answers. */
async function page({ request, event }: { request: Request; event: ExtendableEvent }): Promise<Response> {
  const asked = new NetworkOnly().handle({ request, event })
  const late = new Promise<null>((resolve) => setTimeout(() => resolve(null), PATIENCE_MS))
  const answer = await Promise.race([asked, late]).catch(() => null)
  if (answer && !NOBODY_THERE.has(answer.status)) return answer
  return (await shell(new URL(request.url))) ?? answer ?? asked
}

/** The page that opens what is kept here; over it, until it does, the screen as it was last seen. */
async function shell(url: URL): Promise<Response | undefined> {
  const kept = await worker.matchPrecache(SHELL)
  const seen = kept && (await seenAt(url))
  if (!seen) return kept
  const nonce = /'nonce-([^']+)'/.exec(kept.headers.get('content-security-policy') ?? '')?.[1] ?? ''
  return new Response(pageWith(await kept.text(), seen, nonce), { headers: kept.headers })
}

/**
 * Versions before the last one go: a page of the last one may still be open. So do screens as they were last
 * seen: this version may judge otherwise.
 */
async function dropOld(): Promise<void> {
  await caches.delete(SEEN_CACHE)
  const shells = (await caches.keys()).filter((name) => name.startsWith(SHELLS))
  const gone = shells.filter((name) => name !== `${SHELLS}${VERSION}`).slice(0, -1)
  await Promise.all(gone.map((name) => caches.delete(name)))
}

self.addEventListener('activate', (event) => event.waitUntil(dropOld()))
worker.addEventListeners()
