import { finding, type Finding } from '../findings'
import { portsFor, PURPOSES, type Connector } from '../parts'
import { surgeOn } from '../power'
import { unjudgedRoute } from '../route'
import { matchFindings } from '../terminate'
import { inSentence, quantity, text } from '../units'
import { CARRIES } from './carries'
import { isFinished, routeOf, type RunEnd, type RunOf } from './context'
import { voltsFindings, voltsUnjudged } from './volts'

/** What a run is judged by. */
export const RUN_JUDGED =
  'What it carries over which cable, both ends and their ports, its length and way, low volts, lightning'

/** What is wrong with a run, and what is right with it; `way` are the findings of its route. */
export function runFindings(context: RunOf, way: readonly Finding[]): Finding[] {
  const { run, ends } = context
  if (run.state === 'taken away') return []
  const found = [
    ...way,
    carriedFinding(context),
    ...ends.flatMap((end) => endFindings(context, end)),
    leadFinding(context),
    ...voltsFindings(context),
    surgeOn(
      context,
      run,
      ends.every(({ part }) => part?.kind === 'protector'),
    ),
  ].filter((one) => one !== null)
  return found.some(({ stage }) => stage === 'terminate') ? found : [...found, endsGood(context)]
}

const endsGood = ({ run, ends: [from, to] }: RunOf): Finding =>
  finding('terminate', 'match', {
    verdict: 'good',
    title: 'Both ends suit the cable',
    figure: text(`${from.connector!.name}, ${inSentence(to.connector!.name)}`),
    limit: null,
    reason: `${CARRIES[run.carries].name} from ${from.mark}, ${from.portName} to ${to.mark}, ${to.portName}.`,
    source: 'catalogue',
  })

function carriedFinding({ run, cable, catalogue }: RunOf): Finding | null {
  const { name, cables } = CARRIES[run.carries]
  const carry: readonly string[] = cables
  if (carry.includes(cable.kind)) return null
  const other = [...catalogue.cables.values()].find(({ kind }) => carry.includes(kind))
  return finding('terminate', 'carries', {
    verdict: 'stop',
    title: 'This cable does not carry it',
    short: 'wrong cable',
    figure: text(cable.name),
    limit: text(`${carry.join(' or ')} cable`),
    reason: `${name} wants ${carry.join(' or ')} cable.`,
    source: 'catalogue',
    advice: other ? `Take ${other.name}.` : 'No cable of the catalogue carries it.',
  })
}

function endFindings(context: RunOf, end: RunEnd): Finding[] {
  if (end.state === 'taken away') return [goneFinding(end)]
  const { key, connector, mark } = end
  const port = portFinding(context, end)
  return [
    ...(port ? [port] : []),
    ...(connector
      ? [
          ...suits(context, end, connector),
          ...matchFindings(context, connector, { key, called: `${mark} end` }),
        ]
      : [
          finding('terminate', `open:${key}`, {
            verdict: 'check',
            title: `What it ends with at ${mark} is not chosen`,
            short: 'end not chosen',
            figure: text('not chosen'),
            limit: text('a connector'),
            reason: 'Nobody has judged that end, and nothing is loaded for it.',
            source: 'job',
            advice: `Choose what is made at ${mark}.`,
          }),
        ]),
  ]
}

/** Whether what it carries comes out of such a connector. */
function suits({ run, catalogue, cable }: RunOf, { key, mark }: RunEnd, connector: Connector): Finding[] {
  const { name, ends } = CARRIES[run.carries]
  const fitting: readonly string[] = ends
  if (fitting.includes(connector.kind)) return []
  const other = [...catalogue.connectors.values()].find(
    ({ kind, takes, coax }) => fitting.includes(kind) && takes.includes(cable.kind) && coax === cable.coax,
  )
  return [
    finding('terminate', `end:${key}`, {
      verdict: 'stop',
      title: 'It does not end with that',
      short: 'wrong connector',
      figure: text(connector.name),
      limit: text(ends.join(' or ')),
      reason: `At the ${mark} end: ${inSentence(name)} goes in through a ${ends.join(' or ')}.`,
      source: 'catalogue',
      advice: other ? `Take ${other.name}.` : 'No connector of the catalogue is one for this cable.',
    }),
  ]
}

