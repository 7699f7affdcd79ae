/**
 * Runs in the page before the application does: remembers the last button or link that was tapped and what
 * was typed or chosen, so that a quick hand counts on a cold phone. The browser follows a link by itself, but
 * gives that up when the application writes its first entry into the history.
 */
export const KEEP_EARLY = `(function () {
  var early = (window.neatBracketEarly = { target: null, said: new Map(), done: false })
  var ticks = /^(checkbox|radio)$/
  addEventListener('click', function (e) {
    if (!early.done && e.target.closest) early.target = e.target.closest('button,a[href]') || early.target
  }, true)
  addEventListener('input', function (e) {
    var field = e.target
    if (!early.done && 'value' in field)
      early.said.set(field, ticks.test(field.type) ? field.checked : field.value)
  }, true)
})()`
