import { createCanvas } from '@napi-rs/canvas'
import jsQR from 'jsqr'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { expect, it } from 'vitest'
import { spotOn, STOCKS, type Label, type StockId } from '@/core/labels'
import { labelsPdf } from './labelsPdf'

const POINTS_PER_MM = 72 / 25.4
const HOME = 'http://192.168.10.2:3210/jobs/kestrel-quay'
const long = 'goes to the switch in the cupboard under the stairs of the brick office, Gigabit port 16'
const labels: readonly Label[] = [
  { mark: '01', lines: ['Workshop doors'], to: 'devices/device-01/log', tape: ['white', 'blue'] },
  { mark: 'R1', lines: ['At E2 Media converter', long], to: null, tape: ['red', 'violet', 'yellow'] },
  { mark: 'Gatehouse 12345', lines: [long, long], to: 'equipment/recorder', tape: [] },
]
const opened = async (stock: StockId, first: number) =>
  getDocument({ data: await labelsPdf(labels, { stock, first, home: HOME }), verbosity: 0 }).promise

it.each(Object.keys(STOCKS) as StockId[])('%s: all words stand inside their own label', async (stock) => {
  const { paper, label, columns, rows } = STOCKS[stock]
  const first = columns * rows - 1 // two on the first sheet, the third on another
  const pdf = await opened(stock, first)
  expect(pdf.numPages).toBe(2)
  const seen: string[] = []
  for (const sheet of [0, 1]) {
    const page = await pdf.getPage(sheet + 1)
    expect(page.view.slice(2).map((points: number) => points / POINTS_PER_MM)).toEqual(
      paper.map((mm) => expect.closeTo(mm, 2) as number),
    )
    const spots = labels.map((_, i) => spotOn(stock, first - 1 + i)).filter((spot) => spot.sheet === sheet)
    for (const item of (await page.getTextContent()).items) {
      if (!('str' in item) || item.str.trim() === '') continue
      const [size, , , , x, y] = (item.transform as number[]).map((points) => points / POINTS_PER_MM)
      const [left, right, down] = [x!, x! + item.width / POINTS_PER_MM, paper[1] - y!]
      const inside = spots.some(
        (spot) =>
          left >= spot.x && right <= spot.x + label[0] && down - size! >= spot.y && down <= spot.y + label[1],
      )
      expect([item.str, inside]).toEqual([item.str, true])
      seen.push(item.str)
    }
  }
  expect(seen.join(' ')).toContain('white, blue')
})

it.each(Object.keys(STOCKS) as StockId[])('%s: a reader finds the code and where it leads', async (stock) => {
  const page = await (await opened(stock, 1)).getPage(1)
  const viewport = page.getViewport({ scale: 300 / 72 })
  const canvas = createCanvas(Math.ceil(viewport.width), Math.ceil(viewport.height))
  await page.render({ canvas: canvas as never, viewport }).promise
  const { x, y } = spotOn(stock, 0)
  const dots = 300 / 25.4
  const [w, h] = STOCKS[stock].label.map((mm) => Math.floor(mm * dots)) as [number, number]
  const { data } = canvas.getContext('2d').getImageData(Math.floor(x * dots), Math.floor(y * dots), w, h)
  expect(jsQR(new Uint8ClampedArray(data), w, h)?.data).toBe(`${HOME}/devices/device-01/log`)
})
