/** The application's icons for a home screen, drawn from `src/app/icon.svg`. */
import sharp from 'sharp'

const SVG = 'src/app/icon.svg'
const PAPER = '#F7F5EF'

/** `share` of the picture that the sign takes: a mask may cut off everything outside the middle 80 %. */
async function icon(name, size, share) {
  const inner = Math.round(size * share)
  const sign = await sharp(SVG, { density: 1200 }).resize(inner, inner).png().toBuffer()
  await sharp({ create: { width: size, height: size, channels: 3, background: PAPER } })
    .composite([{ input: sign, gravity: 'centre' }])
    .png({ palette: true })
    .toFile(`public/icons/${name}.png`)
}

await icon('192', 192, 1)
await icon('512', 512, 1)
await icon('maskable', 512, 0.75)
await icon('apple', 180, 0.9)
