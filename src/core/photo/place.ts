/**
 * Takes out of a picture where and when it was taken: what EXIF and XMP say of it in JPEG, WebP and PNG.
 * Pixels stay as they are.
 */

type Told = 'place' | 'time'

const GPS_POINTER = 0x8825
const EXIF_POINTER = 0x8769
/** Dates, times of day, their zones and parts of a second (CIPA DC-008, from memory). */
const TIMES = new Set([0x0132, 0x9003, 0x9004, 0x9010, 0x9011, 0x9012, 0x9290, 0x9291, 0x9292])
/** What XMP calls them. */
const SAID: Readonly<Record<Told, RegExp>> = {
  place: /GPS(Latitude|Longitude|Position)/,
  time: /(Create|Modify|Metadata)Date|DateTime(Original|Digitized)|DateCreated/,
}
/** Bytes of one value by EXIF type; unknown types count as one. */
const SIZES = [1, 1, 1, 2, 4, 8, 1, 1, 2, 4, 8, 4, 8]

/**
 * The picture without what it tells of that: the same bytes when it tells nothing, or is of no kind that
 * could. Never throws: a picture that is cut short or broken comes back as it is, for whoever reads it to
 * refuse.
 */
function without(picture: Uint8Array, told: readonly Told[]): Uint8Array {
  try {
    if (picture[0] === 0xff && picture[1] === 0xd8) return jpeg(picture, told)
    if (latin(picture, 0, 4) === 'RIFF' && latin(picture, 8, 12) === 'WEBP') return webp(picture, told)
    if (latin(picture, 1, 4) === 'PNG') return png(picture, told)
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
  }
  return picture
}

/** The picture without where it was taken. */
export const withoutPlace = (picture: Uint8Array): Uint8Array => without(picture, ['place'])

/** The picture without where and when it was taken. */
export const withoutPlaceAndTime = (picture: Uint8Array): Uint8Array => without(picture, ['place', 'time'])

/** True when the picture carries where it was taken. */
export const hasPlace = (picture: Uint8Array): boolean => withoutPlace(picture) !== picture

const latin = (bytes: Uint8Array, from: number, to: number): string =>
  String.fromCharCode(...bytes.subarray(from, to))
const view = (bytes: Uint8Array) => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
const XMP = 'http://ns.adobe.com/xap/1.0/\0'

/** Whether a packet of XMP names one of them. */
function xmpTells(bytes: Uint8Array, told: readonly Told[]): boolean {
  const words = new TextDecoder('latin1').decode(bytes)
  return told.some((one) => SAID[one].test(words))
}

function jpeg(picture: Uint8Array, told: readonly Told[]): Uint8Array {
  const kept: Uint8Array[] = []
  let changed = false
  let at = 2
  let from = 0
  while (at + 4 <= picture.length && picture[at] === 0xff) {
    const marker = picture[at + 1]!
    if (marker === 0xda) break // the pixels begin: nothing more is told of it
    const end = at + 2 + view(picture).getUint16(at + 2)
    const body = picture.subarray(at + 4, end)
    if (marker === 0xe1 && latin(body, 0, 6) === 'Exif\0\0') {
      const cleaned = tiff(body.subarray(6), told)
      if (cleaned) {
        kept.push(picture.subarray(from, at + 10), cleaned)
        from = end
        changed = true
      }
    } else if (marker === 0xe1 && latin(body, 0, XMP.length) === XMP && xmpTells(body, told)) {
      kept.push(picture.subarray(from, at))
      from = end
      changed = true
    }
    at = end
  }
  return changed ? joined([...kept, picture.subarray(from)]) : picture
}

