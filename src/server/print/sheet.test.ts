import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs'
import sharp from 'sharp'
import { expect, it } from 'vitest'
import { words as marked } from '@/drawings/marks'
import { Sheet } from './sheet'

/** A4 of ISO 216 in points, and what a printer may leave white on the way. */
const A4 = { width: 595.28, height: 841.89, margin: 30 }

interface Line {
  readonly words: string
  readonly x: number
  readonly y: number
  readonly right: number
  readonly size: number
}

/** What a PDF says and where, and its pictures as [x, y, width, height], a page each. */
async function read(bytes: Uint8Array) {
  const pdf = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise
  return Promise.all(
    Array.from({ length: pdf.numPages }, async (_, i) => {
      const page = await pdf.getPage(i + 1)
      const lines = (await page.getTextContent()).items.flatMap((item): Line[] => {
        if (!('str' in item) || item.str.trim() === '') return []
        const [size, , , , x, y] = item.transform as number[]
        return [{ words: item.str, x: x!, y: y!, right: x! + item.width, size: size! }]
      })
      const { fnArray, argsArray } = await page.getOperatorList()
      const pictures: number[][] = []
      let at = [1, 0, 0, 1, 0, 0]
      const kept: number[][] = []
      fnArray.forEach((fn, n) => {
        if (fn === OPS.save) kept.push(at)
        if (fn === OPS.restore) at = kept.pop()!
        if (fn === OPS.transform) at = times(at, argsArray[n] as number[])
        if (fn === OPS.paintImageXObject) pictures.push([at[4]!, at[5]!, at[0]!, at[3]!])
      })
      return { lines, pictures }
    }),
  )
}
const times = ([a, b, c, d, e, f]: number[], [g, h, i, j, k, l]: number[]) => [
  a! * g! + c! * h!,
  b! * g! + d! * h!,
  a! * i! + c! * j!,
  b! * i! + d! * j!,
  a! * k! + c! * l! + e!,
  b! * k! + d! * l! + f!,
]

it('writes within the paper, line under line, and begins a page when one is full', async () => {
  const sheet = await Sheet.start('Test', 'foot')
  sheet.newPage() // of an empty page nothing comes
  const words = 'A long sentence about a bracket that stands on a wall and has to be broken into lines. '
  for (let i = 0; i < 60; i++) sheet.text(`${i} ${words.repeat(1 + (i % 4))}`)
  const pages = await read(await sheet.finish())
  expect(pages.length).toBeGreaterThan(2)
  for (const { lines } of pages) {
    for (const { x, right, y, size } of lines) {
      expect(Math.min(x, A4.width - right, y - size * 0.25, A4.height - y - size)).toBeGreaterThan(
        y < 60 ? 12 : A4.margin,
      )
    }
    const rows = [...new Set(lines.map(({ y }) => y))].sort((a, b) => b - a)
    const size = lines[0]!.size
    rows.slice(1).forEach((y, i) => expect(rows[i]! - y).toBeGreaterThan(size * 1.1))
  }
  const said = pages.flatMap(({ lines }) => lines.map((line) => line.words)).join(' ')
  for (let i = 0; i < 60; i++) expect(said).toContain(`${i} A long sentence`)
})

it('sets the cells of a row side by side without touching, figures to the right', async () => {
  const sheet = await Sheet.start('Test', 'foot')
  sheet.row([
    { words: 'a mark', share: 0.2 },
    { words: 'something longer that breaks in its own cell and nowhere else', share: 0.3 },
    { words: '3.20 m', share: 0.2, right: true },
    { words: 'end', share: 0.3 },
  ])
  sheet.row([
    { words: 'under', share: 0.2 },
    { words: 'x', share: 0.3 },
    { words: '12.75 m', share: 0.2, right: true },
  ])
  const { lines } = (await read(await sheet.finish()))[0]!
  const of = (words: string) => lines.find((line) => line.words.startsWith(words))!
  const [mark, figure, other, end] = ['a mark', '3.20', '12.75', 'end'].map(of)
  expect(of('something').x).toBeGreaterThan(mark!.right)
  expect(Math.max(figure!.right, other!.right)).toBeLessThan(end!.x)
  expect(figure!.right).toBeCloseTo(other!.right, 1)
  const broken = lines.filter(({ x }) => Math.abs(x - of('something').x) < 0.1)
  expect(broken.length).toBeGreaterThan(2) // broken, and "x" below it
  expect(of('under').y).toBeLessThan(
    Math.min(...broken.filter(({ words }) => words !== 'x').map(({ y }) => y)),
  )
})

it('keeps the shape of pictures, three in a row, each over its caption', async () => {
  const sheet = await Sheet.start('Test', 'foot')
  const jpeg = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: '#887' } })
      .jpeg()
      .toBuffer()
  const shapes = [
    [400, 100],
    [100, 400],
    [300, 225],
    [200, 200],
  ] as const
  const images = await Promise.all(shapes.map(async ([w, h]) => sheet.embed(await jpeg(w, h))))
  const drawn = (i: number) =>
    i === 1 ? { width: 100, height: 400, marks: [marked([50, 300], 'the gland')], says: '' } : null
  sheet.pictures(images.map((image, i) => ({ image, caption: `caption ${i}`, drawn: drawn(i) })))
  const { lines, pictures } = (await read(await sheet.finish()))[0]!
  expect(pictures.map(([, , w, h]) => w! / h!)).toEqual(
    shapes.map(([w, h]) => expect.closeTo(w / h, 3) as number),
  )
  pictures.forEach(([x, y, width], i) => {
    const caption = lines.find(({ words }) => words === `caption ${i}`)!
    expect([caption.x, caption.y < y!]).toEqual([expect.closeTo(x!, 1), true])
    const next = pictures[i + 1]
    if (next && i % 3 < 2) expect(next[0]! - x! - width!).toBeGreaterThan(0)
  })
  // What is drawn on a picture stands where it was drawn: half across, three quarters down.
  const [x, y, width, height] = pictures[1]!
  const gland = lines.find(({ words }) => words === 'the gland')!
  expect([gland.x, gland.y]).toEqual([
    expect.closeTo(x! + width! / 2, 1),
    expect.closeTo(y! + height! / 4, 1),
  ])
  expect(pictures[3]![0]).toBeCloseTo(pictures[0]![0]!, 1)
  expect(pictures[3]![1]! + pictures[3]![3]!).toBeLessThan(
    lines.find(({ words }) => words === 'caption 0')!.y,
  )
})
