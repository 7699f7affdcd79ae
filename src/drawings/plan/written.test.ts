import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { boundsOf } from '@/core/geometry'
import { openJobFile } from '@/core/job'
import { pointsOf } from '@/core/plan'
import { survey, surveyRequest } from '@/core/sight'
import { meets, place } from '../labels/place'
import { device } from '@/testing/jobs'
import { RANK } from './naming'
import { MARKS_APART_PX } from './placed'
import { fit, zoom, type ViewBox } from './view'
import { standOf, writtenOn } from './written'

/** What is written on the demo's plan, at any zoom; words are taken as wide as so many wide letters. */

const opened = openJobFile(readFileSync('demo/jobs/3-kestrel-quay.job.json', 'utf8'))
if (!opened.ok) throw new Error('The demo job cannot be read.')
const { job } = opened.file
const [WIDTH, HEIGHT, LETTER] = [904, 742, 7]
const things = job.things.filter(({ floor }) => floor === 'ground')
const all = fit(boundsOf(things.flatMap(pointsOf))!, WIDTH, HEIGHT)
const surveyed = survey(surveyRequest(job, CATALOGUE, 'ground', 0))
const layers = { seen: 'density', names: true } as const

function writtenAt(
  view: ViewBox,
  selected: readonly { readonly id: string }[] = [],
  change: Partial<Parameters<typeof writtenOn>[0]['layers']> & { infrared?: boolean } = {},
) {
  const stand = standOf(job.devices, 'ground', view, selected)
  const written = writtenOn({
    bundles: [],
    things,
    devices: job.devices,
    floor: 'ground',
    units: job.units,
    view,
    layers: { ...layers, ...change },
    selected,
    survey: surveyed,
    stand,
    infraredM: () => (change.infrared === false ? 0 : 25),
    nearEdge: [],
    furniture: [],
    dazzled: [],
    trail: [],
  })
  const wanted = written.namings.map((one) => ({ ...one, width: one.words.length * LETTER, height: 14 }))
  const sheet = { minX: 0, minY: 0, maxX: WIDTH, maxY: HEIGHT }
  return { stand, ...written, placed: place(wanted, written.taken, written.lines, sheet) }
}

describe('what is written on the plan', () => {
  it.each([0.3, 0.5, 0.8, 1, 1.4, 2, 3, 5, 9])(
    'never lies on other words or on a mark, %s times as near',
    (factor) => {
      for (const about of [
        [450, 370],
        [300, 500],
        [620, 180],
      ] as const) {
        const { placed, taken, stand } = writtenAt(zoom(all, factor, about))
        for (const [i, one] of placed.entries()) {
          expect(taken.filter((box) => meets(box, one.box))).toEqual([])
          expect(placed.slice(i + 1).filter((other) => meets(other.box, one.box))).toEqual([])
        }
        const marks = [...stand.values()]
        for (const [i, [x, y]] of marks.entries())
          for (const [u, v] of marks.slice(i + 1))
            expect(Math.hypot(x - u, y - v)).toBeGreaterThanOrEqual(MARKS_APART_PX - 1e-6)
      }
    },
  )
  it('drops nothing that matters while the whole yard is shown, and some value of the contours stands', () => {
    const { namings, placed } = writtenAt(all, [], { infrared: false })
    const shown = new Set(placed.map(({ id }) => id))
    expect(
      namings.filter(({ id, rank }) => rank <= RANK.wishes && !shown.has(id)).map(({ words }) => words),
    ).toEqual([])
    expect(placed.filter(({ id }) => id.startsWith('contour:')).length).toBeGreaterThan(3)
  })
  it('far off only what is selected is named, with the lengths of its sides', () => {
    const slip = things.find(({ name }) => name === 'Slipway')!
    const far = zoom(all, 1.9 / all.perMetre, [450, 370])
    expect(
      writtenAt(far, [], { infrared: false }).namings.filter(({ rank }) => rank !== RANK.wishes),
    ).toEqual([])
    const { namings } = writtenAt(zoom(all, 1, [0, 0]), [{ id: slip.id }])
    expect(namings.filter(({ rank }) => rank === RANK.lengths)).toHaveLength(4)
    expect(namings.find(({ id }) => id === slip.id)!.rank).toBe(RANK.selected)
    expect(writtenAt(far, [{ id: slip.id }]).namings.some(({ id }) => id === slip.id)).toBe(true)
  })
  it('names and figures go with their layer; blind spots carry their sizes instead of contours', () => {
    expect(writtenAt(all, [], { names: false }).namings).toEqual([])
    const { namings } = writtenAt(all, [], { seen: 'blind' })
    expect(namings.some(({ id }) => id.startsWith('contour:'))).toBe(false)
    expect(
      namings.filter(({ id, words }) => id.startsWith('blind:') && words.endsWith('m²')).length,
    ).toBeGreaterThan(0)
  })
  it('a device that was taken away, or stands on another floor, has no mark', () => {
    const at = { floor: 'ground' as const, x: 1, y: 1, panDeg: 0, rollDeg: 0, locked: false }
    const standing = (id: string, change: object, place = at) =>
      device({ id, sight: { heightM: 3, place } as never, ...change })
    const stand = standOf(
      [
        standing('here', {}),
        standing('gone', { state: 'taken away' }),
        standing('above', {}, { ...at, floor: 'roof' } as never),
      ],
      'ground',
      all,
      [],
    )
    expect([...stand.keys()]).toEqual(['here'])
  })
  it('who is selected keeps its own spot; the other stands aside', () => {
    const at = { floor: 'ground' as const, x: 5, y: 5, panDeg: 0, rollDeg: 0, locked: false }
    const two = ['a', 'b'].map((id) => device({ id, sight: { heightM: 3, place: at } as never }))
    const own = (selected: readonly { readonly id: string }[]) => {
      const stand = standOf(two, 'ground', all, selected)
      return ['a', 'b'].filter((id) => {
        const [x, y] = stand.get(id)!
        return Math.hypot(x - (all.x0 + 5 * all.perMetre), y - (all.y0 - 5 * all.perMetre)) < 1e-6
      })
    }
    expect([own([]), own([{ id: 'b' }])]).toEqual([['a'], ['b']])
  })
})
