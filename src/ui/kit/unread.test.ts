// @vitest-environment jsdom
import { expect, it } from 'vitest'
import { unread } from './unread'

it('names the first field whose words are not understood, and leads back to it', () => {
  document.body.innerHTML = `<form><label for="a">Height</label><input id="a" value="3 m" />
    <label for="b">Tilt</label><input id="b" value="steep" aria-invalid="true" /></form>`
  const form = document.querySelector('form')
  expect(unread(form)).toBe('Tilt: "steep" cannot be read. Write it again, or press Escape to take it back.')
  expect(document.activeElement).toBe(document.getElementById('b'))
  document.getElementById('b')!.removeAttribute('aria-invalid')
  expect([unread(form), unread(null)]).toEqual([null, null])
})
