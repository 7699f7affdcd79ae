declare global {
  interface Window {
    neatBracketTap?: { target: HTMLElement | null; done: boolean }
  }
}

/**
 * Runs in the page before the application does: remembers the last button that was tapped, so that a tap on
 * a cold phone counts. Links need no help: the browser follows them.
 */
export const KEEP_FIRST_TAP = `
var tap = (window.neatBracketTap = { target: null, done: false })
document.addEventListener('click', function (e) {
  if (!tap.done && e.target.closest) tap.target = e.target.closest('button') || tap.target
}, true)`

/** Gives a tap from before the application ran to the button it was meant for. */
export function replayFirstTap(): void {
  const tap = window.neatBracketTap
  if (!tap || tap.done) return
  tap.done = true
  if (tap.target?.isConnected) tap.target.click()
}