function webp(picture: Uint8Array, told: readonly Told[]): Uint8Array {
  const copy = picture.slice()
  let changed = false
  for (let at = 12; at + 8 <= copy.length; ) {
    const size = view(copy).getUint32(at + 4, true)
    const [name, body] = [latin(copy, at, at + 4), copy.subarray(at + 8, at + 8 + size)]
    if (name === 'EXIF') {
      const skip = latin(body, 0, 6) === 'Exif\0\0' ? 6 : 0
      const cleaned = tiff(body.subarray(skip), told)
      if (cleaned) {
        body.set(cleaned, skip)
        changed = true
      }
    } else if (name === 'XMP ' && xmpTells(body, told)) {
      body.fill(0x20)
      changed = true
    }
    at += 8 + size + (size % 2)
  }
  return changed ? copy : picture
}

/** A chunk of PNG that tells of it goes whole: nothing else of it is needed to show the picture. */
function png(picture: Uint8Array, told: readonly Told[]): Uint8Array {
  const kept: Uint8Array[] = [picture.subarray(0, 8)]
  let changed = false
  for (let at = 8; at + 12 <= picture.length; ) {
    const size = view(picture).getUint32(at)
    const [name, body, end] = [
      latin(picture, at + 4, at + 8),
      picture.subarray(at + 8, at + 8 + size),
      at + 12 + size,
    ]
    const tells =
      (name === 'eXIf' && tiff(body, told)) ||
      (name === 'tIME' && told.includes('time')) ||
      (/^(iTXt|zTXt|tEXt)$/.test(name) && wordsTell(name, body, told))
    if (tells) changed = true
    else kept.push(picture.subarray(at, end))
    at = end
  }
  return changed ? joined(kept) : picture
}

/**
 * Words of PNG that tell of it, or might: XMP that is compressed, and profiles that other programs wrote as
 * text.
 */
function wordsTell(kind: string, body: Uint8Array, told: readonly Told[]): boolean {
  const keyword = latin(body, 0, Math.max(0, body.indexOf(0)))
  if (/^Raw profile type (exif|xmp|APP1)/i.test(keyword)) return true
  if (told.includes('time') && /^(Creation Time|date:)/i.test(keyword)) return true
  return (
    keyword === 'XML:com.adobe.xmp' &&
    (kind === 'zTXt' || body[keyword.length + 1] === 1 || xmpTells(body, told))
  )
}

/** A copy of a TIFF block with what it tells emptied, values and all; null when it tells nothing. */
function tiff(block: Uint8Array, told: readonly Told[]): Uint8Array | null {
  const little = latin(block, 0, 2) === 'II'
  if (!little && latin(block, 0, 2) !== 'MM') return null
  const copy = block.slice()
  const data = view(copy)
  let changed = false
  const empty = (from: number, bytes: number) => {
    changed ||= copy.subarray(from, from + bytes).some((byte) => byte !== 0)
    copy.fill(0, from, from + bytes)
  }
  const each = (directory: number, take: (tag: number, entry: number) => void) => {
    const count = data.getUint16(directory, little)
    for (let i = 0; i < count; i++) {
      const entry = directory + 2 + 12 * i
      take(data.getUint16(entry, little), entry)
    }
  }
  const emptyValue = (entry: number) => {
    const bytes = (SIZES[data.getUint16(entry + 2, little)] ?? 1) * data.getUint32(entry + 4, little)
    if (bytes > 4) empty(data.getUint32(entry + 8, little), bytes)
    else empty(entry + 8, 4)
  }
  const takeTime = (tag: number, entry: number) => {
    if (told.includes('time') && TIMES.has(tag)) emptyValue(entry)
  }
  each(data.getUint32(4, little), (tag, entry) => {
    takeTime(tag, entry)
    if (tag === EXIF_POINTER) each(data.getUint32(entry + 8, little), takeTime)
    if (tag !== GPS_POINTER || !told.includes('place')) return
    const gps = data.getUint32(entry + 8, little)
    const count = data.getUint16(gps, little)
    each(gps, (_, value) => emptyValue(value))
    if (count > 0) empty(gps, 2 + 12 * count)
  })
  return changed ? copy : null
}

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0))
  let at = 0
  for (const part of parts) {
    whole.set(part, at)
    at += part.length
  }
  return whole
}
