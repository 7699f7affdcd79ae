import exifr from 'exifr'
import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { hasPlace, withoutPlace, withoutPlaceAndTime } from './place'

/** Pictures are made by one general library and read back by another: neither is ours. */
const pixels = () => sharp({ create: { width: 64, height: 48, channels: 3, background: '#468' } })
const EXIF = {
  IFD0: { Artist: 'Installer 1' },
  IFD3: {
    GPSLatitudeRef: 'N',
    GPSLatitude: '51/1 30/1 26/1',
    GPSLongitudeRef: 'W',
    GPSLongitude: '0/1 7/1 39/1',
  },
}
const XMP =
  '<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF ' +
  'xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#"><rdf:Description rdf:about="" ' +
  'xmlns:exif="http://ns.adobe.com/exif/1.0/" exif:GPSLatitude="51,30.4N" ' +
  'exif:GPSLongitude="0,7.6W"/></rdf:RDF></x:xmpmeta>'

const KINDS = ['jpeg', 'webp', 'png'] as const
const read = (bytes: Uint8Array) =>
  exifr.parse(Buffer.from(bytes), { gps: true, xmp: true, tiff: true }) as Promise<
    Record<string, unknown> | undefined
  >
const same = async (a: Uint8Array, b: Uint8Array) =>
  (await sharp(a).raw().toBuffer()).equals(await sharp(b).raw().toBuffer())

describe('a picture without its place', () => {
  it.each(KINDS)('%s with EXIF: the place goes, the pixels stay', async (kind) => {
    const made = await pixels().toFormat(kind).withExif(EXIF).toBuffer()
    // the other reader does not open WebP
    if (kind !== 'webp') expect((await read(made))!.latitude).toBeCloseTo(51.507, 2)
    expect(hasPlace(made)).toBe(true)
    const cleaned = withoutPlace(made)
    expect(hasPlace(cleaned)).toBe(false)
    // the value itself, not its name alone
    expect(Buffer.from(cleaned).includes(Buffer.from([51, 0, 0, 0, 1, 0, 0, 0, 30, 0, 0, 0]))).toBe(false)
    if (kind !== 'webp') expect((await read(cleaned))?.latitude).toBeUndefined()
    expect(await same(made, cleaned)).toBe(true)
  })
  it('what else the camera wrote stays', async () => {
    const cleaned = withoutPlace(await pixels().jpeg().withExif(EXIF).toBuffer())
    expect((await read(cleaned))!.Artist).toBe('Installer 1')
  })
  it.each(KINDS)('%s with XMP', async (kind) => {
    const made = await pixels().toFormat(kind).withXmp(XMP).toBuffer()
    const told = async (bytes: Uint8Array) =>
      (await sharp(bytes).metadata()).xmpAsString?.includes('GPSLatitude') ?? false
    expect(await told(made)).toBe(true)
    const cleaned = withoutPlace(made)
    expect(await told(cleaned)).toBe(false)
    expect(await same(made, cleaned)).toBe(true)
  })
  it.each(KINDS)('%s that carries none comes back as it is', async (kind) => {
    const made = await pixels()
      .toFormat(kind)
      .withExif({ IFD0: { Artist: 'Installer 1' } })
      .toBuffer()
    expect(withoutPlace(made)).toBe(made)
  })
  it('a picture cut anywhere never throws', async () => {
    for (const kind of KINDS) {
      const made = await pixels().toFormat(kind).withExif(EXIF).toBuffer()
      for (let length = 0; length < made.length; length += 7)
        expect(withoutPlace(made.subarray(0, length)).length).toBeLessThanOrEqual(length)
    }
  })

  it('a value that stands in its entry is taken out there, and nothing that it seems to point to', async () => {
    const made = await pixels().jpeg().withExif(EXIF).toBuffer()
    const block = made.indexOf('Exif\0\0') + 6
    const artist = made.indexOf('Installer 1') - block
    // The reference of the latitude, made a number (LONG, one of them) that is where the artist stands.
    const entry = made.indexOf(Buffer.from([1, 0, 2, 0, 2, 0, 0, 0, 'N'.charCodeAt(0), 0, 0, 0]))
    expect(entry).toBeGreaterThan(0)
    made.set([1, 0, 4, 0, 1, 0, 0, 0, artist & 255, artist >> 8, 0, 0], entry)
    const cleaned = Buffer.from(withoutPlace(made))
    expect(cleaned.includes('Installer 1')).toBe(true)
    expect(hasPlace(cleaned)).toBe(false)
  })
  it('words of a PNG go where they name a place, might, or are a camera’s in disguise; others stay', async () => {
    const made = await pixels().png().toBuffer()
    const [head, rest] = [made.subarray(0, 33), made.subarray(33)] // after the signature and IHDR
    const chunk = (name: string, words: string) => {
      const body = Buffer.from(words, 'latin1')
      const length = Buffer.alloc(4)
      length.writeUInt32BE(body.length)
      return Buffer.concat([length, Buffer.from(name), body, Buffer.alloc(4)])
    }
    const left = (name: string, words: string) => {
      const picture = Buffer.concat([head, chunk(name, words), rest])
      return withoutPlace(picture).length === picture.length
    }
    const xmp = 'XML:com.adobe.xmp'
    expect(left('tEXt', 'Raw profile type exif\0 0000')).toBe(false)
    expect(left('zTXt', 'Raw profile type APP1\0\0packed')).toBe(false)
    expect(left('zTXt', `${xmp}\0\0packed`)).toBe(false)
    expect(left('iTXt', `${xmp}\0\u0001\0\0\0packed`)).toBe(false)
    expect(left('iTXt', `${xmp}\0\0\0\0\0${XMP}`)).toBe(false)
    expect(left('iTXt', `${xmp}\0\0\0\0\0${XMP.replaceAll('GPS', 'any')}`)).toBe(true)
    expect(left('iTXt', `Comment\0\u0001\0\0\0${XMP}`)).toBe(true)
    expect(left('tEXt', 'Comment\0Raw profile type exif')).toBe(true)
    expect(left('zTXt', 'Comment\0\0packed')).toBe(true)
  })
})

