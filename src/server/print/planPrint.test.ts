import DxfParser from 'dxf-parser'
import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { expect, it } from 'vitest'
import { job } from '@/testing/jobs'
import { area, block, wall } from '@/testing/plans'
import type { Job } from '@/core/job'
import { planPrint, type PlanFormat } from './planPrint'
import { widthOf } from './fonts'

const things = [
  wall(0, 0, 10, 0, { name: 'Front ^ back' }),
  block(4, 4, 2, 2),
  area(0, 5, 2, 2, { name: 'Gate' }),
  block(0, 0, 1, 1, { id: 'pole', form: { is: 'round', at: { x: 8, y: 3 }, radiusM: 0.25 } }),
]
const on = job({ devices: [], things })
const printed = async (format: PlanFormat, change: Partial<Job> = {}, scale: number | null = 100) => {
  const wish = { floor: 'ground', seen: 'density', cables: true, paper: 'a4', upright: false, scale } as const
  const made = await planPrint({
    job: { ...on, ...change },
    today: '2026-03-02',
    picture: () => null,
    wish,
    faces: false,
    format,
  })
  return made.ok ? Buffer.from(made.bytes) : made.message
}

it('the PDF has the size of its paper, and what is ten metres long is 100 mm long in it', async () => {
  const doc = await getDocument({ data: new Uint8Array((await printed('pdf')) as Buffer) }).promise
  const page = await doc.getPage(1)
  const { width, height } = page.getViewport({ scale: 1 })
  expect([width, height].map((points) => Math.round((points / 72) * 254) / 10)).toEqual([297, 210])
  const { fnArray, argsArray } = await page.getOperatorList()
  const lengths = fnArray.flatMap((operator, i) => {
    if (operator !== OPS.constructPath) return []
    const [, , box] = argsArray[i] as [number, unknown, ArrayLike<number>]
    return box && box[3]! - box[1]! < 0.01 ? [((box[2]! - box[0]!) / 72) * 25.4] : []
  })
  expect(lengths.some((mm) => Math.abs(mm - 100) < 0.05)).toBe(true)
  const words = (await page.getTextContent()).items.map((item) => ('str' in item ? item.str : ''))
  for (const said of ['Gate: recognise', '1 : 100 on A4']) expect(words).toContain(said)
  await doc.destroy()
})

it('DXF: metres, a layer a kind, every corner where it was', async () => {
  const read = new DxfParser().parseSync(((await printed('dxf')) as Buffer).toString('utf8'))!
  expect(read.header.$INSUNITS).toBe(6)
  const on = (layer: string) => read.entities.filter((one) => one.layer === layer) as unknown as Entity[]
  expect(on('Wall')[0]!.vertices.map(({ x, y }) => [x, y])).toEqual([
    [0, 0],
    [10, 0],
  ])
  const [square, round] = on('Obstacle')
  expect(square!.vertices.map(({ x, y }) => [x, y])).toEqual([
    [4, 4],
    [6, 4],
    [6, 6],
    [4, 6],
  ])
  expect(square!.shape).toBe(true)
  expect([round!.center.x, round!.center.y, round!.radius]).toEqual([8, 3, 0.25])
  expect(on('Names').map(({ text }) => text)).toContain('Gate')
})
interface Entity {
  readonly vertices: readonly { readonly x: number; readonly y: number }[]
  readonly shape: boolean
  readonly center: { readonly x: number; readonly y: number }
  readonly radius: number
  readonly text: string
}

it('GeoJSON wants a place on earth; a scale that does not fit names one that does', async () => {
  expect(await printed('geojson')).toMatch(/say first where this site lies/)
  const site = { latitudeDeg: 50, longitudeDeg: 0, upBearingDeg: 0, timeZone: 'Europe/London' }
  const file = JSON.parse(((await printed('geojson', { site })) as Buffer).toString('utf8')) as {
    features: { properties: { kind: string } }[]
  }
  expect(file.features.map(({ properties }) => properties.kind)).toEqual(things.map(({ kind }) => kind))
  expect(await printed('pdf', {}, 20)).toMatch(/At 1 : 20 the plan does not fit on A4: 1 : 100 does/)
})

it('words are as wide as their letters: twice the size is twice as wide, bold is wider', () => {
  expect(widthOf('Slipway', 20, false)).toBeCloseTo(2 * widthOf('Slipway', 10, false), 9)
  expect(widthOf('Slipway', 10, true)).toBeGreaterThan(widthOf('Slipway', 10, false))
  expect(widthOf('ii', 10, false)).toBeLessThan(widthOf('MM', 10, false))
})
