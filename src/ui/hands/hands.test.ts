// @vitest-environment jsdom
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { setHands, tellKept } from './hands'

const vibrate = vi.fn()
const tones: number[] = []

/** A speaker that notes down which tones it was given to play. */
class Speaker {
  readonly currentTime = 0
  readonly destination = {}
  resume = () => Promise.resolve()
  createOscillator = () => {
    const frequency = { value: 0 }
    return {
      frequency,
      connect: (to: unknown) => to,
      start: () => tones.push(frequency.value),
      stop: () => 0,
    }
  }
  createGain = () => {
    const gain = { setValueAtTime: () => 0, exponentialRampToValueAtTime: () => 0 }
    return { gain, connect: (to: unknown) => to }
  }
}

beforeEach(() => {
  window.localStorage.clear()
  vibrate.mockClear()
  tones.length = 0
  Object.defineProperty(navigator, 'vibrate', { value: vibrate, configurable: true })
})
afterEach(() => vi.unstubAllGlobals())

it.each([
  [false, false],
  [true, false],
  [false, true],
  [true, true],
])('what was kept is told as the hand wants it: buzz %s, tone %s', (buzz, sound) => {
  vi.stubGlobal('AudioContext', Speaker)
  setHands({ buzz, sound })
  tellKept()
  expect([vibrate.mock.calls.length, tones.length]).toEqual([Number(buzz), Number(sound)])
})
it('a device without a speaker is silent', () => {
  vi.stubGlobal('AudioContext', undefined)
  setHands({ sound: true })
  expect(tellKept).not.toThrow()
})