/** What the factory finishes comes in a length: it is never cut, and both its ends come with it. */
function leadFinding(context: RunOf): Finding | null {
  const { run, ends } = context
  const chosen = ends.filter(({ connector }) => connector !== null)
  const made = chosen.filter(isFinished)
  const other = chosen.find((end) => !isFinished(end))
  const common = {
    verdict: 'stop',
    figure: text(chosen.map(({ connector }) => connector!.name).join(', ')),
    source: 'practice',
  } as const
  if (made.length > 0 && other)
    return finding('terminate', 'one-end', {
      ...common,
      title: 'One end from the factory, the other made on site',
      short: 'ends do not go together',
      limit: text('both from the factory, or neither'),
      reason: `What is cut at ${other.mark} is no lead any more, and nobody makes the other on site.`,
      advice: 'Take a lead with both its ends, or make both on site.',
    })
  if (run.lead === null ? made.length === 0 : made.length === chosen.length) return null
  return finding('terminate', 'lead', {
    ...common,
    title: run.lead === null ? 'A factory end cannot be made on site' : 'A ready-made lead has its own ends',
    short: run.lead === null ? 'factory end' : 'lead has its ends',
    limit: text(run.lead === null ? 'an end made by hand' : 'factory ends'),
    reason: run.lead === null ? 'The way cuts it from a drum.' : 'The way plans a ready-made lead.',
    advice: 'Plan a ready-made lead and factory ends together, or neither.',
  })
}

const goneFinding = ({ key, mark, name }: RunEnd): Finding =>
  finding('terminate', `gone:${key}`, {
    verdict: 'stop',
    title: 'It ends at what is taken away',
    short: 'its end is taken away',
    figure: text(`${mark} ${name}`),
    limit: text('stays or is new'),
    reason: 'What hangs on it goes dark with it.',
    source: 'job',
    advice: 'Choose another end for it, or have the run taken away too.',
  })

/** Whether the end has a port for it, the one chosen is there and free; null where all is well. */
function portFinding({ run }: RunOf, end: RunEnd): Finding | null {
  const { key, mark, name, port, portName, shared } = end
  const offered = portsAt(end, run.carries)
  const what = inSentence(CARRIES[run.carries].name)
  if (offered.length === 0)
    return finding('terminate', `no-port:${key}`, {
      ...STOP,
      title: `${mark} has no port for it`,
      short: 'no port for it',
      figure: text(what),
      limit: text(has(end)),
      reason: `${name} has nothing that it ends in.`,
      advice: 'Choose another end, or something between the two that takes it.',
    })
  if (port === null)
    return finding('terminate', `port:${key}`, {
      verdict: 'check',
      title: `Its port at ${mark} is not chosen`,
      short: 'port not chosen',
      figure: text('not chosen'),
      limit: quantity(offered.length, 'count'),
      reason: 'Whoever comes next finds it by its port, and nobody sees yet whether it is free.',
      source: 'job',
      advice: `Choose its port at ${mark}.`,
    })
  if (!offered.includes(port))
    return finding('terminate', `other-port:${key}`, {
      ...STOP,
      title: `${mark} has no such port`,
      short: 'no such port',
      figure: text(portName!),
      limit: text(has(end)),
      reason: `It is none of the ${offered.length} where ${what} ends at ${name}.`,
      advice: `Choose another port at ${mark}.`,
    })
  if (shared.length === 0) return null
  return finding('terminate', `taken:${key}`, {
    ...STOP,
    title: `Two cables in one port of ${mark}`,
    short: 'port is taken',
    figure: text(`${portName}: ${[run.mark, ...shared.map((use) => use.mark)].join(', ')}`),
    limit: text('one cable a port'),
    reason: `${shared[0]!.mark} ${shared[0]!.name} ends there too.`,
    advice: 'Choose a free port for one of them.',
  })
}

/** What the parts themselves forbid. */
const STOP = { verdict: 'stop', source: 'catalogue' } as const

const has = ({ part, camera }: RunEnd): string =>
  (part
    ? part.ports.map(({ purpose, count }) => `${count} × ${inSentence(PURPOSES[purpose])}`).join(', ')
    : camera!.unusedTails.join(', ')) || 'none'

/** Where something can end: ports of equipment that are made for it, any tail of a camera. */
export function portsAt(
  { part, camera }: Pick<RunEnd, 'part' | 'camera'>,
  carries: RunOf['run']['carries'],
): string[] {
  if (camera) return [...camera.unusedTails]
  return portsFor(part ?? undefined, CARRIES[carries].ports)
}

/** What is not judged of a run, each with the reason. */
export const unjudgedRun = (context: RunOf): string[] => {
  const { run, ends } = context
  const cameras = ends.filter(({ camera }) => camera !== null)
  return [
    ...unjudgedRoute(context, routeOf(run)),
    ...cameras.map(
      ({ mark, portName }) =>
        `Whether ${portName ?? 'a tail'} of ${mark} is made for it, and how it passes into ${mark}: its label and ` +
        'its seal sheet tell.',
    ),
    ...voltsUnjudged(context),
    ...(run.carries === 'mains' ? ['The circuit behind it: a licensed person proves it.'] : []),
    ...(run.carries === 'fibre' ? ['Its loss in light: the log asks whether the link comes up.'] : []),
  ]
}
