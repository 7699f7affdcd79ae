/** Screens as they were last seen on this device: what is kept of one, and the page that shows it. */

export const SEEN_CACHE = 'neat-bracket-seen'
/** The element that shows one. */
export const SHOWN = 'last-seen'
/** The name under which the screen of an address is kept. */
export const keptUnder = (path: string): string => `/last-seen${path}`

export interface LastSeen {
  readonly html: string
  readonly css: string
  /** Of the page's root: themes and sizes go by them. */
  readonly root: Readonly<Record<string, string>>
  readonly scrolled: number
}

/** The screen of an address as it was last seen; null where none is kept. */
export async function seenAt(url: URL): Promise<LastSeen | null> {
  const kept = await caches
    .match(keptUnder(url.pathname + url.search), { cacheName: SEEN_CACHE })
    .catch(() => null)
  return kept ? ((await kept.json()) as LastSeen) : null
}

/** Marks scripts that wait until the screen has been painted: begun at once they come in its way. */
const LATER = 'text/later'
/** Takes note of what is pressed while it is shown, and begins the application once it has been painted. */
const WATCH = `
var shown = document.getElementById('${SHOWN}'), root = document.documentElement, seen = SEEN
var showing = (window.neatBracketSeen = { pressed: null })
Object.keys(seen.root).forEach(function (name) { root.setAttribute(name, seen.root[name]) })
shown.scrollTop = seen.scrolled
shown.querySelectorAll('nav [aria-current=page]').forEach(function (place) {
  place.scrollIntoView({ inline: 'center', block: 'nearest' })
})
shown.addEventListener('click', function (event) {
  var button = event.target.closest('button')
  if (!button) return
  shown.querySelectorAll('[aria-busy]').forEach(function (other) { other.removeAttribute('aria-busy') })
  button.setAttribute('aria-busy', 'true')
  shown.lastElementChild.textContent = 'Opening… then it is done.'
  showing.pressed = button
})
function begin() {
  document.querySelectorAll('script[type="${LATER}"]').forEach(function (waiting) {
    var script = document.createElement('script')
    for (var one of waiting.attributes) if (one.name !== 'type') script.setAttribute(one.name, one.value)
    script.nonce = waiting.nonce
    waiting.replaceWith(script)
  })
}
requestAnimationFrame(function () { setTimeout(begin) })`

/** A page with a screen as it was last seen over it; `nonce` of the page's own styles and scripts. */
export function pageWith(page: string, { html, css, root, scrolled }: LastSeen, nonce: string): string {
  const seen = JSON.stringify({ root, scrolled }).replaceAll('<', '\\u003c')
  const shown =
    `<style id="${SHOWN}-style" nonce="${nonce}">${css.replaceAll('</', '<\\/')}</style>` +
    `<div id="${SHOWN}">${html}<p role="status">Opening…</p></div>` +
    `<script nonce="${nonce}">{${WATCH.replace('SEEN', () => seen)}}</script>`
  const waiting = page.replaceAll(/<script(?= [^>]*src=)/g, `<script type="${LATER}"`)
  const end = waiting.lastIndexOf('</body>')
  return end < 0 ? page : waiting.slice(0, end) + shown + waiting.slice(end)
}
