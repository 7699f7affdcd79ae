/**
 * Takes out of a picture where it was taken: position data of EXIF and XMP in JPEG, WebP and PNG. Pixels
 * stay as they are.
 */

const GPS_POINTER = 0x8825
/** Bytes of one value by EXIF type; unknown types count as one. */
const SIZES = [1, 1, 1, 2, 4, 8, 1, 1, 2, 4, 8, 4, 8]

/**
 * The picture without its place: the same bytes when it carries none, or is of no kind that could. Never
 * throws: a picture that is cut short or broken comes back as it is, for whoever reads it to refuse.
 */
export function withoutPlace(picture: Uint8Array): Uint8Array {
  try {
    if (picture[0] === 0xff && picture[1] === 0xd8) return jpeg(picture)
    if (latin(picture, 0, 4) === 'RIFF' && latin(picture, 8, 12) === 'WEBP') return webp(picture)
    if (latin(picture, 1, 4) === 'PNG') return png(picture)
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
  }
  return picture
}

/** True when the picture carries where it was taken. */
export const hasPlace = (picture: Uint8Array): boolean => withoutPlace(picture) !== picture

const latin = (bytes: Uint8Array, from: number, to: number): string =>
  String.fromCharCode(...bytes.subarray(from, to))
const view = (bytes: Uint8Array) => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
const XMP = 'http://ns.adobe.com/xap/1.0/\0'

/** Whether a packet of XMP names a position. */
function xmpHasPlace(bytes: Uint8Array): boolean {
  return /GPS(Latitude|Longitude|Position)/.test(new TextDecoder('latin1').decode(bytes))
}

function jpeg(picture: Uint8Array): Uint8Array {
  const kept: Uint8Array[] = []
  let changed = false
  let at = 2
  let from = 0
  while (at + 4 <= picture.length && picture[at] === 0xff) {
    const marker = picture[at + 1]!
    if (marker === 0xda) break // the pixels begin: nothing more is told of the place
    const end = at + 2 + view(picture).getUint16(at + 2)
    const body = picture.subarray(at + 4, end)
    if (marker === 0xe1 && latin(body, 0, 6) === 'Exif\0\0') {
      const cleaned = tiff(body.subarray(6))
      if (cleaned) {
        kept.push(picture.subarray(from, at + 10), cleaned)
        from = end
        changed = true
      }
    } else if (marker === 0xe1 && latin(body, 0, XMP.length) === XMP && xmpHasPlace(body)) {
      kept.push(picture.subarray(from, at))
      from = end
      changed = true
    }
    at = end
  }
  return changed ? joined([...kept, picture.subarray(from)]) : picture
}

function webp(picture: Uint8Array): Uint8Array {
  const copy = picture.slice()
  let changed = false
  for (let at = 12; at + 8 <= copy.length; ) {
    const size = view(copy).getUint32(at + 4, true)
    const [name, body] = [latin(copy, at, at + 4), copy.subarray(at + 8, at + 8 + size)]
    if (name === 'EXIF') {
      const skip = latin(body, 0, 6) === 'Exif\0\0' ? 6 : 0
      const cleaned = tiff(body.subarray(skip))
      if (cleaned) {
        body.set(cleaned, skip)
        changed = true
      }
    } else if (name === 'XMP ' && xmpHasPlace(body)) {
      body.fill(0x20)
      changed = true
    }
    at += 8 + size + (size % 2)
  }
  return changed ? copy : picture
}

/** A chunk of PNG that tells the place goes whole: nothing else of it is needed to show the picture. */
function png(picture: Uint8Array): Uint8Array {
  const kept: Uint8Array[] = [picture.subarray(0, 8)]
  let changed = false
  for (let at = 8; at + 12 <= picture.length; ) {
    const size = view(picture).getUint32(at)
    const [name, body, end] = [
      latin(picture, at + 4, at + 8),
      picture.subarray(at + 8, at + 8 + size),
      at + 12 + size,
    ]
    if ((name === 'eXIf' && tiff(body)) || (/^(iTXt|zTXt|tEXt)$/.test(name) && wordsHavePlace(name, body)))
      changed = true
    else kept.push(picture.subarray(at, end))
    at = end
  }
  return changed ? joined(kept) : picture
}

/**
 * Words of PNG that name a position, or might: XMP that is compressed, and profiles that other programs
 * wrote as text.
 */
function wordsHavePlace(kind: string, body: Uint8Array): boolean {
  const keyword = latin(body, 0, Math.max(0, body.indexOf(0)))
  if (/^Raw profile type (exif|xmp|APP1)/i.test(keyword)) return true
  return (
    keyword === 'XML:com.adobe.xmp' &&
    (kind === 'zTXt' || body[keyword.length + 1] === 1 || xmpHasPlace(body))
  )
}

/** A copy of a TIFF block with its GPS directory emptied, values and all; null when it has none. */
function tiff(block: Uint8Array): Uint8Array | null {
  const little = latin(block, 0, 2) === 'II'
  if (!little && latin(block, 0, 2) !== 'MM') return null
  const copy = block.slice()
  const data = view(copy)
  const first = data.getUint32(4, little)
  for (let i = 0; i < data.getUint16(first, little); i++) {
    const entry = first + 2 + 12 * i
    if (data.getUint16(entry, little) !== GPS_POINTER) continue
    const gps = data.getUint32(entry + 8, little)
    const count = data.getUint16(gps, little)
    if (count === 0) return null
    for (let k = 0; k < count; k++) {
      const value = gps + 2 + 12 * k
      const bytes = (SIZES[data.getUint16(value + 2, little)] ?? 1) * data.getUint32(value + 4, little)
      if (bytes > 4)
        copy.fill(0, data.getUint32(value + 8, little), data.getUint32(value + 8, little) + bytes)
    }
    copy.fill(0, gps, gps + 2 + 12 * count)
    return copy
  }
  return null
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
