import { expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job, plannedThrough } from '@/testing/jobs'
import { headEnd, pathway } from '@/testing/plans'
import { pullSheet } from '../pull'
import { fittedFor, ledOn } from '.'

const placed = plannedThrough(device())
const camera = {
  ...placed,
  sight: {
    ...placed.sight!,
    heightM: 2,
    place: { floor: 'ground' as const, x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: false },
  },
}
type Path = readonly (readonly [number, number])[]
const yard = (path: Path, change: Parameters<typeof pathway>[1] = {}, devices = [camera]) => {
  const tube = { space: 'conduit', conduitId: 'emt-1', heightM: 2, endM: 2, yetToPut: true } as const
  return job({ devices, things: [pathway(path, { ...tube, ...change }), headEnd(...path.at(-1)!)] })
}
const fitted = (...of: Parameters<typeof yard>) => {
  const on = yard(...of)
  return fittedFor(ledOn(on, CATALOGUE), CATALOGUE)
}

it.each<readonly [string, Path, number, number, number, number]>([
  [
    'one piece',
    [
      [0, 0],
      [3, 0],
    ],
    3,
    0,
    0,
    5,
  ],
  [
    'a hand more than a piece',
    [
      [0, 0],
      [3.1, 0],
    ],
    3.1,
    1,
    0,
    5,
  ],
  [
    'two pieces',
    [
      [0, 0],
      [6, 0],
    ],
    6,
    1,
    0,
    8,
  ],
  [
    'straight on over a corner',
    [
      [0, 0],
      [3, 0],
      [6, 0],
    ],
    6,
    1,
    0,
    8,
  ],
  [
    'round a corner',
    [
      [0, 0],
      [7, 0],
      [7, 4],
    ],
    11,
    3,
    1,
    15,
  ],
  [
    'round two',
    [
      [0, 0],
      [2, 0],
      [2, 2],
      [4, 2],
    ],
    6,
    0,
    2,
    12,
  ],
])('%s: metres, couplings, elbows and straps are counted by hand', (_, path, ...by) => {
  const [only] = fitted(path)
  const { lengthM, couplings, elbows, straps, marks, conduit } = only!
  expect(lengthM).toBeCloseTo(by[0], 9)
  expect([couplings, elbows, straps]).toEqual(by.slice(1))
  expect([marks, conduit.id]).toEqual([['01'], 'emt-1'])
})
it('a duct has no straps; what is there, of no known size, or what nothing is led through, takes nothing', () => {
  const path: Path = [[0, 0], [10, 0]] // prettier-ignore
  const buried = [...CATALOGUE.cables.values()].find(
    ({ kind, stands }) => kind === 'pair' && stands.includes('buried'),
  )!
  expect(fitted(path, { space: 'buried duct' }, [{ ...camera, cableId: buried.id }])).toMatchObject([
    { straps: 0, couplings: 3 },
  ])
  expect(fitted(path, { yetToPut: false })).toEqual([])
  expect(fitted(path, { conduitId: null })).toEqual([])
  expect(fitted(path, {}, [])).toEqual([])
})
it('stands on the van list once for all its cables, until they are pulled', () => {
  const two = [camera, { ...camera, id: 'd2', mark: '02' }]
  const { van } = pullSheet(yard([[0, 0], [7, 0], [7, 4]], {}, two), CATALOGUE) // prettier-ignore
  const { name } = CATALOGUE.conduits.get('emt-1')!
  const lines = van.flatMap((line) => (line.item.endsWith(name) ? [line] : []))
  expect(lines.map(({ item, count, unit, marks }) => [item, count, unit, marks])).toEqual([
    [`Couplings of ${name}`, 3, 'pieces', ['01', '02']],
    [`Elbows of ${name}`, 1, 'pieces', ['01', '02']],
    [name, 11, 'm', ['01', '02']],
    [`Straps of ${name}`, 15, 'pieces', ['01', '02']],
  ])
})
