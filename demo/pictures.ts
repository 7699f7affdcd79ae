import { createHash } from 'node:crypto'
import sharp from 'sharp'

/** Draws the invented scenario's pictures: plain scenes in flat tones, no words, no faces. */

export interface Picture {
  readonly sha256: string
  readonly base64: string
}

const W = 800
const H = 600

const SCENES = {
  /** A box on cladding, lid off, cable and gland to be seen. */
  box: (tone: string) => `${cladding(tone)}
    <rect x="270" y="170" width="260" height="260" rx="14" fill="#d9d6cc" stroke="#3a4045" stroke-width="6"/>
    <rect x="292" y="192" width="216" height="216" rx="8" fill="#b9b6ac"/>
    <circle cx="400" cy="300" r="70" fill="#8f8c84" stroke="#3a4045" stroke-width="4"/>
    <circle cx="400" cy="300" r="34" fill="#2b3034"/>
    <path d="M400 430 C400 500 350 520 350 560 S430 590 430 620" stroke="#22272b" stroke-width="13" fill="none"/>
    ${screws([
      [290, 190],
      [510, 190],
      [290, 410],
      [510, 410],
    ])}`,
  /** A gasket and seals close up. */
  gasket: (tone: string) => `<rect width="${W}" height="${H}" fill="${tone}"/>
    <circle cx="400" cy="300" r="210" fill="#cfccc2" stroke="#3a4045" stroke-width="6"/>
    <circle cx="400" cy="300" r="176" fill="none" stroke="#23282c" stroke-width="20"/>
    <circle cx="400" cy="300" r="120" fill="#a9a69c"/>
    <rect x="380" y="300" width="40" height="230" fill="#22272b"/>
    <rect x="358" y="330" width="84" height="70" rx="10" fill="#3a4045"/>
    ${screws([
      [250, 150],
      [550, 150],
      [250, 450],
      [550, 450],
    ])}`,
  /** A cable end with the pairs fanned. */
  ends: (
    tone: string,
  ) => `<rect width="${W}" height="${H}" fill="${tone}"/><rect x="0" y="270" width="360" height="60" fill="#2c3237"/>
    ${CORES.map(core).join('')}
    <rect x="150" y="252" width="60" height="96" rx="8" fill="#565e66"/>
    <rect x="240" y="258" width="34" height="84" rx="6" fill="#6d757d"/>`,
  /** What a camera sees of a yard: sheds, a person's outline, water. */
  view: (tone: string) => `<rect width="${W}" height="${H}" fill="#b7c3c9"/>
  <rect y="250" width="${W}" height="90" fill="#8ba0ab"/>
  <rect y="330" width="${W}" height="270" fill="${tone}"/>
    <polygon points="40,330 40,170 190,110 340,170 340,330" fill="#7a6a58"/>
    <rect x="110" y="220" width="150" height="110" fill="#4a4038"/>
    <rect x="560" y="120" width="14" height="230" fill="#4d555b"/>
    <rect x="548" y="110" width="60" height="16" fill="#4d555b"/>
    <circle cx="470" cy="380" r="16" fill="#39322b"/>
    <rect x="452" y="398" width="36" height="80" rx="12" fill="#39322b"/>
    <rect x="455" y="474" width="12" height="62" fill="#39322b"/>
    <rect x="473" y="474" width="12" height="62" fill="#39322b"/>
    <path d="M0 560 L800 480 L800 600 L0 600Z" fill="#00000022"/>`,
  /** The same kind of view by night. */
  night: (_: string) => `<rect width="${W}" height="${H}" fill="#1b1f22"/>
  <rect y="320" width="${W}" height="280" fill="#33383b"/>
  <polygon points="60,330 60,160 200,110 340,160 340,330" fill="#292d30"/>
    <circle cx="470" cy="380" r="16" fill="#b8bdc0"/>
    <rect x="452" y="398" width="36" height="80" rx="12" fill="#a9aeb1"/>
    <rect x="455" y="474" width="12" height="62" fill="#a9aeb1"/>
    <rect x="473" y="474" width="12" height="62" fill="#a9aeb1"/>
    <ellipse cx="460" cy="430" rx="270" ry="190" fill="#ffffff10"/>`,
  /** Rust streaks and standing water in an opened box. */
  water: (tone: string) => `${cladding(tone)}
    <rect x="230" y="140" width="340" height="320" rx="10" fill="#c9c6bc" stroke="#3a4045" stroke-width="6"/>
    <rect x="236" y="380" width="328" height="76" fill="#7d97a3aa"/>
    <path d="M300 150 V370 M360 150 V330 M470 150 V380" stroke="#9a5a2c" stroke-width="12" opacity="0.7"/>
    <rect x="330" y="230" width="140" height="90" fill="#4f6b4a"/>
    <circle cx="520" cy="300" r="30" fill="#22272b"/>`,
  /** A run of cable with clips. */
  run: (tone: string) => `${cladding(tone)}
    <path d="M-20 210 H420 C470 210 470 260 470 300 V620" stroke="#23282c" stroke-width="12" fill="none"/>
    ${[60, 160, 260, 360].map((x) => clip(x, 196, 20, 30)).join('')}
    ${[380, 480, 570].map((y) => clip(456, y, 30, 20)).join('')}`,
} as const

