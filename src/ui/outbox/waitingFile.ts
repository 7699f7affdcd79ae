import type { OutboxStore } from './store'

/** Everything that waits on this device, with the bytes of its photos, as a file that imports elsewhere. */
export async function waitingFile(store: OutboxStore): Promise<Blob> {
  const rows = await store.waiting.orderBy('seq').toArray()
  const photos = await Promise.all(
    (await store.photos.toArray()).map(async ({ sha256, blob }) => ({
      sha256,
      base64: await base64Of(blob),
    })),
  )
  const file = {
    format: 'neat-bracket-waiting',
    version: 1,
    commands: rows.map(({ command }) => command),
    photos,
  }
  return new Blob([JSON.stringify(file)], { type: 'application/json' })
}

async function base64Of(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer())
  let words = ''
  for (let i = 0; i < bytes.length; i += 0x8000)
    words += String.fromCharCode(...bytes.subarray(i, i + 0x8000))
  return btoa(words)
}
