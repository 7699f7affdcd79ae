import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { contains, distanceM } from '@/core/geometry'
import { area, block, soffit, wall, xy } from '@/testing/plans'
import { PlanThing } from '@/core/job'
import { densityBands, fit, scaleBarM, toPlan, toScreen, zoom } from '@/drawings/plan'
import { cornersOf, moved, THINGS, withCorner, type ThingName } from '@/core/plan'
import { STAND_OFF_M } from '@/core/sight'
import { ACTIONS } from './actions'
import { layerOf, type Switch } from './layers'
import { ontoEdge, snap } from './snap'
import { DRAWN } from './tools'

const coordinate = fc.double({ min: -200, max: 200, noNaN: true })
const view = fc.record({
  perMetre: fc.double({ min: 0.6, max: 300, noNaN: true }),
  x0: coordinate,
  y0: coordinate,
})

describe('the view', () => {
  it('goes there and back; up the sheet is up the screen', () => {
    fc.assert(
      fc.property(view, coordinate, coordinate, (v, x, y) => {
        expect(distanceM(toPlan(v, toScreen(v, { x, y })), { x, y })).toBeLessThan(1e-6)
      }),
    )
    expect(toScreen({ perMetre: 10, x0: 0, y0: 100 }, xy(1, 2))).toEqual([10, 80])
  })
  it('keeps what lies under the pointer there while zooming', () => {
    fc.assert(
      fc.property(
        view,
        fc.double({ min: 0.3, max: 3, noNaN: true }),
        coordinate,
        coordinate,
        (v, factor, u, w) => {
          const under = toPlan(v, [u, w])
          const [u2, w2] = toScreen(zoom(v, factor, [u, w]), under)
          expect(Math.hypot(u2 - u, w2 - w)).toBeLessThan(1e-5)
        },
      ),
    )
  })
  it('fits bounds into the window, and never zooms out of reach', () => {
    const fitted = fit({ left: 0, right: 80, bottom: 0, top: 60 }, 800, 500)
    for (const corner of [xy(0, 0), xy(80, 60)]) {
      const [u, v] = toScreen(fitted, corner)
      expect(u >= 0 && u <= 800 && v >= 0 && v <= 500).toBe(true)
    }
    expect(zoom(fitted, 1e9, [0, 0]).perMetre).toBe(400)
  })
  it('has a round scale bar', () =>
    expect([8, 3, 45].map((perMetre) => scaleBarM({ perMetre, x0: 0, y0: 0 }, 120))).toEqual([10, 20, 2]))
})

describe('snapping', () => {
  const things = [wall(0, 0, 10, 0)]
  const on = { things, floor: 'ground' as const, reachM: 0.5, gridM: 0.25 }
  it('draws to ends first, then right angles, then the grid', () => {
    expect(snap(xy(9.7, 0.3), on)).toEqual({ at: xy(10, 0), to: 'end' })
    expect(snap(xy(4.1, 5.07), { ...on, from: xy(4, 2) })).toEqual({ at: xy(4, 5), to: 'right angle' })
    expect(snap(xy(6.1, 5.13), { ...on, from: xy(4, 2) })).toEqual({ at: xy(6, 5.25), to: 'grid' })
  })
  it('holds right angles to a slanting side too', () => {
    const { at, to } = snap(xy(1.05, 3.02), { ...on, things: [], from: xy(2, 2), before: xy(0, 0) })
    expect(to).toBe('right angle')
    expect((at.x - 2) * 2 + (at.y - 2) * 2).toBeCloseTo(0, 5) // square to the side from (0, 0) to (2, 2)
  })
  it('leaves out what is being moved, and other floors', () => {
    expect(snap(xy(9.9, 0.1), { ...on, except: things[0]!.id }).to).toBe('grid')
    expect(snap(xy(9.9, 0.1), { ...on, floor: 'roof' }).to).toBe('grid')
  })
  it('puts a device off the face of a wall, on the side of the hand, looking out', () => {
    expect(ontoEdge(xy(4, -0.3), on)).toMatchObject({ at: xy(4, -0.12), outDeg: 180 })
    expect(ontoEdge(xy(4, 0.3), on)).toMatchObject({ at: xy(4, 0.12), outDeg: 0 })
    expect(ontoEdge(xy(4, 2), on)).toBeNull()
  })
  it('puts it on either face of a thick wall, never inside it', () => {
    const thick = { ...on, reachM: 1, things: [wall(0, 0, 10, 0, { thicknessM: 0.4 })] }
    expect(ontoEdge(xy(4, -0.3), thick)).toMatchObject({ at: xy(4, -STAND_OFF_M), outDeg: 180 })
    expect(ontoEdge(xy(4, 0.3), thick)).toMatchObject({ at: xy(4, 0.4 + STAND_OFF_M), outDeg: 0 })
    expect(ontoEdge(xy(4, 0.1), thick)).toMatchObject({ at: xy(4, -STAND_OFF_M) })
  })
  it('never puts it inside a block, and lets it hang where it is put under a soffit', () => {
    const shed = block(2, 2, 4, 4)
    fc.assert(
      fc.property(
        fc.double({ min: 1.6, max: 6.4, noNaN: true }),
        fc.double({ min: 1.6, max: 6.4, noNaN: true }),
        (x, y) => {
          const found = ontoEdge(xy(x, y), { ...on, things: [shed] })
          if (found) expect(contains([xy(2, 2), xy(6, 2), xy(6, 6), xy(2, 6)], found.at)).toBe(false)
        },
      ),
    )
    expect(ontoEdge(xy(5, 6.4), { ...on, things: [soffit(0, 6, 10, 6)] })).toMatchObject({
      at: xy(5, 6.4),
      outDeg: 180,
    })
  })
})

