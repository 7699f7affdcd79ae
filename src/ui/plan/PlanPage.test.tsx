// @vitest-environment jsdom
import 'fake-indexeddb/auto'
import { cleanup, fireEvent, screen, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import type { Job } from '@/core/job'
import { resolve } from '@/core/parts'
import { pointsOf } from '@/core/plan'
import { proposeSight, survey, type SurveyRequest } from '@/core/sight'
import { device, job } from '@/testing/jobs'
import { findings, keep, pick, prepareWindow, settled, showPage } from '@/testing/page'
import { area, block, headEnd, pathway, soffit, thing, wall, xy } from '@/testing/plans'
import { PlanPage } from './PlanPage'

/** The plan's page without its canvas and its worker: lists, fields, keys, findings, undo. */

vi.mock('next/navigation', () => ({ usePathname: () => '/' }))
vi.mock('next/dynamic', () => ({ default: () => () => null }))
vi.mock('./worker', () => ({
  useSurvey: (request: SurveyRequest | null) => ({
    result: request && survey(request),
    of: request,
    howFar: { subscribe: () => () => undefined, now: () => null },
    failed: false,
  }),
  useAsked: () => ({
    result: null,
    progress: null,
    failed: false,
    ask: () => undefined,
    cancel: () => undefined,
    forget: () => undefined,
  }),
}))
vi.mock('../kit/Chart', () => ({
  Chart: ({ says }: { says: string }) => <div role="img" aria-label={says} />,
  fetchCharts: () => Promise.resolve(),
}))

beforeEach(() => prepareWindow({ wide: true }))
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

let now: () => Job
const show = (change: Partial<Job>, deviceId: string | null = null) => {
  now = showPage(<PlanPage deviceId={deviceId} />, change)
}

const sight = (change: object = {}) => {
  const context = resolve(device(), job(), CATALOGUE)
  if ('missing' in context) throw new Error('missing')
  return {
    ...proposeSight(context),
    tiltDeg: 12,
    focalMm: 4,
    place: { floor: 'ground' as const, x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: false },
    ...change,
  }
}
const camera = (change: object = {}) => device({ sight: sight(change) })
const press = (key: string, more: object = {}) =>
  fireEvent.keyDown(screen.getByRole('application'), { key, ...more })

const unfold = (...titles: readonly (RegExp | string)[]) =>
  titles.forEach((title) => fireEvent.click(screen.getByText(title)))
/** Selects a thing by its name in the list of what is drawn. */
const pickDrawn = (name: RegExp) => {
  unfold(/^Drawn: /)
  pick(name)
}

describe('how things stand', () => {
  it('says what to do first on an empty plan', () => {
    show({ devices: [device()] })
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('No camera stands on this plan yet.')
    expect(
      screen.getByText('Draw walls and areas of interest, then put the devices where they go.'),
    ).toBeTruthy()
  })
  it('counts areas met, and says of one that is not why and what to do', () => {
    show({
      devices: [camera()],
      things: [area(-1, 6, 2, 2, { name: 'Doorstep' }), area(-30, 6, 4, 4, { id: 'b', name: 'Shed' })],
    })
    expect(screen.getByRole('heading', { level: 1 }).textContent).toMatch(
      /^1 of 2 areas of interest is met\./,
    )
    expect(screen.getByText(/^Shed: not enough to recognise: 100 % is in nobody’s picture\./)).toBeTruthy()
    expect(findings()).toMatch(/■ Stop Shed: .*✓ Good Doorstep/)
  })
  it('names who looks where nobody may', () => {
    show({ devices: [camera()], things: [{ ...thing('privacy', -1, 6, 2, 2), name: 'Window' }] })
    expect(findings()).toMatch(/▲ Check Window: must not be seen.*01 sees 100 % of it/)
  })
})

describe('editing', () => {
  it('a wall: exact length along its own way, undone and done again by keys', async () => {
    show({ things: [wall(0, 0, 3, 4, { id: 'w', name: 'Fence' })] })
    pickDrawn(/^Fence/)
    keep('Length', '10')
    await settled(() =>
      expect(now().things[0]).toMatchObject({
        from: xy(0, 0),
        to: { x: expect.closeTo(6, 6) as number, y: expect.closeTo(8, 6) as number },
      }),
    )
    press('z', { ctrlKey: true })
    await settled(() => expect(now().things[0]).toMatchObject({ to: xy(3, 4) }))
    press('y', { ctrlKey: true })
    await settled(() => expect(now().things[0]).toMatchObject({ to: { x: expect.closeTo(6, 6) as number } }))
  })
  it(
    'openings: one is added inside the wall; one that reaches past its end is refused and ' +
      'the words stay',
    async () => {
      show({ things: [wall(0, 0, 4, 0, { id: 'w', name: 'Front' })] })
      pickDrawn(/^Front/)
      pick('Add an opening')
      pick('Add an opening') // before the first is kept
      await settled(() =>
        expect(now().things[0]).toMatchObject({ openings: [{ widthM: 0.9, headM: 2.1 }, { widthM: 0.9 }] }),
      )
      pick('Remove opening 2')
      await settled(() => expect(now().things[0]).toMatchObject({ openings: [{ widthM: 0.9, headM: 2.1 }] }))
      fireEvent.change(screen.getByLabelText('What the opening is'), { target: { value: 'window' } })
      pick('Add an opening')
      await settled(() =>
        expect(now().things[0]).toMatchObject({ openings: [{}, { widthM: 1.2, sillM: 0.9, headM: 2.1 }] }),
      )
      pick('Remove opening 2')
      await settled(() => expect(now().things[0]).toMatchObject({ openings: [{ widthM: 0.9 }] }))
      const one = within(screen.getByRole('group', { name: 'Opening 1' }))
      fireEvent.change(one.getByLabelText('Width'), { target: { value: '9' } })
      fireEvent.blur(one.getByLabelText('Width'))
      expect((await one.findByRole('alert')).textContent).toBe(
        'The opening reaches past the end of the wall.',
      )
      expect(now().things[0]).toMatchObject({ openings: [{ widthM: 0.9 }] })
    },
  )
  it('arrows move what is selected, Delete takes it away, undo brings it back', async () => {
    show({ things: [block(1, 1, 2, 2, { id: 'b', name: 'Skip' })] })
    pickDrawn(/^Skip/)
    press('ArrowRight')
    await settled(() =>
      expect(now().things[0]).toMatchObject({
        form: { outline: expect.arrayContaining([xy(1.1, 1)]) as unknown },
      }),
    )
    press('ArrowUp', { shiftKey: true })
    await settled(() =>
      expect(now().things[0]).toMatchObject({
        form: { outline: expect.arrayContaining([xy(1.1, 2)]) as unknown },
      }),
    )
    press('Delete')
    await settled(() => expect(now().things).toEqual([]))
    pick('Undo')
    await settled(() => expect(now().things).toHaveLength(1))
  })
  it('several at once: moved, lined up, turned and mirrored together, each undone as one', async () => {
    show({
      things: [
        block(0, 0, 2, 2, { id: 'a', name: 'Skip' }),
        block(6, 3, 2, 2, { id: 'b', name: 'Shed' }),
        wall(20, 0, 24, 0, { id: 'w', name: 'Fence' }),
      ],
    })
    const lefts = () =>
      now().things.map((one) => Math.min(...pointsOf(one).map(({ x }) => Math.round(x * 1000) / 1000)))
    press('a', { ctrlKey: true })
    expect(screen.getByRole('heading', { name: '3 selected' })).toBeTruthy()
    press('ArrowRight', { shiftKey: true })
    await settled(() => expect(lefts()).toEqual([1, 7, 21]))
    pick(/^Line up on the left/)
    await settled(() => expect(lefts()).toEqual([1, 1, 1]))
    expect(screen.getByRole('button', { name: 'Undo' }).title).toBe('Undo moving Skip and 2 more (Ctrl Z)')
    press('z', { ctrlKey: true })
    await settled(() => expect(lefts()).toEqual([1, 7, 21]))
    pick(/^Mirror left and right/)
    await settled(() => expect(lefts()).toEqual([23, 17, 1]))
    press('Z', { ctrlKey: true })
    await settled(() => expect(lefts()).toEqual([1, 7, 21]))
    press('u')
    await settled(() => expect(lefts()[0]).not.toBe(1))
    press('z', { ctrlKey: true })
    await settled(() => expect(lefts()).toEqual([1, 7, 21]))
  })
  it('what is locked stays: keys, fields and the way off the plan leave it alone until it is unlocked', async () => {
    const places = () => [now().devices[0]!.sight!.place!.x, pointsOf(now().things[0]!)[0]!.x]
    show({
      devices: [camera()],
      things: [wall(0, 0, 4, 0, { id: 'w', name: 'Front' }), block(9, 9, 1, 1, { id: 'b', name: 'Skip' })],
    })
    pickDrawn(/^Front/)
    press('k')
    await settled(() => expect(now().things[0]!.locked).toBe(true))
    expect(screen.getByLabelText<HTMLInputElement>('Length').closest('fieldset')!.disabled).toBe(true)
    press('a', { ctrlKey: true })
    press('k')
    await settled(() => expect(now().devices[0]!.sight!.place!.locked).toBe(true))
    press('K', { shiftKey: true })
    await settled(() => expect(now().things.some(({ locked }) => locked)).toBe(false))
    pick('Undo')
    await settled(() => expect(now().things[0]!.locked).toBe(true))
    press('Z', { ctrlKey: true }) // the skip and the camera, locked with the rest
    await settled(() => expect(now().things[1]!.locked).toBe(false))
    press('ArrowRight')
    await settled(() => expect(pointsOf(now().things[1]!)[0]!.x).toBeCloseTo(9.1, 9))
    await settled(() => expect(places()).toEqual([0.1, 0]))
    press('d', { ctrlKey: true }) // a copy is not locked
    await settled(() => expect(now().things.map(({ locked }) => locked)).toEqual([true, false, false, false]))
    press('a', { ctrlKey: true })
    press('Delete')
    await settled(() => expect(now().things.map(({ id }) => id)).toEqual(['w']))
  })
  it('copies stand beside what they were copied from, under ids of their own, also in another job', async () => {
    show({ things: [block(0, 0, 2, 2, { id: 'a', name: 'Skip' })] })
    pickDrawn(/^Skip/)
    press('c', { ctrlKey: true })
    press('d', { ctrlKey: true })
    await settled(() => expect(now().things).toHaveLength(2))
    expect(now().things[1]).toMatchObject({ name: 'Skip', form: { outline: [xy(1, -1), {}, {}, {}] } })
    expect(now().things[1]!.id).not.toBe('a')
    cleanup()
    show({ things: [] })
    press('v', { ctrlKey: true })
    await settled(() => expect(now().things).toHaveLength(1))
    expect(now().things[0]).toMatchObject({ name: 'Skip', form: { outline: [xy(1, -1), {}, {}, {}] } })
  })
  it('a wall is carried on to the next, and cut back to the one that crosses it', async () => {
    show({
      things: [wall(0, 0, 4, 0, { id: 'w', name: 'Front' }), wall(7, -2, 7, 2, { id: 'v', name: 'Side' })],
    })
    pickDrawn(/^Front/)
    press('e')
    await settled(() => expect(now().things[0]).toMatchObject({ to: xy(7, 0) }))
    pickDrawn(/^Front/) // no longer
    press('e')
    expect(now().things[0]).toMatchObject({ to: xy(7, 0) })
  })
  it('a soffit turns its board to the other side', async () => {
    show({ things: [soffit(0, 0, 4, 0, { name: 'Eaves' })] })
    pickDrawn(/^Eaves/)
    pick('Turn it to the other side')
    await settled(() => expect(now().things[0]).toMatchObject({ from: xy(4, 0), to: xy(0, 0) }))
  })
  it('an area’s level changes its verdict', async () => {
    show({ devices: [camera()], things: [area(-1, 6, 2, 2, { name: 'Doorstep' })] })
    pickDrawn(/^Doorstep/)
    fireEvent.change(screen.getByLabelText('Must show'), { target: { value: 'inspect' } })
    await settled(() => expect(findings()).toContain('■ Stop Doorstep: not enough to inspect'))
  })
})

describe('a device on the plan', () => {
  it('a pathway is what its fields say; another space brings its own heat and labour', async () => {
    show({
      things: [
        pathway(
          [
            [0, 0],
            [10, 0],
          ],
          { id: 'p', name: 'Ceiling' },
        ),
      ],
    })
    pickDrawn(/^Ceiling/)
    keep('Starts above its floor', '3')
    await settled(() => expect(now().things[0]).toMatchObject({ heightM: 3, endM: 3 }))
    keep('Ends above its floor', '1')
    await settled(() => expect(now().things[0]).toMatchObject({ heightM: 3, endM: 1 }))
    fireEvent.change(screen.getByLabelText('Space'), { target: { value: 'loft' } })
    await settled(() =>
      expect(now().things[0]).toMatchObject({
        heightM: 3,
        endM: 1,
        space: 'loft',
        temperatureC: 45,
        minutesPerM: 2,
      }),
    )
    fireEvent.change(screen.getByLabelText('Its end is on'), { target: { value: 'upper' } })
    await settled(() => expect(now().things[0]).toMatchObject({ endFloor: 'upper' }))
    unfold('Ways of all cables')
    expect(screen.getByText(/How high the floors at its ends lie is not entered/)).toBeTruthy()
  })
  it('its cable takes the way of least labour over the pathways, or another; all are added up', async () => {
    show(
      {
        devices: [camera({ heightM: 2.5 })],
        things: [
          pathway(
            [
              [0, 0],
              [10, 0],
            ],
            { id: 'p', name: 'Trunking' },
          ),
          pathway(
            [
              [0, 1],
              [0, 9],
              [10, 9],
              [10, 1],
            ],
            { id: 'q', name: 'Long way' },
          ),
          headEnd(10, 0),
        ],
      },
      'device-1',
    )
    unfold('The way of its cable', 'Ways of all cables')
    const ways = () => [...document.querySelectorAll('[data-way]')].map(({ textContent }) => textContent)
    expect(ways()).toEqual([
      expect.stringMatching(/^11\.50 m, 37 min of work.*Trunking.*: 10\.00 m, down 1\.50 m/) as string,
      expect.stringMatching(/^29\.50 m/) as string,
    ])
    expect(screen.getByText('Cables with a way: 1 of 1; 11.50 m in all, 0.6 h of work.')).toBeTruthy()
    fireEvent.click(screen.getByText('Take this one instead'))
    await settled(() => expect(ways()[1]).toContain('It is planned this way.'))
    expect(now().devices[0]!.route!.forced).toEqual({ through: null, around: ['p'] })
    expect(screen.getByText(/^Cables with a way: 1 of 1; 29\.50 m in all/)).toBeTruthy()
    fireEvent.click(screen.getByText('Take this way'))
    await settled(() => expect(ways()[0]).toContain('It is planned this way.'))
    expect(now().devices[0]!.route!.forced).toBeNull()
    expect(now().devices[0]!.route!.segments).toMatchObject([
      { space: 'trunking indoors', lengthM: 10, riseM: -1.5 },
    ])
  })
  it('mains is offered no way with data', () => {
    const things = [
      pathway(
        [
          [0, 0],
          [10, 0],
        ],
        { id: 'p' },
      ),
      headEnd(10, 0),
    ]
    show({ devices: [{ ...camera({ heightM: 2.5 }), cableId: 'mains-14-2' }], things }, 'device-1')
    unfold('The way of its cable', 'Ways of all cables')
    expect(screen.getByText(/^Mains and earth go a way of their own/)).toBeTruthy()
    expect(document.querySelector('[data-way]')).toBeNull()
    expect(screen.getByText(/^Cables with a way: 0 of 0;/)).toBeTruthy()
  })
  it('opens selected by its address; keys turn and move it', async () => {
    show({ devices: [camera()] }, 'device-1')
    expect(screen.getByLabelText<HTMLInputElement>('Looks towards').value).toBe('0.0°')
    press('[')
    await settled(() => expect(now().devices[0]!.sight!.place!.panDeg).toBe(359))
    press('ArrowLeft')
    await settled(() => expect(now().devices[0]!.sight!.place!.x).toBeCloseTo(-0.1, 9))
  })
  it(
    'finds the fence before its target while the height is still being typed, and lets it go ' +
      'with Escape',
    async () => {
      show({ devices: [camera()], things: [wall(-2, 4, 2, 4, { heightM: 2.5, name: 'Fence' })] }, 'device-1')
      expect(findings()).toContain('The target is hidden')
      fireEvent.change(screen.getByLabelText('Lens height'), { target: { value: '12' } })
      await settled(() => expect(findings()).not.toContain('The target is hidden'))
      fireEvent.keyDown(screen.getByLabelText('Lens height'), { key: 'Escape' })
      await settled(() => expect(findings()).toContain('The target is hidden'))
      expect(now().devices[0]!.sight!.heightM).toBe(3)
    },
  )
  it('two places beside each other: the kept one has its figures, and is gone back to', async () => {
    const things = [area(-2, 5, 4, 3, { name: 'Yard', level: 'observe' }), wall(20, 0, 20, 9)]
    show({ devices: [camera()], things }, 'device-1')
    unfold('Compare two places')
    fireEvent.click(screen.getByRole('button', { name: 'Keep this place' }))
    const row = (label: string) =>
      [...screen.getByRole('table', { name: 'Two places' }).querySelectorAll('tr')]
        .map((one) => [...one.querySelectorAll('td')].map(({ textContent }) => textContent))
        .find(([head]) => head === label)!
        .slice(1)
    expect(row('What was promised')[0]).toBe(row('What was promised')[1])
    keep('Looks towards', '180')
    await settled(() => expect(row('What was promised')).toEqual(['1 of 1 met', '0 of 1 met']))
    expect(row('Blind')[0]).not.toBe(row('Blind')[1])
    fireEvent.click(screen.getByRole('button', { name: 'Back to the kept one' }))
    await settled(() => expect(now().devices[0]!.sight!.place!.panDeg).toBe(0))
    await settled(() => expect(row('What was promised')).toEqual(['0 of 1 met', '1 of 1 met']))
    fireEvent.click(screen.getByRole('button', { name: 'Forget it' }))
    expect(screen.queryByRole('table', { name: 'Two places' })).toBeNull()
  })
  it('a wish that differs wants a reason and an agreement', async () => {
    show(
      { devices: [camera({ wish: { place: '', at: xy(3, 0), kept: true, reason: '', agreedBy: '' } })] },
      'device-1',
    )
    const checks = () => screen.queryAllByText(/Moved from the customer’s wish/).length
    expect(checks()).toBe(1)
    fireEvent.click(screen.getByLabelText('It stands elsewhere, agreed'))
    await settled(() => expect(screen.getByLabelText('Who agreed')).toBeTruthy())
    keep('Why it was moved', 'the lamp blinds it')
    await settled(() => expect(now().devices[0]!.sight!.wish.reason).toBe('the lamp blinds it'))
    keep('Who agreed', 'Owner')
    await settled(() => expect(checks()).toBe(0))
  })
  it('comes off the plan and keeps the rest of its sight', async () => {
    show({ devices: [camera()] }, 'device-1')
    pick('Take it off the plan')
    await settled(() => expect(now().devices[0]!.sight).toEqual({ ...sight(), place: null }))
    expect(screen.getByRole('button', { name: 'Put it on the plan' })).toBeTruthy()
  })
})

describe('site and walk', () => {
  it('keeps the place on earth once latitude and longitude are both said', async () => {
    show({})
    unfold('Where it lies')
    keep('Latitude', '50.3')
    expect(now().site).toBeNull()
    keep('Longitude', '-4.1')
    await settled(() =>
      expect(now().site).toMatchObject({ latitudeDeg: 50.3, longitudeDeg: -4.1, upBearingDeg: 0 }),
    )
    keep('Time zone', 'Atlantis/Deep')
    expect((await screen.findAllByText('Name a time zone like Europe/London.')).length).toBeGreaterThan(0)
    expect(now().site!.timeZone).not.toBe('Atlantis/Deep')
  })
  it('walks a path: what each camera makes of it, and where nobody looks', () => {
    show({
      devices: [camera()],
      things: [
        {
          id: 'w',
          floor: 'ground',
          name: 'Round',
          locked: false,
          kind: 'walk',
          path: [xy(0, 14), xy(0, -7)],
        },
      ],
    })
    pickDrawn(/^Round/)
    expect(screen.getByText(/^Out of everybody’s view for \d+\.\d s/)).toBeTruthy()
    expect(screen.getByRole('img', { name: /^Density at the face against time\. 01 at best/ })).toBeTruthy()
  })
})
