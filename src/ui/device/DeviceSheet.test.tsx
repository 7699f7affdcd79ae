// @vitest-environment jsdom
import 'fake-indexeddb/auto'
import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Device, Job } from '@/core/job'
import { device, plannedThrough } from '@/testing/jobs'
import { findings, keep, pick, prepareWindow, settled, showPage, type } from '@/testing/page'
import { area, soffit } from '@/testing/plans'
import { DeviceSheet } from './DeviceSheet'

/** The device's sheets: what is typed is tried, what is left is kept, and the findings follow. */

vi.mock('next/navigation', () => ({
  useRouter: () => ({ push: () => undefined, prefetch: () => undefined }),
  usePathname: () => '/',
}))
vi.mock('../kit/Chart', () => ({
  Chart: ({ says }: { says: string }) => <div role="img" aria-label={says} />,
  fetchCharts: () => Promise.resolve(),
}))
vi.mock('../kit/DrawingView', async (actual) => ({
  ...(await actual<object>()),
  Sized: ({ children }: { children: (width: number) => React.ReactNode }) => <>{children(600)}</>,
}))

beforeEach(prepareWindow)
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const show = (
  tab: 'sight' | 'mount' | 'power' | 'seal' | 'route',
  of: Partial<Device> = {},
  change: Partial<Job> = {},
) => showPage(<DeviceSheet deviceId="device-1" tab={tab} />, { devices: [device(of)], ...change })
const choose = (label: string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } })

describe('mount', () => {
  it('an arm on hollow block: which fixing fails, the smallest change that passes, and passing it', async () => {
    const now = show('mount', {
      surfaceId: 'hollow-block',
      cameraId: 'large-dome-4mp',
      mountIds: ['wall-arm', 'pendant-rod-500', 'pendant-hood'],
    })
    choose('Fixing', 'sleeve-hollow')
    await settled(() =>
      expect(findings()).toMatch(
        /■ Stop The fixing is too weak for four times the weight.*top fixings out.*Use 4 × Resin anchor M8/,
      ),
    )
    choose('Fixing', 'resin-hollow')
    await settled(() => expect(findings()).toContain('✓ Good The fixing holds four times the weight'))
    expect(now().devices[0]!.mount).toMatchObject({ fixingId: 'resin-hollow', fixingCount: 4 })
  })
  it('a tile is stopped until it is tethered', async () => {
    const now = show('mount', {
      surfaceId: 'ceiling-tile',
      cameraId: 'dome-4mp-vf',
      mountIds: ['tile-spread-plate'],
      exposure: 'dry indoors',
    })
    expect(findings()).toContain('■ Stop A ceiling tile carries the camera alone')
    fireEvent.click(screen.getByLabelText('Tethered to the structure above'))
    await settled(() => expect(findings()).not.toContain('■ Stop'))
    expect(now().devices[0]!.mount!.tethered).toBe(true)
  })
  it('an edge and a slot are judged while they are typed', async () => {
    const now = show('mount', { surfaceId: 'brick' })
    type('Nearest edge or joint from a fixing', '15')
    await settled(() => expect(findings()).toContain('■ Stop A fixing stands too near the edge'))
    keep('Nearest edge or joint from a fixing', '60')
    await settled(() => expect(findings()).not.toContain('too near the edge'))
    keep('Vent slot or joist from the cable hole', '8 mm')
    await settled(() =>
      expect(findings()).toContain('■ Stop The cable hole runs into a slot, joist or joint'),
    )
    keep('Vent slot or joist from the cable hole', '')
    await settled(() => expect(now().devices[0]!.mount).toMatchObject({ edgeMm: 60, slotMm: null }))
  })
  it('what is typed while another field is still being kept stays tried', async () => {
    show('mount', { surfaceId: 'brick' })
    keep('Vent slot or joist from the cable hole', '300')
    type('Nearest edge or joint from a fixing', '15')
    await settled(() =>
      expect(screen.getByLabelText('Vent slot or joist from the cable hole')).toHaveProperty(
        'value',
        '300 mm',
      ),
    )
    expect(findings()).toContain('■ Stop A fixing stands too near the edge')
  })
  it('a pole as it is measured; one thicker-walled than it is wide is refused', async () => {
    const now = show('mount', { surfaceId: 'steel-pole', mountIds: ['pole-adapter'] })
    keep('Pole across', '76')
    await settled(() => expect(now().devices[0]!.mount!.pole).toMatchObject({ diameterMm: 76 }))
    choose('Pole of', 'timber')
    await settled(() =>
      expect(now().devices[0]!.mount!.pole).toMatchObject({ material: 'timber', diameterMm: 76 }),
    )
    keep('Its wall', '60')
    await screen.findByText('The wall is thicker than half the pole.')
    expect(now().devices[0]!.mount!.pole).toMatchObject({ wallMm: 3.6 })
  })
  it('the section names the parts in order with what must be done before each is closed', () => {
    show('mount', { surfaceId: 'brick', cameraId: 'large-dome-4mp', mountIds: ['wall-arm', 'pendant-hood'] })
    const drawing = screen.getByRole('group', {
      name: /^Section through the mount: Wall arm, 300 mm, Pendant hood, Large dome/,
    }).textContent
    expect(drawing).toMatch(/1\s+Wall arm.*glands.*2\s+Pendant hood.*Screw the camera to the hood before/)
  })
})

