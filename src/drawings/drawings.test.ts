import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { assemblyView, type ShownPart } from '@/core/assembly'
import { assessDevice } from '@/core/assess'
import type { Device, Route } from '@/core/job'
import { anyJob } from '@/testing/anyJob'
import { device, job, plannedThrough } from '@/testing/jobs'
import { pictureOf } from '@/core/sight'
import { SIGHT, spotsOf, stagesOf, wordsOf } from '@/testing/drawn'
import { block, flat } from '@/testing/plans'
import { FED_FREELY } from '@/core/job'
import {
  assemblyDrawing,
  cableEndsDrawing,
  drawingsOf,
  mountDrawing,
  pictureDrawing,
  powerDrawing,
  routeDrawing,
  sealDrawing,
  type Mark,
  type Spot,
} from '.'
import { PROFILES } from './profiles'

describe('every drawing of any job', () => {
  it('has marks at finite places, words without NaN, and says what it shows', () => {
    fc.assert(
      fc.property(anyJob, fc.constantFrom(300, 460, 820), (j, width) => {
        for (const d of j.devices) {
          const assessed = assessDevice(d, j, CATALOGUE)
          const apart = assemblyView(j, d, assessed, CATALOGUE)
          const drawings = Object.values(drawingsOf(assessed, j.units, width))
          for (const drawing of apart ? [...drawings, assemblyDrawing(apart, width)] : drawings) {
            for (const mark of drawing.marks)
              for (const [x, y] of spotsOf(mark))
                expect([Number.isFinite(x), Number.isFinite(y)]).toEqual([true, true])
            expect(wordsOf(drawing).join(' ')).not.toMatch(/NaN|Infinity|undefined/)
            expect(drawing.says.length).toBeGreaterThan(10)
            expect(drawing.height).toBeGreaterThan(50)
          }
        }
      }),
      { numRuns: 150 },
    )
  })
  it('draws only what is planned', () => {
    const assessed = assessDevice(device({ sight: SIGHT }), job(), CATALOGUE)
    expect(Object.keys(drawingsOf(assessed, 'metric'))).toEqual(['sight'])
  })
})

describe('the route strip is in proportion', () => {
  const route = (lengths: number[], change: Partial<Route> = {}) =>
    stagesOf({
      route: {
        segments: lengths.map((lengthM, i) => ({
          id: `${i}`,
          space: 'trunking indoors',
          lengthM,
          riseM: 0,
          temperatureC: 20,
          conduitId: null,
          conduitName: '',
        })),
        laid: 'new' as const,
        cordsM: 2,
        forced: null,
        lead: null,
        ...change,
      },
    }).route.result.drawing
  it('draws a stretch twice as long twice as wide', () => {
    const drawing = routeDrawing(route([10, 20]), 'metric', 800)
    const boxes = drawing.marks.filter((mark) => mark.kind === 'shape' && mark.fill === 'sheet')
    const [first, second] = boxes.map((mark) => spotsOf(mark)[1]![0] - spotsOf(mark)[0]![0])
    expect(second! / first!).toBeCloseTo(2, 6)
  })
  it('fills the installed length: slack at both ends, stretches, loops; a lead is longer than its way', () => {
    const strip = route([10, 20])
    const wide = (drawing: ReturnType<typeof routeDrawing>, fill: string) =>
      drawing.marks
        .filter((mark) => mark.kind === 'shape' && mark.fill === fill)
        .reduce((sum, mark) => sum + spotsOf(mark)[1]![0] - spotsOf(mark)[0]![0], 0)
    const drawing = routeDrawing(strip, 'metric', 800)
    expect(wide(drawing, 'soft') / wide(drawing, 'sheet')).toBeCloseTo((strip.installedM - 30) / 30, 6)
    expect(wordsOf(drawing).some((said) => said.startsWith('cut'))).toBe(true)
    const lead = routeDrawing(route([10], { lead: { lengthM: 20, ...FED_FREELY } }), 'metric', 800)
    expect(wordsOf(lead).filter((said) => /^(cut|way|lead)/.test(said))).toEqual([
      'way 14.0 m',
      'lead 20.0 m',
    ])
    const kept = wordsOf(routeDrawing(route([10], { laid: 'kept' }), 'metric', 800))
    expect(kept.filter((said) => /^(cut|way|lead)/.test(said))).toEqual(['way 14.0 m'])
  })
  it('marks the limit only when it is near enough to matter', () => {
    expect(wordsOf(routeDrawing(route([80]), 'metric', 800)).some((said) => said.startsWith('limit'))).toBe(
      true,
    )
    expect(wordsOf(routeDrawing(route([10]), 'metric', 800)).some((said) => said.startsWith('limit'))).toBe(
      false,
    )
  })
})

