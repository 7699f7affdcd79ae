import { SPACES } from '../job/spaces'
import type { Job } from '../job/job'
import { neighboursOf, type Catalogue, type Conduit, type ConduitGrowth, type PullSpot } from '../parts'
import { conduitFor, filled, fillLimit, formOf, stillAmong, wantsExpansion, type Filled } from '../route'
import { nameOf } from '../plan'
import type { LedTo, Pathway } from './network'
import { waysOn, type CableWithPulls } from './led'

/** A conduit, duct or trunking on the plan with everything that is led through it. */
export interface ConduitUse {
  readonly pathwayIds: readonly string[]
  readonly name: string
  readonly marks: readonly string[]
  /** Cables that lie there too: those that did before, and such as a route alone says it of. */
  readonly others: number
  /** Null where its size is not known. */
  readonly conduit: Conduit | null
  readonly fill: Filled | null
  /** The fullest it may be, %. */
  readonly limitPercent: number
  /** Where it grows the most; null where nobody says how much, or where it does not matter. */
  readonly growth: (ConduitGrowth & { readonly growsMm: number }) | null
  /**
   * The smallest of the catalogue that takes them with ease and needs no fittings more, or with expansion
   * fittings where none does without; null where none does at all.
   */
  readonly fitting: Conduit | null
  readonly fittingExpands: boolean
}

/**
 * What lies in every conduit, duct and trunking that cables are led through: pathways of the same name are
 * one, as they are on a route. `cables` are those of the job.
 */
export function conduitsIn(
  job: Job,
  catalogue: Catalogue,
  cables: readonly CableWithPulls[],
): readonly ConduitUse[] {
  const { conduits } = catalogue
  const lying = neighboursOf(job, catalogue, waysOn(job, catalogue)).conduits
  const uses = new Map<string, { pathways: Map<string, Pathway>; in: Map<string, CableWithPulls> }>()
  for (const cable of cables) {
    const legs = 'way' in cable.found ? cable.found.way.legs : []
    for (const { pathway } of legs) {
      if (!SPACES[pathway.space].sized) continue
      const key = pathway.name || pathway.id
      const use = uses.get(key) ?? { pathways: new Map(), in: new Map() }
      use.pathways.set(pathway.id, pathway)
      use.in.set(cable.id, cable)
      uses.set(key, use)
    }
  }
  return [...uses].map(([key, use]) => {
    const growths = [...use.in.values()].flatMap((cable) =>
      cable.growths.filter(({ pathwayId }) => use.pathways.has(pathwayId)),
    )
    const mayBe = stillAmong(growths)
    const [first, ...others] = use.pathways.values()
    const form = SPACES[first!.space].sized!
    const sized = [first!, ...others].flatMap(({ conduitId, space }) => {
      const one = conduits.get(conduitId ?? '')
      return one && formOf(one) === SPACES[space].sized ? [one] : []
    })
    // Of one name and several sizes, the narrowest decides.
    const conduit = sized.sort((a, b) => a.boreAreaMm2 - b.boreAreaMm2)[0] ?? null
    const isKnown = sized.length === use.pathways.size
    const diameters = lying.get(key) ?? [...use.in.values()].map(({ cable }) => cable.diameterMm)
    const all = [...conduits.values()]
    const free = all.filter((one) => mayBe(key, one))
    const without = conduitFor(diameters, free, form)
    const fitting = without ?? conduitFor(diameters, all, form)
    return {
      pathwayIds: [...use.pathways.keys()],
      name: first!.name === '' ? SPACES[first!.space].name : nameOf(first!),
      marks: [...use.in.values()].map(({ mark }) => mark),
      others: diameters.length - use.in.size,
      conduit,
      // Where the size of a part of it is not known, nothing says that all of it is right.
      fill: conduit && (isKnown || !isRight(filled(diameters, conduit))) ? filled(diameters, conduit) : null,
      limitPercent: fillLimit(diameters.length, form).value,
      growth: most(growths),
      fitting,
      fittingExpands: fitting !== null && without === null,
    }
  })
}

const most = (growths: readonly ConduitGrowth[]): ConduitUse['growth'] =>
  growths.reduce<ConduitUse['growth']>((one, { growsMm, ...other }) => {
    if (growsMm === null || (one && one.growsMm >= growsMm)) return one
    return { ...other, growsMm }
  }, null)

/** Whether something of it is to be changed. */
export const isWanting = ({ fill, growth }: ConduitUse): boolean =>
  (fill !== null && !isRight(fill)) || (growth !== null && wantsExpansion(growth))

const isRight = ({ goesIn, jams }: Filled): boolean => goesIn && !jams

