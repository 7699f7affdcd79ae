import { finding, type Finding } from '../findings'
import type { Cable } from '../parts'
import { POWER_LIMITS, voltsAtLoad } from '../power'
import { runLengths } from '../route'
import { ohmPerKm } from '../terminate'
import { inSentence, quantity, text } from '../units'
import { CARRIES } from './carries'
import { routeOf, type RunEnd, type RunOf } from './context'

/** What a low-voltage run brings from what feeds it to what hangs on it. */
export interface RunVolts {
  readonly source: RunEnd
  readonly load: RunEnd
  readonly sourceV: number
  readonly worstW: number
  readonly takesV: readonly [least: number, most: number]
  /** Null where the circuit cannot carry it at all. */
  readonly atLoadV: number | null
  /** What it takes of its supply, the loss in the cores among it. */
  readonly drawW: number | null
}

/** Null where it carries no low voltage, or where something that the volts rest on is not known. */
export function runVolts(context: RunOf, cable: Cable = context.cable): RunVolts | null {
  const { run, ends } = context
  const load = ends.find(({ part }) => part?.takesW !== undefined && part.takesV !== undefined)
  const source = ends.find((end) => end !== load && end.part?.feeds && end.part.feeds.poeClass === null)
  const lengths = runLengths(context, routeOf(run))
  const far = run.segments.length > 0 || lengths.measured || run.lead !== null
  if (run.carries !== 'dc' || run.state === 'taken away' || !load || !source || cable.awg === null || !far)
    return null
  const { jointOhm, dcJoints } = POWER_LIMITS
  const lengthM = run.lead?.lengthM ?? lengths.installedM
  const oneWayOhm = (ohmPerKm(cable.awg, lengths.meanC) * lengthM) / 1000 + dcJoints.value * jointOhm.value
  const sourceV = source.part!.feeds!.volts
  const worstW = load.part!.takesW!
  const atLoadV = voltsAtLoad(sourceV, worstW, 2 * oneWayOhm)
  const drawW = atLoadV === null ? null : (worstW * sourceV) / atLoadV
  return { source, load, sourceV, worstW, takesV: load.part!.takesV!, atLoadV, drawW }
}

/** Whether enough volts arrive, and never too many. */
export function voltsFindings(context: RunOf): Finding[] {
  const volts = runVolts(context)
  if (volts === null) return []
  const { source, load, sourceV, worstW, takesV, atLoadV } = volts
  const [leastV, mostV] = takesV
  const { printed } = context
  const common = {
    figure: atLoadV === null ? text('cannot start') : quantity(atLoadV, 'voltage'),
    limit: quantity(leastV, 'voltage'),
    reason:
      `${load.mark} ${load.name} takes ${printed(worstW, 'power')} in its worst hour, at the end of cores and ` +
      `joints that ${source.mark} feeds with ${printed(sourceV, 'voltage')}.`,
    source: 'catalogue',
  } as const
  const enough = atLoadV !== null && atLoadV >= leastV
  return [
    enough
      ? finding('power', 'volts', { ...common, verdict: 'good', title: 'Enough volts arrive' })
      : finding('power', 'volts', {
          ...common,
          verdict: 'stop',
          title: 'Too few volts arrive',
          short: atLoadV === null ? 'cannot start' : 'too few volts',
          advice: thicker(context, leastV),
        }),
    ...(sourceV > mostV
      ? [
          finding('power', 'over-volts', {
            verdict: 'stop',
            title: 'Its supply gives too many volts',
            short: 'too many volts',
            figure: quantity(sourceV, 'voltage'),
            limit: quantity(mostV, 'voltage'),
            reason: `With little current ${load.mark} gets nearly all of it.`,
            source: 'catalogue',
            advice: `Feed it with ${printed(mostV, 'voltage')} or less.`,
          }),
        ]
      : []),
  ]
}

/** The thinnest cable of the catalogue that carries it and brings enough. */
function thicker(context: RunOf, leastV: number): string {
  const carry: readonly string[] = CARRIES[context.run.carries].cables
  const enough = [...context.catalogue.cables.values()]
    .filter(({ kind, awg }) => carry.includes(kind) && awg !== null)
    .sort((a, b) => b.awg! - a.awg!)
    .find((cable) => (runVolts(context, cable)?.atLoadV ?? 0) >= leastV)
  return enough ? `Take ${inSentence(enough.name)}.` : 'Make the run shorter, or set a supply nearer to it.'
}

/** Why the volts of a low-voltage run are not judged; nothing where they are, or where it carries none. */
export function voltsUnjudged(context: RunOf): readonly string[] {
  if (context.run.carries !== 'dc' || runVolts(context) !== null) return []
  const known = context.ends.some(({ part }) => part?.takesW !== undefined && part.takesV !== undefined)
  return [
    known
      ? 'The drop of its volts: nobody has said what feeds it, or how long it is.'
      : 'The drop of its volts: nobody has said what hangs on it.',
  ]
}