export type Scene = keyof typeof SCENES

/** The cores of a cable in the order of their pairs. */
const CORES = ['#d98324', '#f2ead8', '#2e7d4f', '#2b62a8', '#e6eef8', '#57a06f', '#efe3d6', '#6b4a2b']
const core = (colour: string, i: number) =>
  `<path d="M360 ${280 + i * 6} C460 ${240 + i * 18} 520 ${200 + i * 28} 640 ${210 + i * 26}"
    stroke="${colour}" stroke-width="12" fill="none"/>`
const clip = (x: number, y: number, width: number, height: number) =>
  `<rect x="${x}" y="${y}" width="${width}" height="${height}" rx="5" fill="#f0ede4"/>`
const board = (_: unknown, i: number) => `<rect y="${i * 68}" width="${W}" height="4" fill="#00000022"/>`
const cladding = (tone: string) =>
  `<rect width="${W}" height="${H}" fill="${tone}"/>${Array.from({ length: 9 }, board).join('')}`
const screws = (at: [number, number][]) =>
  at
    .map(
      ([x, y]) =>
        `<circle cx="${x}" cy="${y}" r="11" fill="#8b9197" stroke="#3a4045" stroke-width="3"/>
        <path d="M${x - 6} ${y}h12M${x} ${y - 6}v12" stroke="#3a4045" stroke-width="3"/>`,
    )
    .join('')

/** One picture; `seed` varies its light so that no two are the same file. */
export async function picture(scene: Scene, seed: number): Promise<Picture> {
  const light = 190 - (seed % 7) * 9
  const tone = `rgb(${light},${light - 8 - (seed % 3) * 4},${light - 24})`
  const vignette = `<rect width="${W}" height="${H}" fill="black" opacity="${0.02 + (seed % 5) * 0.02}"/>`
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${W}" height="${H}" viewBox="0 0 ${W} ${H}">
    ${SCENES[scene](tone)}${vignette}
    <rect x="${seed % W}" y="2" width="3" height="3" fill="#555"/></svg>`
  const bytes = await sharp(Buffer.from(svg)).jpeg({ quality: 62 }).toBuffer()
  return { sha256: createHash('sha256').update(bytes).digest('hex'), base64: bytes.toString('base64') }
}

/**
 * A site sketch of 92 by 66 metres at ten pixels a metre: quay, water, slip and paths, as a customer might
 * send it.
 */
export async function siteSketch(): Promise<Picture> {
  const [w, h] = [920, 660]
  const at = (x: number, y: number) => `${((x + 8) * 10).toFixed(0)},${((62 - y) * 10).toFixed(0)}`
  const shape = (points: readonly (readonly [number, number])[], style: string) =>
    `<polygon points="${points.map(([x, y]) => at(x, y)).join(' ')}" ${style}/>`
  const waves = Array.from(
    { length: 40 },
    (_, i) =>
      `<path d="M${(i * 67) % 900} ${600 + ((i * 23) % 55)}q8 -6 16 0t16 0"
        stroke="#9fb4bd" fill="none" stroke-width="1.5"/>`,
  ).join('')
  const planks = Array.from(
    { length: 9 },
    (_, i) => `<path d="M${at(29 + i, -2)}L${at(29 + i, 24)}" stroke="#c9c3b5" stroke-width="1"/>`,
  )
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}">
    <rect width="${w}" height="${h}" fill="#f4f1e8"/>
    ${shape(
      [
        [-8, -4],
        [84, -4],
        [84, 3],
        [66, 3],
        [66, -4],
        [58, -4],
        [58, 3],
        [-8, 3],
      ],
      'fill="#dfe8ea"',
    )}${waves}
    ${shape(
      [
        [58, -4],
        [66, -4],
        [66, 12],
        [58, 12],
      ],
      'fill="#e6dfd0" stroke="#8b8577" stroke-width="2"',
    )}
    ${shape(
      [
        [27, -2],
        [38, -2],
        [38, 24],
        [27, 24],
      ],
      'fill="#e2ddd1" stroke="#8b8577" stroke-width="2"',
    )}
    ${shape(
      [
        [62, 58],
        [71, 58],
        [66, 40],
        [56, 36],
        [44, 30],
        [38, 26],
        [34, 26],
        [40, 33],
        [54, 40],
        [60, 44],
      ],
      'fill="#ebe6d9"',
    )}
    ${planks.join('')}
    <path d="M${at(-8, 3)}L${at(27, 3)}M${at(38, 3)}L${at(58, 3)}M${at(66, 3)}L${at(84, 3)}"
      stroke="#6f6a5e" stroke-width="4"/>
    </svg>`
  const bytes = await sharp(Buffer.from(svg)).png({ palette: true, colours: 32 }).toBuffer()
  return { sha256: createHash('sha256').update(bytes).digest('hex'), base64: bytes.toString('base64') }
}
