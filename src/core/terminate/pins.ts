import type { Policies } from '../job/job'

/** One contact of the plug. Stripe: white with a band of the colour. */
export interface Pin {
  readonly pin: number
  readonly wire: string
  readonly colour: 'orange' | 'green' | 'blue' | 'brown'
  readonly striped: boolean
  readonly pair: number
}

type Half = readonly [colour: Pin['colour'], striped: boolean, pair: number]

const B: readonly Half[] = [
  ['orange', true, 2],
  ['orange', false, 2],
  ['green', true, 3],
  ['blue', false, 1],
  ['blue', true, 1],
  ['green', false, 3],
  ['brown', true, 4],
  ['brown', false, 4],
]
/** Scheme A is scheme B with the orange and the green pair changed over. */
const A: readonly Half[] = B.map(([colour, striped, pair]): Half => {
  if (colour === 'orange') return ['green', striped, 3]
  return colour === 'green' ? ['orange', striped, 2] : [colour, striped, pair]
})

const pins = (halves: readonly Half[]): readonly Pin[] =>
  halves.map(([colour, striped, pair], index) => ({
    pin: index + 1,
    wire: striped ? `white-${colour}` : colour,
    colour,
    striped,
    pair,
  }))

/** Pin tables of ANSI/TIA-568; T568A swaps the orange and green pairs. */
export const PINS: Record<Policies['pinScheme'], readonly Pin[]> = { T568A: pins(A), T568B: pins(B) }
