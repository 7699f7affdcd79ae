import { SPACES, type SpaceId } from '../job/spaces'
import { otherEnd, type RunContext } from '../parts'
import { endPassMm } from '../mount'
import { choice, measure, task, type Task } from '../procedure'
import { inSentence } from '../units'
import { coilWords, endAt, fedIn, keptBy } from './lead'
import { coilOf, dripLoopM, installedM, lengthItems, loopsM, oneTurnM, segmentM } from './length'
import { ROUTE_LIMITS } from './limits'
import type { ReadyLead, Route, Way } from './plan'
import { runLengths, surplusM } from './route'

/** A cable pulled or looked over, its length read, its loop and slack left. */
export function routeTasks(context: RunContext, route: Route): Task[] {
  if (route.laid === 'kept')
    return [lookedOver(context, dripLoopM(context, route)), ...lengthRead(context, route)]
  return [
    pulling(context, route),
    ...lengthRead(context, route),
    ...loopLeft(context, route),
    ...coiling(context, route),
  ]
}

function pulling(context: RunContext, way: Way): Task {
  const { printed, cable } = context
  const spaces = [...new Set(way.segments.map(({ space }) => space))]
  return task('pull', {
    id: 'route/pull',
    gives: ['cable there'],
    title:
      way.lead === null
        ? `Cut ${printed(runLengths(context, way).cutM, 'cut')} of ${cable.name} and pull it`
        : `Lead the ready-made cable through`,
    items: [
      ...(way.lead ? endItems(context, way.lead) : []),
      ...way.segments.map(
        (segment) => `${SPACES[segment.space].name}, ${printed(segmentM(segment), 'length')}`,
      ),
      ...supportItems(context, spaces),
      ...spaces.flatMap(edgeItem),
      ...(spaces.some((space) => SPACES[space].tools)
        ? ['A string goes in with it, and stays for the next']
        : []),
    ],
    labels: true,
    detail:
      `Pull no harder than ${printed(cable.pullN, 'force')}; bend no tighter than ` +
      `${printed(cable.diameterMm * cable.bendTimes, 'size')}.`,
    reason: 'Two unmarked ends at the head end cost a ladder trip.',
    caution: spaces.map((space) => SPACES[space].caution).join(' '),
    photo: 'asked',
    view: 'ends',
  })
}

/** From where a ready-made lead is fed, which of its ends goes first, and what that wants to pass. */
function endItems(context: RunContext, lead: ReadyLead): string[] {
  const { from, first, last, free } = fedIn(context, lead)
  const [stays, comes] = [endAt(context, from).called, endAt(context, otherEnd(from)).called]
  const goes =
    free || !first ? 'Either end goes first' : `The ${inSentence(first.name)} goes first, to ${comes}`
  return [
    goes,
    ...(last && !free ? [`The ${inSentence(last.name)} stays at ${stays}, from where it is fed`] : []),
    ...(first?.acrossMm == null
      ? []
      : [`Every hole that it passes is ${context.printed(endPassMm(first), 'size')} clear or more`]),
    context.cable.kind === 'fibre'
      ? 'Drawn by the eye that the factory put on it; its caps stay on'
      : 'Its plug in a bag, taped smooth: the tape takes the pull, never the plug',
  ]
}

/** What is left of a ready-made lead, in turns, where it is found again. */
function coiling(context: RunContext, way: Route): Task[] {
  const { printed, cable } = context
  const leftM = way.lead ? surplusM(runLengths(context, way)) : 0
  if (!way.lead || leftM < oneTurnM(cable)) return []
  const { coilAt } = way.lead
  const { turns, acrossMm } = coilOf(leftM, cable)
  const where = coilAt === null ? 'where it is reached again' : coilWords(context, coilAt)
  return [
    task(coilAt === 'near end' ? 'seal' : 'pull', {
      id: 'route/coil',
      after: [{ fact: 'cable there', because: 'What is left of it shows once it is through.' }],
      before: coilAt === 'near end' ? [{ fact: 'looked at', because: 'The picture shows it too.' }] : [],
      title: `Coil ${printed(leftM, 'cut')} of it ${where}`,
      items: [
        `${turns} turns, ${printed(acrossMm, 'size')} across and no tighter`,
        ...(coilAt === null ? [] : [keptBy(coilAt)]),
        'its mark on it, facing out',
      ],
      reason: 'Whoever changes it looks for the coil first; it is written down where it lies.',
      entry: { kind: 'note', label: 'Where it lies' },
      photo: 'asked',
      view: 'coil',
      causes: { failed: 'cable unsupported' },
    }),
  ]
}

