// @vitest-environment jsdom
import 'fake-indexeddb/auto'
import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { ownPart } from '@/testing/ownParts'
import { prepareWindow, showPage } from '@/testing/page'
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
  showPage(<StackField value={['wall-arm']} cameraId="large-dome-4mp" onChange={change} />, { ownParts })
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
  expect(change).toHaveBeenCalledWith(['wall-arm', 'own-hood'])
  fireEvent.click(screen.getByRole('button', { name: 'Take out Wall arm, 300 mm' }))
  expect(change).toHaveBeenLastCalledWith([])
})
