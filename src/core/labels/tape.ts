import type { Job } from '../job/job'

/**
 * Tapes that are told apart in every kind of colour blindness. Colours after M. Okabe and K. Ito, Color
 * Universal Design (2008), and white; from memory.
 */
export const TAPES = {
  white: { name: 'white', colour: '#FFFFFF' },
  yellow: { name: 'yellow', colour: '#F0E442' },
  red: { name: 'red', colour: '#D55E00' },
  blue: { name: 'blue', colour: '#0072B2' },
  violet: { name: 'violet', colour: '#CC79A7' },
} as const
export type Tape = keyof typeof TAPES

const ALL = Object.keys(TAPES) as Tape[]
/** Bands of a code at least; beside each other no two are alike, or they would read as one. */
const BANDS = 2

/** How many codes of so many bands there are. */
const codesOf = (bands: number): number => ALL.length * (ALL.length - 1) ** (bands - 1)

/** The code of a place: first all of two bands, then those of three, and on. */
function codeAt(place: number): readonly Tape[] {
  let [bands, rest] = [BANDS, place]
  for (; rest >= codesOf(bands); bands++) rest -= codesOf(bands)
  const code = [ALL[rest % ALL.length]!]
  rest = Math.floor(rest / ALL.length)
  while (code.length < bands) {
    const others = ALL.filter((tape) => tape !== code.at(-1))
    code.push(others[rest % others.length]!)
    rest = Math.floor(rest / others.length)
  }
  return code
}

/**
 * The bands of tape on both ends of every cable, by the id of the device or run, read from the end inwards.
 * No two of a job are alike: at the head end all lie together. Places go by the numbers of the marks, so
 * that a cable keeps its code while others come and go, unless its place was another's first.
 */
export function tapeCodes({
  devices,
  runs,
}: Pick<Job, 'devices' | 'runs'>): ReadonlyMap<string, readonly Tape[]> {
  const cables = [...devices, ...runs].filter(({ state }) => state !== 'taken away')
  const short = codesOf(BANDS)
  const wished = cables.map(({ id, mark }) => {
    const number = Number(/\d{1,4}/.exec(mark)?.[0] ?? 0)
    // Cameras from the first code on, runs from the last of two bands back.
    if (/^R\d/.test(mark)) return { id, place: number >= 1 && number <= short ? short - number : number }
    return { id, place: Math.max(0, number - 1) }
  })
  const taken = new Set<number>()
  return new Map(
    wished.map(({ id, place: wish }) => {
      let place = wish
      while (taken.has(place)) place++
      taken.add(place)
      return [id, codeAt(place)]
    }),
  )
}

/** A code in words: "white, blue". */
export const tapeWords = (code: readonly Tape[]): string => code.map((tape) => TAPES[tape].name).join(', ')
