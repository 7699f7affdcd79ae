// @vitest-environment jsdom
import { ChakraProvider } from '@chakra-ui/react'
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, expect, it, vi } from 'vitest'
import { system } from '../theme'
import { Dictate } from './Dictate'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

/** A browser that turns speech into words, here or elsewhere. */
class Recognition {
  static said = 'available'
  static last: Recognition
  static available = () => Promise.resolve(Recognition.said)
  lang = ''
  processLocally = false
  onresult: ((event: object) => void) | null = null
  onend: (() => void) | null = null
  start = vi.fn()
  abort = vi.fn(() => this.onend?.())
  constructor() {
    Recognition.last = this
  }
}

async function show(said: string | null) {
  if (said !== null) vi.stubGlobal('SpeechRecognition', Recognition)
  Recognition.said = said ?? ''
  const heard = vi.fn()
  render(
    <ChakraProvider value={system}>
      <Dictate label="Say the note" onWords={heard} />
    </ChakraProvider>,
  )
  await act(() => Promise.resolve())
  return heard
}

it('takes down what is said on the device itself, until a second tap', async () => {
  const heard = await show('available')
  fireEvent.click(screen.getByRole('button', { name: 'Say the note' }))
  const { last } = Recognition
  expect([last.processLocally, last.start.mock.calls.length]).toEqual([true, 1])
  act(() => last.onresult!({ results: [[{ transcript: ' dust wiped off ' }]] }))
  expect(heard).toHaveBeenCalledExactlyOnceWith('dust wiped off')
  fireEvent.click(screen.getByRole('button', { name: 'Stop listening' }))
  expect(last.abort).toHaveBeenCalledOnce()
  expect(screen.getByRole('button', { name: 'Say the note' })).toBeTruthy()
})

it.each(['downloadable', null])('offers nothing where speech would go elsewhere (%s)', async (said) => {
  await show(said)
  expect(screen.queryByRole('button')).toBeNull()
})
