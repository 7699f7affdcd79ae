import { keptUnder, SEEN_CACHE, SHOWN, type LastSeen } from '@/workers/lastSeen'

/**
 * Screens as they were last seen on this device. A cold phone shows one at once, while the application behind
 * it is still being read; a button that is pressed on it is pressed on the screen itself once that stands.
 */

const MOST_SCREENS = 30
const MOST_CHARACTERS = 600_000

interface Showing {
  /** The button that was pressed on it last. */
  pressed: HTMLElement | null
}
declare global {
  interface Window {
    neatBracketSeen?: Showing | 'over'
  }
}

/** What cannot be shown again as it is, and what is not part of the screen. */
const NOT_KEPT = 'script, style, template, iframe, img[src^="blob:"], [role=status], [role=alert]'
/** What would not keep what is typed or chosen. */
const ENTERED = 'input, select, textarea, label, summary, [role=radio], [role=combobox]'

/** The screen as it is; null where it cannot come again: drawn by pixels or in the middle of something. */
export function seenNow(page: Document): LastSeen | null {
  if (page.querySelector('canvas, [role=dialog], [role=alertdialog], [role=menu]')) return null
  const copy = page.body.cloneNode(true) as HTMLElement
  const fields = [...copy.querySelectorAll<HTMLInputElement>('input')]
  page.body.querySelectorAll('input').forEach(({ value, checked }, i) => {
    fields[i]!.setAttribute('value', value)
    fields[i]!.toggleAttribute('checked', checked)
  })
  const areas = [...copy.querySelectorAll('textarea')]
  page.body.querySelectorAll('textarea').forEach(({ value }, i) => (areas[i]!.textContent = value))
  copy.querySelectorAll(NOT_KEPT).forEach((part) => part.remove())
  copy.querySelectorAll(ENTERED).forEach((part) => part.setAttribute('inert', ''))
  const html = copy.innerHTML
  if (html.length > MOST_CHARACTERS) return null
  const { attributes } = page.documentElement
  return {
    html,
    css: rulesOf(page),
    root: Object.fromEntries([...attributes].map(({ name, value }) => [name, value])),
    scrolled: page.defaultView?.scrollY ?? 0,
  }
}

/** The rules that the application has put in; fonts are with every page. */
const rulesOf = (page: Document): string =>
  [...page.styleSheets]
    .filter(({ ownerNode }) => ownerNode instanceof HTMLStyleElement)
    .flatMap(({ cssRules }) => [...cssRules].map(({ cssText }) => cssText))
    .join('\n')

let turn: Promise<unknown> = Promise.resolve()
/** One after the other; a device that cannot keep them does without. */
const inTurn = (work: (seen: Cache) => Promise<unknown>) =>
  (turn = turn.then(async () => work(await caches.open(SEEN_CACHE))).catch(() => undefined))

export const rememberSeen = (path: string, seen: LastSeen) =>
  inTurn(async (cache) => {
    await cache.delete(keptUnder(path))
    await cache.put(keptUnder(path), Response.json(seen))
    const all = await cache.keys()
    await Promise.all(all.slice(0, Math.max(0, all.length - MOST_SCREENS)).map((old) => cache.delete(old)))
  })

/** Forgets the screens of a job: of what has changed, none is as it was. */
export const forgetSeen = (jobId: string) =>
  inTurn(async (cache) => {
    const of = keptUnder(`/jobs/${jobId}`)
    const gone = (await cache.keys()).filter(({ url }) => {
      const { pathname } = new URL(url)
      return pathname === of || pathname.startsWith(`${of}/`)
    })
    await Promise.all(gone.map((one) => cache.delete(one)))
  })

/** The screen itself stands: what was shown in its place goes, and a button pressed there is pressed here. */
export function endLastSeen(): void {
  const showing = window.neatBracketSeen
  if (showing === 'over') return
  window.neatBracketSeen = 'over'
  const shown = document.getElementById(SHOWN)
  if (!showing || !shown) return
  const { pressed } = showing
  const { scrollTop } = shown
  shown.remove()
  const meant = pressed && twinOf(pressed, shown, document.body)
  document.getElementById(`${SHOWN}-style`)?.remove()
  window.scrollTo(0, scrollTop)
  meant?.click()
}

const stepIn = (screen: Element) => screen.querySelector<HTMLElement>('[data-step]')?.dataset.step
const wordsOf = (button: HTMLElement) => `${button.ariaLabel ?? ''} ${button.textContent.trim()}`

/** The button of the screen that says the same, while the screen shows the same step; null where in doubt. */
export function twinOf(pressed: HTMLElement, seen: Element, screen: Element): HTMLElement | null {
  if (stepIn(seen) !== stepIn(screen)) return null
  const [twin, ...others] = [...screen.querySelectorAll('button')].filter(
    (button) => wordsOf(button) === wordsOf(pressed),
  )
  return twin && others.length === 0 ? twin : null
}