describe('moving', () => {
  const every: PlanThing[] = [
    wall(0, 0, 4, 0),
    soffit(0, 0, 4, 0),
    block(0, 0, 2, 2),
    block(0, 0, 1, 1, { id: 'tree', form: { is: 'round', at: xy(1, 1), radiusM: 0.5 } }),
    area(0, 0, 2, 2),
    {
      id: 't',
      floor: 'ground',
      name: '',
      locked: false,
      kind: 'target',
      at: xy(1, 1),
      level: 'detect',
      targetHeightM: 1,
    },
    { id: 'w', floor: 'ground', name: '', locked: false, kind: 'walk', path: [xy(0, 0), xy(2, 2)] },
    { id: 'h', floor: 'ground', name: '', locked: false, kind: 'head end', at: xy(0, 0) },
  ]
  it.each(every.map((thing) => [`${thing.kind} ${thing.id}`, thing] as const))(
    '%s: there and back it is the same, and stays valid',
    (_, thing) => {
      const away = moved(thing, 3.3, -1.7)
      expect(PlanThing.parse(away)).not.toEqual(thing)
      expect(moved(away, -3.3, 1.7)).toEqual(thing)
      for (const [i, corner] of cornersOf(thing).at.entries()) {
        const put = withCorner(thing, i, xy(corner.x + 0.5, corner.y + 0.25))
        expect(PlanThing.safeParse(put).success).toBe(true)
        if (thing.kind !== 'obstacle' || thing.form.is === 'block')
          expect(cornersOf(put).at[i]).toEqual(xy(corner.x + 0.5, corner.y + 0.25))
      }
    },
  )
})

describe('bands', () => {
  it('get darker by day and lighter by night with every level, in both editions', () => {
    const lightness = (colour: string) =>
      [1, 3, 5].reduce(
        (sum, at, i) =>
          sum + [0.2126, 0.7152, 0.0722][i]! * (Number.parseInt(colour.slice(at, at + 2), 16) / 255) ** 2.2,
        0,
      )
    for (const edition of ['2014', '2025'] as const) {
      const day = densityBands(edition, 'daylight').map(({ colour }) => lightness(colour))
      const night = densityBands(edition, 'loft').map(({ colour }) => lightness(colour))
      expect(day).toEqual([...day].sort((a, b) => b - a))
      expect(night).toEqual([...night].sort((a, b) => a - b))
      expect(new Set(day).size).toBe(day.length)
    }
  })
})

it('no key of the plan does two things', () => {
  const others = ['v', 'm', 'l', '0', '9', '+', '=', '-', 'escape', 'ctrl z', 'ctrl y', 'ctrl shift z']
  const keys = [
    ...others,
    ...Object.values(DRAWN).map(({ key }) => key),
    ...ACTIONS.flatMap(({ key }) => key ?? []),
  ]
  expect(keys.filter((key, i) => keys.indexOf(key) < i)).toEqual([])
})

describe('layers', () => {
  it('what hides, what is watched and what cables need lie apart: each kind of thing in one', () => {
    const lie = (layer: Switch) =>
      (Object.keys(THINGS) as ThingName[]).filter((kind) => layerOf(kind) === layer)
    expect(lie('areas')).toEqual(['premises', 'area', 'privacy', 'target', 'walk'])
    expect(lie('cable')).toEqual(['pathway', 'pull point'])
    expect(lie('things')).toEqual(
      expect.arrayContaining(['wall', 'soffit', 'obstacle', 'slab', 'ground level', 'head end', 'equipment']),
    )
  })
})
