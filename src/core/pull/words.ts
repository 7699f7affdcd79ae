import type { ConduitPull, ConduitUse, WallHole } from '../pathway'
import { wantsExpansion } from '../route'
import { print, type UnitSystem } from '../units'

/** What is said of a conduit's fill and growth: on the screen, on paper and in a list alike. */
export function fillWords({ fill, growth }: Pick<ConduitUse, 'fill' | 'growth'>): string {
  const grows = growth !== null && wantsExpansion(growth)
  const room = roomWords(fill)
  if (!grows) return room
  return room === 'Good' ? `Check: ${WANTS_FITTING}` : `${room}; ${WANTS_FITTING}`
}
const WANTS_FITTING = 'wants an expansion fitting'

function roomWords(fill: ConduitUse['fill']): string {
  if (!fill) return 'Not judged: its size is not known'
  if (!fill.goesIn) return 'Check: too full'
  return fill.jams ? 'Check: three may wedge' : 'Good'
}

/** What a hole in a wall is made with. */
export function holeWords({ passMm, bit }: Pick<WallHole, 'passMm' | 'bit'>, units: UnitSystem): string {
  if (passMm === null) return 'as wide as the conduit is outside'
  return bit ?? `more than one: ${print({ value: passMm, kind: 'size' }, units)} in one would be too wide`
}

/** Where a pull wants pull points, told from the device's end. */
export function pointWords({ pointsAt }: Pick<ConduitPull, 'pointsAt'>, units: UnitSystem): string {
  if (pointsAt === null) return 'Check: no pull point helps'
  if (pointsAt.length === 0) return 'Good'
  const places = pointsAt.map(({ alongM }) => print({ value: alongM, kind: 'cut' }, units))
  return `Check: wanted ${places.join(' and ')} in`
}