describe('route', () => {
  it('a stretch keeps its space while its length is typed before the space is kept', async () => {
    const now = show('route', { route: plannedThrough(device()).route })
    choose('1 through', 'trunking indoors')
    type('Length', '8 m')
    await settled(() => expect(now().devices[0]!.route!.segments[0]!.space).toBe('trunking indoors'))
    keep('Length', '8 m')
    await settled(() => expect(now().devices[0]!.route!.segments[0]!.lengthM).toBe(8))
    expect(now().devices[0]!.route!.segments[0]!.space).toBe('trunking indoors')
  })
  it('a ready-made lead: its end that goes first, its coil and the place for it', async () => {
    const planned = plannedThrough(device({ exposure: 'dry indoors' }))
    const loft = { ...planned.route!.segments[0]!, space: 'loft' as const, lengthM: 20, riseM: 0 }
    const now = show('route', {
      ...planned,
      cableId: 'lead-thin',
      route: { ...planned.route!, segments: [loft] },
      terminate: { ...planned.terminate!, cameraEndId: 'plug-factory-shell', headEndId: 'plug-factory' },
    })
    fireEvent.click(screen.getByLabelText('Ready-made lead, never cut'))
    await settled(() => expect(findings()).toContain('▲ Check The surplus of the lead has no place'))
    choose('Its surplus is coiled', 'loft')
    await settled(() => expect(findings()).toContain('✓ Good The ready-made lead reaches, and its surplus'))
    const feeds = screen.getByLabelText<HTMLSelectElement>('The lead is fed from')
    expect([...feeds.options].map(({ text }) => text)).toEqual([
      'Where its wider end stays',
      'The device: factory RJ45 plug, no boot goes first',
      'The head end: factory RJ45 plug in a weatherproof shell goes first',
    ])
    choose('The lead is fed from', 'far end')
    keep('Length of the lead', '26 m')
    await settled(() =>
      expect(now().devices[0]!.route!.lead).toEqual({ lengthM: 26, fedFrom: 'far end', coilAt: 'loft' }),
    )
    expect(screen.getByText('Goes first').parentElement!.textContent).toContain('weatherproof shell')
  })
})

describe('sight', () => {
  const sight = {
    heightM: 3,
    targetDistanceM: 8,
    targetHeightM: 1.6,
    level: 'recognise' as const,
    focalMm: 2.8,
    tiltDeg: 10,
    portrait: false,
    shutterS: 0.005,
    wish: { place: '', at: null, kept: true, reason: '', agreedBy: '' },
    place: { floor: 'ground' as const, x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: false },
  }
  it('the lens finder answers for an area, and sets lens and aim', async () => {
    const now = show('sight', { sight }, { things: [area(4, 6, 3, 3, { name: 'Gate' })] })
    choose('What it must show', 'area')
    expect(screen.getByText(/mm reach recognise over all of it\./, { selector: 'p' })).toBeTruthy()
    pick(/^Set [\d.]+ mm and aim at it$/)
    await settled(() => expect(now().devices[0]!.sight!.place!.panDeg).toBeGreaterThan(30))
    expect(now().devices[0]!.sight!.focalMm).toBeGreaterThan(2.8)
  })
  it('those that do not serve are shown with why, when asked', async () => {
    show('sight', { sight: { ...sight, targetDistanceM: 60, level: 'identify' } })
    const before = screen.getByRole('list', { name: 'Other cameras' }).children.length
    fireEvent.click(screen.getByLabelText('Show those that do not serve, and why'))
    const list = screen.getByRole('list', { name: 'Other cameras' })
    await settled(() => expect(list.children.length).toBeGreaterThan(before))
    expect(list.textContent).toMatch(/Identify wants [\d.]+ mm; this lens ends at [\d.]+ mm/)
  })
  it(
    'a lip in the picture goes as soon as the typed height clears it, and nothing is kept ' +
      'until the field is left',
    async () => {
      const now = show(
        'sight',
        { sight: { ...sight, heightM: 2.9, tiltDeg: 8 } },
        { things: [soffit(5, 0.5, -5, 0.5)] },
      )
      expect(findings()).toContain('▲ Check Soffit lip in the picture')
      type('Lens height', '2.2')
      await settled(() => expect(findings()).not.toContain('Soffit lip'))
      fireEvent.blur(screen.getByLabelText('Lens height'))
      await settled(() => expect(now().devices[0]!.sight!.heightM).toBe(2.2))
    },
  )
  it('says why there is no sun to show, and shows it where the site is known', () => {
    show('sight', { sight: { ...sight, place: null } })
    expect(screen.getByText('Put it on the plan to reckon the sun.')).toBeTruthy()
    cleanup()
    show('sight', { sight })
    expect(screen.getByText('Say on the plan where the site lies to reckon the sun.')).toBeTruthy()
    cleanup()
    show(
      'sight',
      { sight: { ...sight, tiltDeg: 4, place: { ...sight.place, panDeg: 240 } } },
      { site: { latitudeDeg: 51.5, longitudeDeg: 0, upBearingDeg: 0, timeZone: 'Europe/London' } },
    )
    expect(screen.getByRole('img', { name: /^Hours of sun in the picture by month: Jan/ })).toBeTruthy()
    expect(findings()).toContain('▲ Check The sun stands in the picture')
  })
})