describe('the other drawings', () => {
  it('mount: numbers every part in order, the pulled fixing in words', () => {
    const { mount } = stagesOf({
      cameraId: 'turret-5mp-2.8',
      surfaceId: 'concrete-ceiling',
      mountIds: ['ceiling-plate', 'pendant-rod-500', 'pendant-box'],
    })
    const said = wordsOf(mountDrawing(mount.result.drawing, 'metric', 700))
    expect(said.filter((one) => /^\d$/.test(one))).toEqual(['1', '2', '3', '4'])
    expect(said.some((one) => one.startsWith('× 4 pulls each fixing with'))).toBe(true)
  })
  it('mount: what stays is called so, its hole unmeasured, and nothing green said of its fixings', () => {
    const drawn = (partsKept: number) =>
      mountDrawing(stagesOf({ partsKept }).mount.result.drawing, 'metric', 700)
    const said = (partsKept: number) => wordsOf(drawn(partsKept))
    expect(said(0).some((one) => one.startsWith('hole '))).toBe(true)
    expect(said(1).some((one) => one.startsWith('hole '))).toBe(false)
    expect(said(1)).toContain('1  Junction box, 120 mm, stays')
    const { input } = stagesOf().mount
    const old = (holeMm: number | null) =>
      wordsOf(
        mountDrawing(
          stagesOf({ mount: { ...input, hole: 'kept', holeMm } }).mount.result.drawing,
          'metric',
          700,
        ),
      ).filter((one) => one.startsWith('hole '))
    expect([old(null), old(14)]).toEqual([[], ['hole 14 mm']])
    const green = (partsKept: number) => JSON.stringify(drawn(partsKept)).includes('"good"')
    expect([green(0), green(1)]).toEqual([true, false])
  })
  it('mount: what it comes to is broken into lines that a phone shows whole', () => {
    const { result } = stagesOf({ cameraId: 'large-dome-4mp', mountIds: ['wall-arm', 'pendant-hood'] }).mount
    const said = (width: number) => {
      const lines = wordsOf(mountDrawing(result.drawing, 'imperial', width))
      const first = lines.findIndex((line) => line.startsWith('× 4 pulls'))
      return lines.slice(first)
    }
    expect(said(700)).toHaveLength(1)
    expect(said(340).length).toBeGreaterThan(1)
    expect(said(340).join(' ')).toBe(said(700)[0])
    for (const line of said(340)) expect(line.length * 6.8).toBeLessThanOrEqual(340 - 28)
  })
  it('mount: says in green that it holds exactly where no finding says that it does not', () => {
    const on = { cameraId: 'large-dome-4mp', mountIds: ['wall-arm', 'pendant-rod-500', 'pendant-hood'] }
    const { mount: proposed } = stagesOf({ ...on, surfaceId: 'hollow-block' })
    const seen = new Set<boolean>()
    for (const fixingId of CATALOGUE.fixings.keys())
      for (const fixingCount of [1, 2, 4]) {
        const mount = { ...proposed.input, fixingId, fixingCount }
        const { result } = stagesOf({ ...on, surfaceId: 'hollow-block', mount }).mount
        const weak = result.findings.some(
          ({ id, verdict }) => /^mount\/(load|wind)$/.test(id) && verdict === 'stop',
        )
        const green = JSON.stringify(mountDrawing(result.drawing, 'metric', 700)).includes('"good"')
        expect([fixingId, fixingCount, green]).toEqual([fixingId, fixingCount, !weak])
        seen.add(green)
      }
    expect([...seen].sort()).toEqual([false, true])
  })
  it('mount: hangs what follows a wall arm below its end', () => {
    const { mount } = stagesOf({
      cameraId: 'large-dome-4mp',
      surfaceId: 'brick',
      mountIds: ['wall-arm', 'pendant-hood'],
    })
    const numbers = mountDrawing(mount.result.drawing, 'metric', 760).marks.flatMap((mark) =>
      mark.kind === 'words' && /^\d$/.test(mark.words) ? [mark.at] : [],
    )
    expect(numbers[2]![1]).toBeGreaterThan(numbers[1]![1])
    expect(numbers[2]![0]).toBeCloseTo(numbers[1]![0], 6)
  })
  it('ends: eight contacts for a pair cable, none for coax, pieces in threading order', () => {
    const pair = cableEndsDrawing(stagesOf().terminate.result.drawing, 700)
    expect(pair.says).toContain('1 white-orange, 2 orange, 3 white-green')
    expect(
      cableEndsDrawing(
        stagesOf({ cameraId: 'analogue-bullet-2mp', cableId: 'rg59-18-2' }).terminate.result.drawing,
        700,
      ).says,
    ).toContain('Jacket off 19 mm')
    expect(wordsOf(pair)).toContain('gland nut')
  })
  it('seal: one line an opening, the weakest named, a failing one crossed out', () => {
    const chain = sealDrawing(stagesOf({ seal: { choices: [] } }).seal.result.drawing, 'metric', 700)
    expect(wordsOf(chain).filter((said) => said.includes('· weakest'))).toHaveLength(1)
    expect(wordsOf(chain)).toContain('nothing closes it')
    expect(chain.marks.some((mark) => mark.kind === 'line' && mark.pen === 'ray')).toBe(true)
  })
  it('seal: a tick stands where nothing stops the opening, dust among it, and of nothing old', () => {
    const seals = new Map([...CATALOGUE.seals].map(([id, seal]) => [id, { ...seal, ratings: ['IPX6'] }]))
    const ticks = (change: Partial<Device>, catalogue = CATALOGUE) => {
      const { result } = assessDevice(device(change), job(), catalogue).stages!.seal
      const { marks } = sealDrawing(result.drawing, 'metric', 700)
      const drawn = marks.filter((mark) => JSON.stringify(mark).includes('"good"')).length
      const stopped = result.findings.filter(({ verdict }) => verdict === 'stop').map(({ id }) => id)
      return { drawn, of: result.drawing.links.length, stopped }
    }
    const { drawn, of } = ticks({})
    expect(drawn).toBe(of)
    const dusty = ticks({ seal: device().seal, exposure: 'open weather' }, { ...CATALOGUE, seals })
    expect(dusty.stopped.length).toBeGreaterThan(0)
    expect(dusty.drawn).toBe(dusty.of - dusty.stopped.length)
    // The box stays: only the camera’s own openings are new.
    expect(ticks({ partsKept: 1 }).drawn).toBe(CATALOGUE.cameras.get(device().cameraId)!.openings.length)
  })
  it('power: volts fall from the supply to the camera on one scale', () => {
    const drawing = powerDrawing(stagesOf().power!.result.drawing, 'metric', 700)
    const fall = drawing.marks.find((mark) => mark.kind === 'line' && mark.pen === 'ray') as Extract<
      Mark,
      { kind: 'line' }
    >
    expect(fall.to[1]).toBeGreaterThanOrEqual(fall.from[1])
    expect(drawing.says).toMatch(/the camera gets [\d.]+ V; it needs 37.0 V/)
  })
})