describe('a picture without its time', () => {
  const DAY = '2026:03:02'
  const TIMED = {
    IFD0: { ...EXIF.IFD0, DateTime: `${DAY} 09:30:00` },
    IFD2: {
      DateTimeOriginal: `${DAY} 09:29:58`,
      DateTimeDigitized: `${DAY} 09:29:59`,
      OffsetTimeOriginal: '+01:00',
      SubSecTimeOriginal: '123',
      BodySerialNumber: 'made up 1',
    },
  }
  const times = async (bytes: Uint8Array) => {
    const options = { reviveValues: false, exif: true, tiff: true }
    const told = (await exifr.parse(Buffer.from(bytes), options)) as Record<string, unknown> | undefined
    return Object.entries(told ?? {}).filter(([name, value]) => /Date|Time/.test(name) && value !== undefined)
  }
  it.each(KINDS)(
    '%s: day, time, zone and part of a second go, the rest and the pixels stay',
    async (kind) => {
      const made = await pixels()
        .toFormat(kind)
        .withExif({ ...EXIF, ...TIMED })
        .toBuffer()
      if (kind !== 'webp') expect(await times(made)).toHaveLength(5)
      const cleaned = withoutPlaceAndTime(made)
      for (const words of [DAY, '09:29', '+01:00', '123\0'])
        expect(Buffer.from(cleaned).includes(words), words).toBe(false)
      if (kind !== 'webp') expect(await times(cleaned)).toEqual([])
      if (kind === 'jpeg') expect(await read(cleaned)).toMatchObject({ Artist: 'Installer 1' })
      expect(hasPlace(cleaned)).toBe(false)
      expect(await same(made, cleaned)).toBe(true)
      expect(withoutPlaceAndTime(cleaned)).toBe(cleaned)
    },
  )
  it('its place alone can be taken out', async () => {
    const cleaned = withoutPlace(
      await pixels()
        .jpeg()
        .withExif({ ...EXIF, ...TIMED })
        .toBuffer(),
    )
    expect(await times(cleaned)).toHaveLength(5)
  })
  it.each(KINDS)('%s with a date in XMP', async (kind) => {
    const xmp = XMP.replace('exif:GPSLatitude="51,30.4N"', 'xmp:CreateDate="2026-03-02T09:30:00"').replace(
      /exif:GPSLong[^ /]*/,
      '',
    )
    const made = await pixels().toFormat(kind).withXmp(xmp).toBuffer()
    if (kind !== 'png') expect(hasPlace(made)).toBe(false) // there it is packed, and might name one
    const told = (await sharp(withoutPlaceAndTime(made)).metadata()).xmpAsString ?? ''
    expect(told).not.toContain('2026-03-02')
  })
})
