import 'server-only'
import { Font } from '@react-pdf/renderer'
import { join } from 'node:path'

/** The fonts that ship with the application (woff: subset fonts of the other kind hang the renderer). */
const fontFile = (weight: 400 | 600) => join(/* turbopackIgnore: true */ process.cwd(), `node_modules/@fontsource/barlow/files/barlow-latin-${weight}-normal.woff`)
let registered = false

/** Makes the shipped fonts known to the PDF renderer, once a process. */
export function registerFonts(): void {
  if (registered) return
  Font.register({ family: 'Barlow', fonts: [{ src: fontFile(400), fontWeight: 400 }, { src: fontFile(600), fontWeight: 600 }] })
  Font.registerHyphenationCallback((word) => [word])
  registered = true
}