/** How what holds the cable is put on, once a kind. */
function supportItems({ printed }: RunContext, spaces: readonly SpaceId[]): string[] {
  const kinds = new Set(spaces.flatMap((space) => SPACES[space].support ?? []))
  return [...kinds].map(({ name, everyM, uprightM, how }) => {
    const every = printed(everyM, 'length')
    const spaced =
      uprightM === everyM ? every : `${every} on the level, ${printed(uprightM, 'length')} upright`
    return `${name.charAt(0).toUpperCase()}${name.slice(1)} every ${spaced}: ${how}`
  })
}

/** What keeps a cable whole where it comes out of a space that covers it. */
function edgeItem(space: SpaceId): string[] {
  const { name, edge } = SPACES[space]
  return edge ? [`Past no bare edge of the ${name.toLowerCase()}: ${edge.atEnd.toLowerCase()}`] : []
}

/** A cable that was there is trusted only after a look at what can be seen of it. */
const lookedOver = ({ cable, ends }: RunContext, loopM: number): Task =>
  task('pull', {
    id: 'route/look',
    gives: ['cable there'],
    title: 'Look over the cable that stays',
    items: [
      `it is ${cable.name}: read its jacket`,
      `at ${ends[0].called} and at ${ends[1].called}: no nick, no green copper, no water in it`,
      'jacket whole where it can be seen; clips hold it and do not pinch',
      ...(loopM > 0 ? ['it hangs lower than its entry, so that rain drips off it'] : []),
    ],
    reason: 'An old fault is yours from the day you hang a new device on it.',
    entry: choice('sound', 'damaged', 'another cable than thought'),
    photo: 'asked',
    view: 'found',
    causes: { answered: { 'damaged': 'bad termination', 'another cable than thought': 'wrong cable' } },
  })

/** How long it is as it lies; a ready-made lead has its length on its label. */
function lengthRead(context: RunContext, way: Route): Task[] {
  if (way.lead !== null) return []
  const { printed } = context
  const target = installedM(lengthItems(context, way))
  const off = (target * ROUTE_LIMITS.lengthTolerance.value) / 100
  const after =
    way.laid === 'new'
      ? 'Cut off the first scuffed length.'
      : 'Where its marks are out of reach: by the tester, or by its loop.'
  return [
    task('pull', {
      id: 'route/length',
      after: [{ fact: 'cable there', because: 'It is read on the cable as it lies.' }],
      title: 'Read the length off the jacket marks',
      detail: `Planned ${printed(target, 'length')} installed, slack included. ${after}`,
      reason: 'The record of the run, and a check on the label.',
      entry: { ...measure('length', 'Installed length', target - off, target + off), marks: true },
      causes: { failed: 'wrong cable' },
    }),
  ]
}

function loopLeft(context: RunContext, way: Way): Task[] {
  const { printed, ends } = context
  const loops = loopsM(context, way)
  const left = ends.flatMap(({ slackM, called }, i) =>
    loops[i]! > 0
      ? [
          `${printed(loops[i]!, 'length')} below the entry, ${printed(slackM, 'length')} of slack at ${called}.`,
        ]
      : [],
  )
  if (left.length === 0) return []
  return [
    task('seal', {
      id: 'route/drip-loop',
      after: [{ fact: 'cable there', because: 'The loop is a part of the cable that was pulled.' }],
      before: [{ fact: 'looked at', because: 'The picture shows the loop too.' }],
      title: 'Leave the drip loop and the slack',
      detail: left.join(' '),
      reason: 'Water follows the cable; the loop lets it drip off.',
    }),
  ]
}
