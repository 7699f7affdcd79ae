import { createHash } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { grainy } from '@/testing/grainy'
import { putPhoto } from '@/ui/outbox/post'
import { Line } from '../e2e/line'
import { served } from './server'

/**
 * A day's photos brought to the server over a line that breaks every ten seconds, beside plain uploading of
 * as many bytes over one that never does.
 */

const PHOTOS = 200
const PHOTO_BYTES = 4_000_000
const BREAK_MS = 10_000
const PORT = 3294

/** Pictures of the same size that differ in their last bytes, which no reader of pictures looks at. */
async function picturesOf(count: number, salt: number): Promise<Buffer<ArrayBuffer>[]> {
  const picture = await grainy(2400, 1800, 30).jpeg({ quality: 88 }).toBuffer()
  return Array.from({ length: count }, (_, i) => {
    const bytes = Buffer.alloc(Math.max(PHOTO_BYTES, picture.length + 8))
    picture.copy(bytes)
    bytes.writeUInt32BE(i, bytes.length - 8)
    bytes.writeUInt32BE(salt, bytes.length - 4)
    return bytes
  })
}

const nameOf = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex')

export async function photos(): Promise<void> {
  console.log(`\nPhotos: ${PHOTOS} of ${PHOTO_BYTES / 1e6} MB`)
  const folder = mkdtempSync(join(tmpdir(), 'neat-bracket-photos-'))
  const { base, stop } = await served(folder, PORT)
  try {
    let start = performance.now()
    for (const bytes of await picturesOf(PHOTOS, 1)) {
      const answer = await fetch(`${base}/api/photos/${nameOf(bytes)}`, {
        method: 'PUT',
        headers: { 'content-type': 'image/jpeg' },
        body: bytes,
      })
      if (answer.status !== 201) throw new Error(await answer.text())
    }
    const plain = performance.now() - start
    const line = await Line.to(PORT)
    const direct = globalThis.fetch
    globalThis.fetch = (to, init) => direct(`${line.base}${to as string}`, init)
    const breaking = setInterval(() => (line.cut(), line.mend()), BREAK_MS)
    let [breaks, sent] = [0, 0]
    start = performance.now()
    for (const bytes of await picturesOf(PHOTOS, 2)) {
      const photo = { sha256: nameOf(bytes), blob: new Blob([bytes]), keepsPlace: false }
      const underway = { signal: new AbortController().signal, arrived: () => undefined }
      sent += bytes.length
      while ((await putPhoto(photo, underway)).is !== 'answered') {
        breaks++
        await new Promise((resolve) => setTimeout(resolve, 2000)) // as the outbox does
      }
    }
    const pieces = performance.now() - start
    clearInterval(breaking)
    globalThis.fetch = direct
    await line.end()
    console.log(
      `  plain, no break ${(plain / 1000).toFixed(1)} s   in pieces, ${breaks} breaks ` +
        `${(pieces / 1000).toFixed(1)} s   ratio 1 : ${(pieces / plain).toFixed(2)}   ` +
        `sent again ${((100 * (line.upBytes - sent)) / sent).toFixed(1)} %`,
    )
  } finally {
    stop()
    rmSync(folder, { recursive: true, force: true })
  }
}
