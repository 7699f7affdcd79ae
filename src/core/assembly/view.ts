import type { DeviceAssessment } from '../assess'
import type { Device } from '../job/job'
import {
  resolve,
  type Camera,
  type Catalogue,
  type JobSettings,
  type MountPart,
  type Surface,
} from '../parts'
import type { StepState } from '../procedure'
import { calledIn, partsOf, type Stack } from './assembly'
import { firstMisfit, type Misfit } from './fit'

/** A piece that sits round the cable, and which way round. */
export interface ShownPiece {
  readonly name: string
  readonly way: string
}

export interface ShownOpening {
  readonly name: string
  /** What closes it; null while nothing does, or by its own gasket. */
  readonly sealName: string | null
  readonly rating: string
  readonly holds: boolean
  /** It was there before: how it is by now nobody knows. */
  readonly old: boolean
  readonly weakest: boolean
}

/** A part as the assembly drawing shows it. */
export interface ShownPart {
  readonly ref: string
  readonly name: string
  readonly look: MountPart['kind'] | Camera['form']
  readonly baseMm: number
  readonly depthMm: number
  readonly reachMm: number
  readonly turns: 'same' | 'down'
  /** Its step in the log, from 1; null while no step puts it up. */
  readonly number: number | null
  readonly stepId: string | null
  /** What is out of reach once it is up: the steps that come before it for that. */
  readonly closes: readonly { readonly number: number; readonly title: string; readonly why: string }[]
  readonly openings: readonly ShownOpening[]
  /** Round the cable just before it, from the building outwards. */
  readonly pieces: readonly ShownPiece[]
}

export interface AssemblyView {
  readonly stack: Stack
  readonly facing: Surface['facing']
  readonly surfaceName: string
  readonly holding: Surface['holding']
  readonly parts: readonly ShownPart[]
  /** How the device goes together, in a sentence, and what is weakest of it. */
  readonly sentence: string
  readonly weakest: string
}

/**
 * One device as it goes together: its parts from the surface outwards with their steps, what each closes,
 * and the openings as they are sealed. Null when the catalogue lacks a part.
 */
export function assemblyView(
  job: JobSettings,
  device: Device,
  { stages, steps, name, mark }: Pick<DeviceAssessment, 'stages' | 'steps' | 'name' | 'mark'>,
  catalogue: Catalogue,
): AssemblyView | null {
  const context = resolve(device, job, catalogue)
  if ('missing' in context) return null
  const { surface } = context
  const misfit = firstMisfit(context)
  const seal = stages?.seal
  const chain = seal?.planned ? seal.result.drawing : null
  const numbered = new Map(steps.map(({ step }, i) => [step.id, i + 1]))
  const parts = partsOf(context).map(({ ref, part, on }, index): ShownPart => {
    const stays = index < context.partsKept
    const stepId = stays ? 'mount/kept-parts' : stepOf(ref, on === null)
    const openings = chain?.links.filter((link) => link.ref.startsWith(`${ref}/`)) ?? []
    return {
      ref,
      name: stays ? `${part.name}, stays` : part.name,
      look: 'form' in part ? part.form : part.kind,
      baseMm: part.baseMm,
      depthMm: part.depthMm,
      reachMm: 'reachMm' in part ? part.reachMm : part.depthMm,
      turns: 'turns' in part ? part.turns : 'same',
      number: numbered.get(stepId) ?? null,
      stepId: numbered.has(stepId) ? stepId : null,
      closes: heldBefore(steps, stepId),
      openings: openings.map(({ ref: opening, openingName, sealName, rating, holds, old }) => ({
        name: openingName,
        sealName,
        rating: old ? `${rating} when new` : rating,
        holds,
        old,
        weakest: opening === chain?.weakest,
      })),
      pieces: openings.flatMap(({ ref: opening }) => piecesOf(device, opening, catalogue)),
    }
  })
  return {
    stack: { mounts: context.mounts, camera: context.camera },
    facing: surface.facing,
    surfaceName: surface.name,
    holding: surface.holding,
    parts,
    sentence: `${mark} ${name} ${misfit ? apartFor(misfit) : togetherIn(steps, parts)}`,
    weakest: chain ? weakestOf(parts) : 'No opening is judged yet: plan its seals.',
  }
}

const apartFor = ({ part, needs, on, offers }: Misfit): string =>
  `does not go together: the ${calledIn(part)} needs a ${needs}; ` +
  `${on === 'the surface' ? on : `the ${calledIn(on)}`} offers a ${offers}.`

function weakestOf(parts: readonly ShownPart[]): string {
  for (const { name, openings } of parts) {
    const weakest = openings.find((opening) => opening.weakest)
    if (weakest) return `Weakest opening: ${weakest.name} of the ${calledIn(name)}, ${weakest.rating}.`
  }
  return 'No opening of it has to keep water out.'
}

const stepOf = (ref: string, isBase: boolean): string => {
  if (isBase) return 'mount/fix'
  return ref === 'camera' ? 'mount/camera' : `mount/join-${ref.slice('mount-'.length)}`
}

/** The steps that are out of reach after one, each with its number. */
const heldBefore = (steps: readonly StepState[], stepId: string): ShownPart['closes'] =>
  steps.flatMap(({ step }, i) =>
    step.because.flatMap(({ when, stepId: then, why, force }) =>
      when === 'before' && then === stepId && force === 'reach'
        ? [{ number: i + 1, title: step.title, why }]
        : [],
    ),
  )

function piecesOf(device: Device, opening: string, catalogue: Catalogue): readonly ShownPiece[] {
  const chosen = device.seal?.choices.find((choice) => choice.opening === opening)
  const seal = chosen?.sealId ? catalogue.seals.get(chosen.sealId) : undefined
  return seal?.pieces.map(({ name, way }) => ({ name, way })) ?? []
}

/** "goes together in 12 steps; the pendant hood waits for the large dome". */
function togetherIn(steps: readonly StepState[], parts: readonly ShownPart[]): string {
  const count = steps.filter(({ step }) => step.place === 'at the device').length
  if (count === 0) return 'is not planned yet: its parts are shown as chosen.'
  const outOfTurn = parts.find(
    (part, i) =>
      i > 0 && part.number !== null && parts[i - 1]!.number !== null && part.number < parts[i - 1]!.number!,
  )
  const support = outOfTurn && parts[parts.indexOf(outOfTurn) - 1]!
  const waits = support ? `; the ${calledIn(support.name)} waits for the ${calledIn(outOfTurn.name)}` : ''
  return `goes together in ${count} steps${waits}.`
}
