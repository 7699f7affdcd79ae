import exifr from 'exifr'
import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { hasPlace, withoutPlace } from './place'

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
})
