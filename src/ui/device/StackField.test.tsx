// @vitest-environment jsdom
import 'fake-indexeddb/auto'
import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { ownPart } from '@/testing/ownParts'
import { prepareWindow, settled, showPage } from '@/testing/page'
import { StackField } from './StackField'

vi.mock('next/navigation', () => ({ usePathname: () => '/' }))
beforeEach(prepareWindow)
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

it('the stack offers only parts that fit, own ones too, and says whether the camera fits on the last', () => {
  const change = vi.fn()
  const ownParts = [
    ownPart('mounts', 'pendant-hood', {}, { id: 'own-hood', name: 'Our hood' }),
    ownPart('mounts', 'junction-box', {}, { id: 'own-box', name: 'Our box' }),
  ]
  showPage(<StackField value={['wall-arm']} kept={0} cameraId="large-dome-4mp" onChange={change} />, {
    ownParts,
  })
  expect(screen.getByRole('status').textContent).toBe(
    '■ Large dome, 4 MP, 9–22 mm needs a hood; Wall arm, 300 mm offers a pipe thread.',
  )
  const offered = [...screen.getByLabelText<HTMLSelectElement>('Add a part').options].map(
    ({ value }) => value,
  )
  expect(offered).toEqual(expect.arrayContaining(['pendant-hood', 'own-hood']))
  expect(offered).not.toContain('junction-box')
  expect(offered).not.toContain('own-box')
  fireEvent.change(screen.getByLabelText('Add a part'), { target: { value: 'own-hood' } })
  expect(change).toHaveBeenCalledWith(['wall-arm', 'own-hood'], 0)
  fireEvent.click(screen.getByRole('button', { name: 'Take out Wall arm, 300 mm' }))
  expect(change).toHaveBeenLastCalledWith([], 0)
})

it('what stays stays from the surface outwards, and another part was not there before', async () => {
  const change = vi.fn()
  const stack = ['wall-arm', 'pendant-rod-500', 'pendant-hood']
  showPage(<StackField value={stack} kept={2} cameraId="large-dome-4mp" onChange={change} />, {})
  const stays = (part: number) =>
    screen.getByRole<HTMLInputElement>('checkbox', { name: `Part ${part} was there before and stays` })
  expect([1, 2, 3].map((part) => stays(part).checked)).toEqual([true, true, false])
  fireEvent.click(stays(3))
  await settled(() => expect(change).toHaveBeenLastCalledWith(stack, 3))
  fireEvent.click(stays(1))
  await settled(() => expect(change).toHaveBeenLastCalledWith(stack, 0))
  fireEvent.click(screen.getByRole('button', { name: 'Take out Pendant rod, 500 mm' }))
  expect(change).toHaveBeenLastCalledWith(['wall-arm', 'pendant-hood'], 1)
  fireEvent.change(screen.getByLabelText('1'), { target: { value: 'wall-plate' } })
  expect(change).toHaveBeenLastCalledWith(['wall-plate', 'pendant-rod-500', 'pendant-hood'], 0)
})
