// @vitest-environment jsdom
import { describe, expect, it } from 'vitest'
import { pageWith, type LastSeen } from '@/workers/lastSeen'
import { seenNow, twinOf } from './lastSeen'

const read = (page: string): Document => new DOMParser().parseFromString(page, 'text/html')
const pageOf = (body: string) => read(`<html data-size="large"><body>${body}</body></html>`)

const SEEN: LastSeen = { html: '<h1>Step</h1>', css: '.a { color: red }', root: {}, scrolled: 0 }

describe('a screen that is remembered', () => {
  it('shows what was entered, and nothing of what is said in passing or would lose what is typed', () => {
    const page = pageOf(
      '<p role="status">sending 1</p><label>Note <input></label><textarea></textarea>' +
        '<button>Record</button><img src="blob:here"><script>1</script>',
    )
    page.querySelector('input')!.value = '5 mm "wide" <'
    page.querySelector('textarea')!.value = 'wet'
    const { html, root } = seenNow(page)!
    const again = pageOf(html)
    expect(again.querySelector('input')!.value).toBe('5 mm "wide" <')
    expect(again.querySelector('textarea')!.value).toBe('wet')
    expect(again.querySelectorAll('[role=status], script, img')).toHaveLength(0)
    expect([...again.querySelectorAll('[inert]')].map(({ tagName }) => tagName)).toEqual([
      'LABEL',
      'INPUT',
      'TEXTAREA',
    ])
    expect(again.querySelector('button')!.matches('[inert]')).toBe(false)
    expect(root).toEqual({ 'data-size': 'large' })
  })

  it('is none that is drawn by pixels, or in the middle of a question', () => {
    expect(seenNow(pageOf('<canvas></canvas>'))).toBeNull()
    expect(seenNow(pageOf('<div role="dialog"></div>'))).toBeNull()
    expect(seenNow(pageOf('<p>plain</p>'))).not.toBeNull()
  })

  it('stands over the page that opens what is kept, whose own scripts begin after it', () => {
    const page =
      '<html><head><script src="/a.js" async=""></script></head><body><script>1</script></body></html>'
    const words = '<p>$& </script> &lt;b&gt;</p>'
    const drawn = read(pageWith(page, { ...SEEN, html: words, root: { x: '</script>' } }, 'abc'))
    const shown = drawn.getElementById('last-seen')!
    expect(shown.querySelector('p')!.textContent).toBe('$&  <b>')
    expect(shown.nextElementSibling!.textContent).toContain('"x":"\\u003c/script>"')
    expect(drawn.querySelector('style')!.nonce).toBe('abc')
    expect([...drawn.scripts].map(({ type }) => type)).toEqual(['text/later', '', ''])
  })
})

describe('a button pressed on a screen as it was last seen', () => {
  const at = (step: string, ...buttons: string[]) =>
    pageOf(`<h1 data-step="${step}"></h1>${buttons.join('')}`).body
  const record = '<button>Record</button>'
  const ahead = '<button aria-label="Look ahead"></button>'
  const pressed = (screen: HTMLElement, index: number) => screen.querySelectorAll('button')[index]!

  it('is the one that says the same on the screen itself', () => {
    const [seen, screen] = [at('mount/hole', record, ahead), at('mount/hole', ahead, record)]
    expect(twinOf(pressed(seen, 0), seen, screen)).toBe(pressed(screen, 1))
    expect(twinOf(pressed(seen, 1), seen, screen)).toBe(pressed(screen, 0))
  })
  it('is none once another step is open, or where two say the same', () => {
    const seen = at('mount/hole', record)
    expect(twinOf(pressed(seen, 0), seen, at('mount/seal', record))).toBeNull()
    expect(twinOf(pressed(seen, 0), seen, at('mount/hole', record, record))).toBeNull()
    expect(twinOf(pressed(seen, 0), seen, at('mount/hole', ahead))).toBeNull()
  })
})
