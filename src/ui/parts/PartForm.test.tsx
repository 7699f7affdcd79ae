// @vitest-environment jsdom
import 'fake-indexeddb/auto'
import { cleanup, fireEvent, screen, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { device } from '@/testing/jobs'
import { allOf, ownPart } from '@/testing/ownParts'
import { prepareWindow, settled, showPage } from '@/testing/page'
import { CATALOGUE } from '@/catalogue'
import { PartForm } from './PartForm'
import { OnePart, PartsPage } from './PartsPage'

/** A part from its sheet: what is typed is read as it is typed, told in words, and lost by nothing. */

vi.mock('next/navigation', () => ({ usePathname: () => '/' }))
beforeEach(prepareWindow)
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const type = (label: string | RegExp, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } })
const keepIt = () => fireEvent.click(screen.getByRole('button', { name: 'Keep it' }))
const aside = () => screen.getByRole('complementary').textContent

describe('a new part', () => {
  it('says what is not read and what that costs, and counts what is', () => {
    showPage(<PartForm held={null} />, {})
    expect(aside()).toMatch(/^What is read, and what is not0 of 27 values are read/)
    expect(aside()).toContain('Mass: the load on every fixing')
    expect(screen.getByLabelText('Mass').closest('div')!.textContent).toContain(
      'Not read: counts as 0.45 kg.',
    )
    type('Mass', '2 lb')
    expect(screen.getByLabelText('Mass').closest('div')!.textContent).toContain('= 0.90718474 kg.')
    expect(aside()).toMatch(/1 of 27/)
    expect(aside()).not.toContain('the load on every fixing')
  })
  it('is kept only when all that is typed is understood, and each mistake stands at its field', async () => {
    const now = showPage(<PartForm held={null} />, {})
    type('Focal length', '12 to 3')
    expect(aside()).toMatch(/not0 of 27/) // what is not understood is not read
    keepIt()
    await settled(() => expect(document.activeElement).toBe(screen.getByLabelText('Name')))
    expect(screen.getByText('Give it a name.')).toBeTruthy()
    expect(screen.getByText('The first is the smaller one.')).toBeTruthy()
    expect(screen.getByText('It is not kept yet: some fields want a look.')).toBeTruthy()
    type('Name', 'Yard bullet')
    expect(screen.getByText('It is not kept yet: one field wants a look.')).toBeTruthy()
    keepIt()
    await settled(() => expect(document.activeElement).toBe(screen.getByLabelText('Focal length')))
    expect(now().ownParts).toEqual([])
    type('Focal length', '3-12')
    type('Read from', 'page 2')
    keepIt()
    await settled(() => expect(now().ownParts).toHaveLength(1))
    expect(now().ownParts[0]).toMatchObject({
      id: expect.stringMatching(/^own-[0-9a-f-]{36}$/) as string,
      table: 'cameras',
      from: 'bullet-2mp-4',
      sheet: 'page 2',
      part: { name: 'Yard bullet', lens: { focalMm: [3, 12] }, massKg: 0.45 },
    })
    expect(now().ownParts[0]!.unread).toHaveLength(26)
  })
  it('is of another kind: asked for other things, begun with another part', async () => {
    showPage(<PartForm held={null} />, {})
    type('Mass', '2 kg')
    type('Kind of part', 'cables')
    expect(screen.queryByLabelText('Mass')).toBeNull()
    type('Most like this generic part', 'rg59-18-2')
    expect(aside()).toMatch(/0 of 12/)
    // Ticks begin with what the generic part has, and none of them is an answer too.
    fireEvent.click(screen.getByLabelText(/^Not read: counts as sunlight/))
    const jacket = screen.getByRole('group', { name: 'Its jacket stands' })
    const ticked = () =>
      within(jacket)
        .getAllByRole<HTMLInputElement>('checkbox')
        .filter(({ checked }) => checked).length
    await settled(() => expect(ticked()).toBeGreaterThan(0))
    const before = ticked()
    fireEvent.click(within(jacket).getByLabelText('Sunlight'))
    await settled(() => expect(ticked()).toBe(before - 1))
    expect(aside()).toMatch(/1 of 12/)
  })
  it('has none where a value may have none', async () => {
    showPage(<PartForm held={null} />, {})
    fireEvent.click(screen.getByLabelText('No DC'))
    const volts = () => screen.getByLabelText<HTMLInputElement>('Takes DC, from least to most')
    await settled(() => expect(volts().disabled).toBe(true))
    expect(aside()).toMatch(/1 of 27/)
    fireEvent.change(screen.getByLabelText('Takes PoE'), { target: { value: 'no' } })
    expect(screen.getByText('It runs on something: PoE, DC or mains.')).toBeTruthy()
  })
  it('survives being left: the same words when it is opened again', () => {
    showPage(<PartForm held={null} />, { id: 'left' })
    type('Name', 'Half')
    type('Mass', 'two')
    cleanup()
    showPage(<PartForm held={null} />, { id: 'left' })
    expect(screen.getByLabelText<HTMLInputElement>('Name').value).toBe('Half')
    expect(screen.getByText(/"two" is not understood/)).toBeTruthy()
  })
})

