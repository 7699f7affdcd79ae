import type { ConduitPull, ConduitUse, Pull, PullPlan, WallHole } from '../pathway'
import { wantsExpansion } from '../route'
import type { PullSheet } from './lists'
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

/** Which conduit is right for what lies in one. */
export function fittingWords({
  fitting,
  fittingExpands,
}: Pick<ConduitUse, 'fitting' | 'fittingExpands'>): string {
  if (!fitting) return 'none of the catalogue'
  return fittingExpands ? `${fitting.name}, with expansion fittings` : fitting.name
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

/** The ready-made leads among what is cut. */
export const leadsIn = ({ cuts }: Pick<PullSheet, 'cuts'>) =>
  cuts.flatMap(({ lead, ...cut }) => (lead ? [{ ...cut, lead }] : []))

/** What lies in a conduit. */
export const inConduitWords = ({ marks, others }: Pick<ConduitUse, 'marks' | 'others'>): string =>
  `${marks.length}: ${marksWords(marks)}${others > 0 ? `; ${others} that lie there` : ''}`

/** Marks in their order; three and more that are numbered on are told by the first and the last. */
export function marksWords(marks: readonly string[]): string {
  const runs: string[][] = []
  for (const mark of marks) {
    const run = runs.at(-1)
    if (run && isNext(run.at(-1)!, mark)) run.push(mark)
    else runs.push([mark])
  }
  return runs.map((run) => (run.length > 2 ? `${run[0]}–${run.at(-1)}` : run.join(' '))).join(' ')
}

function isNext(mark: string, other: string): boolean {
  const [one, next] = [mark, other].map((of) => /^(\D*)(\d{1,9})$/.exec(of))
  if (!one || !next || one[1] !== next[1] || mark.length > other.length) return false
  return Number(next[2]) === Number(one[2]) + 1
}

/** What becomes of the cables of a pull at its end. */
export function partWords({ marks, parts, later }: Pick<Pull, 'marks' | 'parts' | 'later'>): string {
  const on = new Set(parts.flat())
  const ending = marks.filter((mark) => !on.has(mark))
  return [
    ...parts.map(marksWords),
    ...(ending.length > 0 ? [`at its end: ${marksWords(ending)}`] : []),
    ...(later.length > 0 ? [`through here only later: ${marksWords(later)}`] : []),
  ].join(' | ')
}

/** In which order and from where pulls are made. */
export function orderWords({ turned, first }: Pick<PullPlan, 'turned' | 'first'>): string {
  const others =
    turned.length > 0 ? `, but ${marksWords(turned)} from the device: what lies beside goes that way` : ''
  const each = first.length > 1 ? 'each alone' : 'alone'
  const alone =
    first.length > 0
      ? `${marksWords(first)} before all others, ${each}: the plug does not pass beside them. `
      : ''
  return (
    `In this order, from what the cables end at outwards${others}. ${alone}What lies together is pulled at ` +
    'once: a cable that is drawn in over others scuffs them. What goes on alone follows when its bundle is ' +
    'through.'
  )
}

/** What is to be known of the drawing of bundles. */
export const ALONG_NOTE =
  'In proportion, but the shortest pieces longer. Numbers are those of the pulls above; tips show which way ' +
  'each is pulled.'