describe('the simulated picture', () => {
  it('keeps its proportions, stays in its frame, and hides behind what is hatched', () => {
    const camera = CATALOGUE.cameras.get('bullet-4mp-vf')!
    const things = [block(-2, 4, 4, 1, { name: 'Skip' })]
    const made = pictureDrawing(
      pictureOf(
        camera,
        { ...SIGHT, place: { floor: 'ground', x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: false } },
        flat(things),
      ),
      500,
    )
    expect(made.height / made.width).toBeCloseTo(1520 / 2688, 6)
    expect(made.says).toBe('Simulated picture: Skip.')
    const hatched = made.marks.flatMap((mark, i) =>
      mark.kind === 'shape' && mark.fill === 'hatch' ? [i] : [],
    )
    expect(hatched.length).toBeGreaterThan(0)
    for (const i of hatched) expect(made.marks[i - 1]).toMatchObject({ kind: 'shape', fill: 'sheet' })
    expect(pictureDrawing(pictureOf(camera, SIGHT, flat(things)), 500).says).toBe(
      'Simulated picture: open ground.',
    )
  })
})

describe('the assembly drawn apart', () => {
  const shown = (change: Partial<Device>, width = 820) => {
    const of = plannedThrough(device(change))
    const view = assemblyView(job(), of, assessDevice(of, job(), CATALOGUE), CATALOGUE)!
    return { view, drawing: assemblyDrawing(view, width) }
  }
  const PENDANT = { cameraId: 'large-dome-4mp', mountIds: ['wall-arm', 'pendant-rod-500', 'pendant-hood'] }
  it.each([300, 820])('is to scale: the told scale is that of every part, %i wide', (width) => {
    const { view, drawing } = shown(PENDANT, width)
    const told = Number(/^1 : (\d+)/.exec(wordsOf(drawing).at(-1)!)![1])
    const rod = view.parts.findIndex(({ look }) => look === 'rod')
    const { top, bottom, left, right } = drawing.places[rod]!
    // A screen of 96 units to the inch, by the definition of the unit.
    const mm = (units: number) => (units / 96) * 25.4 * told
    expect(Math.abs(mm(bottom - top) / view.parts[rod]!.depthMm - 1)).toBeLessThan(0.06)
    expect((bottom - top) / (right - left)).toBeCloseTo(view.parts[rod]!.depthMm / view.parts[rod]!.baseMm, 1)
  })
  it('parts stand apart in the order of the run, away from a wall and down after what turns', () => {
    const { drawing } = shown(PENDANT)
    const [arm, rod, hood, dome] = drawing.places
    expect(rod!.top).toBeGreaterThan(arm!.bottom)
    expect(hood!.top).toBeGreaterThan(rod!.bottom)
    expect(dome!.top).toBeGreaterThan(hood!.bottom)
    const { places } = shown({}).drawing
    expect(places[1]!.left).toBeGreaterThan(places[0]!.right)
    for (const { left, right, bottom } of drawing.places)
      expect([left > 0, right < drawing.width, bottom < drawing.height]).toEqual([true, true, true])
  })
  it('every camera and mount of the catalogue has a form of its own size', () => {
    const parts = [...CATALOGUE.mounts.values(), ...CATALOGUE.cameras.values()]
    for (const part of parts) {
      const look: ShownPart['look'] = 'form' in part ? part.form : part.kind
      const spots = PROFILES[look](part.depthMm, part.baseMm / 2).flatMap((piece) =>
        'spots' in piece ? piece.spots : [[piece.at[0] + piece.r, piece.at[1]] as Spot],
      )
      const deepest = Math.max(...spots.map(([x]) => x))
      expect([look, deepest >= part.depthMm * 0.9 && deepest <= Math.max(part.depthMm * 1.12, 18)]).toEqual([
        look,
        true,
      ])
    }
  })
  it('words do not lie over each other', () => {
    for (const [change, width] of [
      [PENDANT, 820],
      [PENDANT, 330],
      [{}, 820],
      [{ cameraId: 'box-4mp-5-50', mountIds: ['housing-bracket', 'outdoor-housing'] }, 700],
    ] as const) {
      const { marks } = shown(
        { ...change, mountIds: [...(('mountIds' in change && change.mountIds) || ['junction-box'])] },
        width,
      ).drawing
      const rows = marks.flatMap((mark) => {
        if (mark.kind !== 'words' || /^\d+$/.test(mark.words)) return []
        const wide = mark.words.length * 5.6
        const left = mark.anchor === 'end' ? mark.at[0] - wide : mark.at[0]
        return [{ said: mark.words, left, right: left + wide, y: mark.at[1] }]
      })
      rows.forEach((a, i) =>
        rows.slice(i + 1).forEach((b) => {
          const over = a.left < b.right && b.left < a.right && Math.abs(a.y - b.y) < 11
          expect([a.said, b.said, over]).toEqual([a.said, b.said, false])
        }),
      )
    }
  })
})
