import { PDFDocument } from 'pdf-lib'
import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { scratchRecord } from '@/testing/record'
import { knowPhoto, readPhoto } from '../photos/store'
import { drawBackground } from './background'
import { drawDxf } from './dxf'

const scratch = scratchRecord()

/** A 20 by 10 metre rectangle in millimetres with a round tank, and a block put in twice. */
const DXF = [
  '0',
  'SECTION',
  '2',
  'HEADER',
  '9',
  '$INSUNITS',
  '70',
  '4',
  '0',
  'ENDSEC',
  '0',
  'SECTION',
  '2',
  'BLOCKS',
  '0',
  'BLOCK',
  '2',
  'POST',
  '10',
  '0',
  '20',
  '0',
  '0',
  'LINE',
  '10',
  '0',
  '20',
  '0',
  '11',
  '500',
  '21',
  '0',
  '0',
  'ENDBLK',
  '0',
  'ENDSEC',
  '0',
  'SECTION',
  '2',
  'ENTITIES',
  '0',
  'LWPOLYLINE',
  '90',
  '4',
  '70',
  '1',
  '10',
  '0',
  '20',
  '0',
  '10',
  '20000',
  '20',
  '0',
  '10',
  '20000',
  '20',
  '10000',
  '10',
  '0',
  '20',
  '10000',
  '0',
  'CIRCLE',
  '10',
  '5000',
  '20',
  '5000',
  '40',
  '1000',
  '0',
  'INSERT',
  '2',
  'POST',
  '10',
  '8000',
  '20',
  '2000',
  '50',
  '90',
  '0',
  'ENDSEC',
  '0',
  'EOF',
].join('\n')

const plainPdf = async (): Promise<Buffer> => {
  const pdf = await PDFDocument.create()
  pdf.addPage([300, 200]).drawRectangle({ x: 0, y: 90, width: 300, height: 20 })
  return Buffer.from(await pdf.save())
}

/** Draws a drawing and lets the record know its picture. */
async function keepBackground(bytes: Buffer, page = 1) {
  const drawn = await drawBackground(scratch.folder, bytes, page)
  if (!drawn.ok) return drawn
  knowPhoto(scratch.db, drawn.content)
  return { ...drawn, sha256: drawn.content.sha256 }
}

const darkAt = async (sha256: string, x: number, y: number) => {
  const { data, info } = await sharp(readPhoto(scratch.db, scratch.folder, sha256, 'original')!.bytes)
    .greyscale()
    .raw()
    .toBuffer({ resolveWithObject: true })
  return data[(Math.round(y * info.height) * info.width + Math.round(x * info.width)) * info.channels]! < 128
}

describe('drawings become pictures', () => {
  it('PNG, SVG and a page of a PDF', async () => {
    const svg = Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="400" height="200"><rect x="0" y="90" ' +
        'width="400" height="20"/></svg>',
    )
    for (const bytes of [svg, await sharp(svg).png().toBuffer(), await plainPdf()]) {
      const kept = await keepBackground(bytes)
      if (!kept.ok) throw new Error(kept.message)
      expect([await darkAt(kept.sha256, 0.5, 0.5), await darkAt(kept.sha256, 0.5, 0.2)]).toEqual([
        true,
        false,
      ])
      expect(kept).toMatchObject({ metresPerPx: null, pages: 1 })
    }
  })
  it('DXF, with its own scale', async () => {
    const kept = await keepBackground(Buffer.from(DXF))
    if (!kept.ok) throw new Error(kept.message)
    expect((kept.widthPx - 8) * kept.metresPerPx!).toBeCloseTo(20, 2)
    expect((kept.heightPx - 8) * kept.metresPerPx!).toBeCloseTo(10, 2)
    const at = (xM: number, yM: number) =>
      darkAt(
        kept.sha256,
        (xM / kept.metresPerPx! + 4) / kept.widthPx,
        ((10 - yM) / kept.metresPerPx! + 4) / kept.heightPx,
      )
    expect([await at(6, 5), await at(5, 5), await at(8, 2.25), await at(9, 2.25)]).toEqual([
      true,
      false,
      true,
      false,
    ]) // tank's rim, its middle, the post turned upright, beside it
  })
  it('a DXF without units has no scale; bends follow their bulge', () => {
    expect(drawDxf(DXF.replace('$INSUNITS\n70\n4', '$INSUNITS\n70\n0'))).toMatchObject({
      ok: true,
      metresPerPx: null,
    })
    // A half circle over a chord of 2: bulge 1 from (0,0) to (2,0) reaches y = −1.
    const bent = drawDxf(
      [
        '0',
        'SECTION',
        '2',
        'HEADER',
        '9',
        '$INSUNITS',
        '70',
        '6',
        '0',
        'ENDSEC',
        '0',
        'SECTION',
        '2',
        'ENTITIES',
        '0',
        'LWPOLYLINE',
        '90',
        '2',
        '70',
        '0',
        '10',
        '0',
        '20',
        '0',
        '42',
        '1',
        '10',
        '2',
        '20',
        '0',
        '0',
        'ENDSEC',
        '0',
        'EOF',
      ].join('\n'),
    )
    if (!bent.ok) throw new Error(bent.message)
    const [, width, height] = /width="(\d+)" height="(\d+)"/.exec(bent.svg)!.map(Number)
    expect((width! - 8) / (height! - 8)).toBeCloseTo(2, 1)
  })
  it('a picture 20 000 pixels wide is made smaller and kept', async () => {
    const wide = await sharp({ create: { width: 20_000, height: 600, channels: 3, background: '#fff' } })
      .png()
      .toBuffer()
    expect(await keepBackground(wide)).toMatchObject({ ok: true, widthPx: 6000, heightPx: 180 })
  })
})

describe('what cannot be read is refused in words', () => {
  it.each<[string, () => Buffer | Promise<Buffer>, number, RegExp]>([
    ['a broken PDF', () => Buffer.from('%PDF-1.7\n1 0 obj\n<< /Type /Cat'), 422, /PDF cannot be read/],
    ['a PDF cut short', async () => (await plainPdf()).subarray(0, 400), 422, /PDF cannot be read/],
    ['a broken DXF', () => Buffer.from('0\nSECTION\n2\nENTITIES\n0\nLINE\n10\nabc'), 422, /DXF/],
    [
      'an empty DXF',
      () => Buffer.from('0\nSECTION\n2\nENTITIES\n0\nENDSEC\n0\nEOF'),
      422,
      /no lines to draw/,
    ],
    ['words', () => Buffer.from('left of the door'), 415, /not a picture/],
    ['nothing', () => Buffer.alloc(0), 422, /empty/],
    [
      'a broken picture',
      async () =>
        (
          await sharp({ create: { width: 90, height: 90, channels: 3, background: '#fff' } })
            .png()
            .toBuffer()
        ).subarray(0, 60),
      415,
      /cannot be read|not a picture/,
    ],
  ])('%s', async (_, bytes, status, message) => {
    const kept = await keepBackground(await bytes())
    expect(kept).toMatchObject({ ok: false, status })
    if (!kept.ok) expect(kept.message).toMatch(message)
  })
  it('a page that a PDF has not', async () => {
    expect(await keepBackground(await plainPdf(), 3)).toMatchObject({
      ok: false,
      message: 'This PDF has 1 page; there is no page 3.',
    })
  })
})