describe('rows of a part', () => {
  it('begin with the generic part’s, gain one, lose one, and say which is wrong', async () => {
    const held = ownPart('mounts', 'junction-box', {}, { name: 'Box' })
    const now = showPage(<PartForm held={held} />, { ownParts: [held] })
    fireEvent.click(screen.getByLabelText(/^Not read: counts as rear cable entry 20.5 mm;/))
    fireEvent.click(await screen.findByRole('button', { name: 'Another opening' }))
    expect(screen.getByText('Give it a name.')).toBeTruthy()
    type('Name, 5', 'Top entry')
    type('What it is, 5', 'cable entry')
    type('Clear hole, 5', 'wide')
    expect(screen.getByText(/Clear hole: "wide" is not understood/)).toBeTruthy()
    type('Clear hole, 5', '25.5')
    fireEvent.click(screen.getByRole('button', { name: /^Remove row 2 / }))
    keepIt()
    await settled(() => expect(now().ownParts[0]!.unread).not.toContain('openings'))
    const { part } = now().ownParts[0]!
    expect('openings' in part && part.openings.map(({ key, holeMm }) => [key, holeMm])).toEqual([
      ['entry', 20.5],
      ['lid', null],
      ['edge', null],
      ['top-entry', 25.5],
    ])
  })
})

describe('own parts of a job', () => {
  const whole = ownPart('cameras', 'bullet-4mp-vf', allOf('cameras', CATALOGUE.cameras.get('bullet-4mp-vf')!))
  it('are listed with what is read of them and what is made with them', () => {
    const bare = ownPart('cables', 'cat6', {}, { id: 'own-2', name: 'Bare' })
    showPage(<PartsPage />, { ownParts: [whole, bare], devices: [device({ cameraId: 'own-1' })] })
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('2 own parts, 1 not read whole.')
    const rows = screen.getAllByRole('row').map((row) => row.textContent)
    expect(rows[1]).toBe(`OursCamera✓ All 2701`)
    expect(rows[2]).toBe('BareCable▲ 0 of 12–')
  })
  it('stay while something is made with them, and it is said', async () => {
    const now = showPage(<OnePart partId="own-1" />, {
      ownParts: [whole],
      devices: [device({ cameraId: 'own-1' })],
    })
    expect(screen.getByText(/^Made with it: 01 /)).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: 'Take it out of the job' }))
    fireEvent.click(await screen.findByRole('button', { name: 'Remove' }))
    expect(await screen.findByText(/choose another part there first/)).toBeTruthy()
    expect(now().ownParts).toHaveLength(1)
  })
  it('at an address where there is none, it says so', () => {
    showPage(<OnePart partId="own-9" />, {})
    expect(screen.getByText(/no own part with this address/)).toBeTruthy()
  })
})
