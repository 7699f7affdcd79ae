import { finding, type Finding } from '../findings'
import { covers, dustOf, printTests, testsOf } from '../seal'
import { quantity, text } from '../units'
import type { EquipmentContext } from './context'

/** What is wrong with a piece of equipment where it stands. */
export function equipmentFindings(context: EquipmentContext): Finding[] {
  if (context.equipment.state === 'taken away') return gone(context)
  return [caseFinding(context), entriesFinding(context), ...inputFindings(context)].filter(
    (one) => one !== null,
  )
}

/** What is taken away feeds nobody. */
function gone({ uses }: EquipmentContext): Finding[] {
  if (uses.length === 0) return []
  return [
    finding('power', 'gone', {
      verdict: 'stop',
      title: uses.some(({ of }) => of === 'device')
        ? 'It is taken away and still feeds cameras'
        : 'It is taken away and cables still end at it',
      short: 'cables still end at it',
      figure: text(uses.map(({ mark }) => mark).join(', ')),
      limit: quantity(0, 'count'),
      reason: 'What hangs on it goes dark with it.',
      source: 'job',
      advice: 'Give them another end: cameras another supply on their power sheets, runs another device.',
    }),
  ]
}

/** Two pictures in one video input; ports that feed are judged with what they feed. */
function inputFindings({ uses }: EquipmentContext): Finding[] {
  const ports = new Set(uses.flatMap(({ port }) => (port?.startsWith('video ') ? [port] : [])))
  return [...ports].flatMap((port) => {
    const at = uses.filter((use) => use.port === port)
    return at.length < 2
      ? []
      : [
          finding('terminate', `taken-${port.replace(' ', '-')}`, {
            verdict: 'stop',
            title: 'Two pictures in one input',
            short: 'input is taken',
            figure: text(`${port}: ${at.map(({ mark }) => mark).join(', ')}`),
            limit: text('one cable an input'),
            reason: 'An input shows one picture.',
            source: 'catalogue',
            advice: 'Choose a free input for one of them.',
          }),
        ]
  })
}

/** Whether its case keeps out what reaches it; null for a circuit, which is no thing with a case. */
function caseFinding({ part, exposure }: EquipmentContext): Finding | null {
  if (part.kind === 'circuit') return null
  const passed = testsOf(part.ratings)
  const dust = dustOf(part.ratings) ?? 0
  const wet = covers(passed, exposure.tests)
  const common = {
    figure: text(part.ratings.length > 0 ? part.ratings.join('/') : 'no rating'),
    limit: text(`IP${exposure.dust || 'X'}${printTests(new Set(exposure.tests)).slice(3)}`),
    source: 'iec-60529',
  } as const
  if (wet && dust >= exposure.dust)
    return finding('mount', 'case', {
      ...common,
      verdict: 'good',
      title: 'Its case is made for this place',
      reason: exposure.why,
    })
  return finding('mount', 'case', {
    ...common,
    verdict: 'stop',
    title: 'Not made for this place',
    short: 'case not tight',
    reason: wet ? 'Blown dust gets in.' : exposure.why,
    advice: 'Take one in a case rated for it, put it in a rated box, or move it to a dry room.',
  })
}

/** Cables that pass into its case: those that end at it, one on to the network, its own feed. */
const cablesIn = ({ part, uses }: EquipmentContext): number => {
  const entered = (ports: RegExp) => uses.some(({ port }) => port !== null && ports.test(port))
  const fed = part.runsOn === 'mains joint' || part.runsOn === 'DC'
  return (
    uses.length +
    (goesOn(part) && !entered(/^(uplink|fibre) /) ? 1 : 0) +
    (fed && !entered(/^(mains|DC) /) ? 1 : 0)
  )
}

/** It has a port on to the network, so that a cable comes that nobody may have entered. */
const goesOn = ({ ports }: EquipmentContext['part']): boolean =>
  ports.some(({ purpose }) => purpose === 'uplink' || purpose === 'fibre')

/** Whether every cable has an entry of its own; null where water does not reach it. */
function entriesFinding(context: EquipmentContext): Finding | null {
  const { part, exposure } = context
  const cables = cablesIn(context)
  if (exposure.tests.length === 0 || part.entries === 0 || cables <= part.entries) return null
  return finding('seal', 'entries', {
    verdict: 'stop',
    title: 'More cables than entries',
    short: 'too few entries',
    figure: quantity(cables, 'count'),
    limit: quantity(part.entries, 'count'),
    reason: 'A gland seals one round cable: two in one leak between them.',
    source: 'catalogue',
    advice: 'Take one with more entries, or lead some of the runs elsewhere.',
  })
}

/** What is not judged of it, each with the reason. */
export const unjudgedEquipment = ({ part }: EquipmentContext): string[] => [
  ...(part.kind === 'circuit' ? ['The circuit itself: a licensed person proves it.'] : []),
  ...(part.networked || part.runsOn !== 'nothing' ? ['The network behind it, and how warm it gets.'] : []),
  ...(part.records ? ['How many days it keeps: nobody has said how much the cameras send.'] : []),
  ...(part.held === 'in line' ? [] : ['What holds it: the log asks.']),
]
