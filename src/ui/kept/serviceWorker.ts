/** What keeps the application on the device; null where the browser has none or the page is not secure. */
export function serviceWorkers(): ServiceWorkerContainer | null {
  return typeof navigator !== 'undefined' && 'serviceWorker' in navigator ? navigator.serviceWorker : null
}

/** Asks for the service worker of what has been built. */
export function keepApplication(): void {
  if (process.env.NODE_ENV !== 'production') return
  serviceWorkers()
    ?.register('/service.worker.js', { updateViaCache: 'none' })
    .catch(() => undefined) // a browser that keeps nothing works as before, with signal
}

/** Whether pages open on this device without signal. */
export const opensWithoutSignal = (): boolean => serviceWorkers()?.controller != null

const OUTGROWN = new EventTarget()

/** The server speaks of what this page does not know: it works with a newer version. */
export const outgrown = (): void => void OUTGROWN.dispatchEvent(new Event('outgrown'))

/**
 * Calls back with a newer version of the application that has come and waits, and when one works already: in
 * another tab, or on the server; until the answer is called.
 */
export function onNewer(waits: (worker: ServiceWorker) => void, tookOver: () => void): () => void {
  const ended = new AbortController()
  const { signal } = ended
  OUTGROWN.addEventListener('outgrown', tookOver, { signal })
  const container = serviceWorkers()
  if (!container) return () => ended.abort()
  const had = container.controller
  const look = ({ waiting }: ServiceWorkerRegistration) => {
    if (waiting && container.controller && !signal.aborted) waits(waiting)
  }
  container.addEventListener('controllerchange', () => had && tookOver(), { signal })
  void container.ready.then((registration) => {
    const follow = () => {
      look(registration)
      registration.installing?.addEventListener('statechange', () => look(registration), { signal })
    }
    registration.addEventListener('updatefound', follow, { signal })
    follow()
    // A page that stays open for days asks now and then; the browser asks when one is opened.
    const asks = setInterval(() => void registration.update().catch(() => undefined), ASK_EVERY_MS)
    signal.addEventListener('abort', () => clearInterval(asks))
  })
  return () => ended.abort()
}

const ASK_EVERY_MS = 30 * 60_000

/**
 * Lets a newer version take over. The browser asks the one before to end as soon as it rests; where a request
 * that was under way wakes that again, it asks no more until a page is opened. So one is, unseen, until the
 * newer one works.
 */
export function takeOver(worker: ServiceWorker): void {
  worker.postMessage({ type: 'SKIP_WAITING' })
  const asks = setInterval(() => {
    if (worker.state !== 'installed') return clearInterval(asks)
    const page = document.createElement('iframe')
    Object.assign(page, { hidden: true, src: '/api/health', title: '' })
    document.body.append(page)
    setTimeout(() => page.remove(), OPENED_MS)
  }, ASK_AGAIN_MS)
}

const ASK_AGAIN_MS = 1500
const OPENED_MS = 1000