/** One pull through conduits and ducts, with every cable that is drawn in it. */
export interface ConduitPull {
  readonly pathwayIds: readonly string[]
  readonly through: readonly string[]
  readonly marks: readonly string[]
  readonly lengthM: number
  readonly bendsDeg: number
  /** Out of the better end: the pull on the cable that is nearest to what it stands, N. */
  readonly pullN: number
  readonly standsN: number
  /** In words. */
  readonly outTowards: string
  /** Where pull points are wanted; none where it is well, null where none help. */
  readonly pointsAt: readonly PullSpot[] | null
}

/** One cable in a pull, told from one of its two ends: the same for all that are in it. */
interface InPull {
  readonly mark: string
  readonly to: LedTo
  readonly standsN: number
  readonly pull: CableWithPulls['pulls'][number]
  /** The pull from the end that it is told from to the other, and back, N. */
  readonly outN: number
  readonly backN: number
  /** The only way that it goes, as a ready-made lead; null for either. */
  readonly only: 'outN' | 'backN' | null
  readonly pointsAt: readonly PullSpot[] | null
  /** Whether it is told from where it ends, not from its device. */
  readonly turned: boolean
}

/** Every pull through conduits and ducts, the longest first; cables of both directions are in one. */
export function conduitPulls(cables: readonly CableWithPulls[]): readonly ConduitPull[] {
  const groups = new Map<string, InPull[]>()
  for (const { mark, to, cable, pulls } of cables)
    for (const pull of pulls) {
      const { stretches } = pull.section
      const onward = JSON.stringify(stretches.map(({ lane, from, to }) => [lane.pathway.id, from, to]))
      const back = JSON.stringify(
        stretches.toReversed().map(({ lane, from, to }) => [lane.pathway.id, to, from]),
      )
      const turned = back < onward
      const key = turned ? back : onward
      const { toHeadEnd, toDevice } = pull.pullN
      const one = {
        ...{ mark, to, standsN: cable.pullN, pull, turned },
        outN: turned ? toDevice : toHeadEnd,
        backN: turned ? toHeadEnd : toDevice,
        only: pull.only === null ? null : onlyAs(pull.only, turned),
        pointsAt: turned ? fromOtherEnd(pull) : pull.pointsAt,
      }
      groups.set(key, [...(groups.get(key) ?? []), one])
    }
  return [...groups.values()].map(pullOf).sort((a, b) => b.lengthM - a.lengthM)
}

const onlyAs = (only: 'toDevice' | 'toHeadEnd', turned: boolean): 'outN' | 'backN' =>
  (only === 'toHeadEnd') === turned ? 'backN' : 'outN'

const fromOtherEnd = ({ pointsAt, lengthM }: InPull['pull']): InPull['pointsAt'] =>
  pointsAt?.map((spot) => ({ ...spot, alongM: lengthM - spot.alongM })).reverse() ?? null

function pullOf(group: readonly InPull[]): ConduitPull {
  const hardest = (way: 'outN' | 'backN') =>
    group.reduce((one, other) => (other[way] / other.standsN > one[way] / one.standsN ? other : one))
  const [out, back] = [hardest('outN'), hardest('backN')]
  const [outShare, backShare] = [out.outN / out.standsN, back.backN / back.standsN]
  const leads = new Set(group.flatMap(({ only }) => only ?? []))
  // Leads decide; where they go against each other, the harder of both ways is told.
  const goesBack = [...leads][0] === 'backN'
  const bothWays = leads.size > 1
  // Where both are alike, out towards the device.
  const isEasier = group[0]!.turned ? backShare < outShare : backShare <= outShare
  const isBack = leads.size === 1 ? goesBack : isEasier !== bothWays
  const worst = isBack ? back : out
  const { section, through, lengthM, bendsDeg } = worst.pull
  const most = group.reduce((one, { pointsAt }) => {
    if (one === null || pointsAt === null) return null
    return pointsAt.length > one.length ? pointsAt : one
  }, worst.pointsAt)
  return {
    pathwayIds: [...new Set(section.stretches.map(({ lane }) => lane.pathway.id))],
    through,
    marks: group.map(({ mark }) => mark),
    lengthM,
    bendsDeg,
    pullN: isBack ? worst.backN : worst.outN,
    standsN: worst.standsN,
    outTowards: bothWays ? 'both ends, each lead as it must go' : endOf(group, isBack),
    pointsAt: most,
  }
}

/** Which end of a pull is meant: the one that its cables are told from, or the other. */
function endOf(group: readonly InPull[], first: boolean): string {
  const atDevice = group.filter(({ turned }) => turned !== first)
  if (atDevice.length === group.length) return 'the devices'
  if (atDevice.length > 0) return `the device of ${atDevice.map(({ mark }) => mark).join(', ')}`
  return group.every(({ to }) => to === null) ? 'the head end' : 'what they end at'
}
