// @vitest-environment jsdom
import 'fake-indexeddb/auto'
import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { KITS } from '@/catalogue'
import { pick, prepareWindow, settled, showPage, type } from '@/testing/page'
import { AddDevice } from './AddDevice'
import { kitOf } from './KitChoice'

vi.mock('next/navigation', () => ({ usePathname: () => '/' }))
beforeEach(prepareWindow)
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const value = (label: string) => screen.getByLabelText<HTMLSelectElement>(label).value

it('a kit is known by its parts', () => {
  for (const { id, choice } of KITS) expect(kitOf(choice)).toBe(id)
})

it('a device begins with a kit, and what differs is changed: it is added as it stands then', async () => {
  const now = showPage(<AddDevice />, {})
  expect(value('Kit')).toBe('bullet-on-box')
  expect(screen.getByText(/^In its box: template, .* To bring: junction box/)).toBeTruthy()
  fireEvent.change(screen.getByLabelText('Kit'), { target: { value: 'large-dome-arm' } })
  await settled(() => expect(value('Camera')).toBe('large-dome-4mp'))
  expect([value('1'), value('2'), value('Surface')]).toEqual(['wall-arm', 'pendant-hood', 'brick'])
  // Another place for it is no other kit; another part is.
  fireEvent.change(screen.getByLabelText('Surface'), { target: { value: 'steel-cladding' } })
  expect(value('Kit')).toBe('large-dome-arm')
  fireEvent.click(screen.getByLabelText('Memory card'))
  await settled(() => expect(value('Kit')).toBe(''))
  expect(screen.getByText('Changed by hand')).toBeTruthy()
  type('Name of the place', 'Slip')
  pick('Add it and sight it')
  await settled(() => expect(now().devices).toHaveLength(1))
  expect(now().devices[0]).toMatchObject({
    name: 'Slip',
    cameraId: 'large-dome-4mp',
    mountIds: ['wall-arm', 'pendant-hood'],
    surfaceId: 'steel-cladding',
    exposure: 'open weather',
    cableId: 'cat6-outdoor',
    accessoryIds: ['ferrite', 'memory-card'],
  })
})
