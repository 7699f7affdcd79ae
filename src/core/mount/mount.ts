import { finding, type Figure, type Finding, type StageAssessment } from '../findings'
import { PASSAGES, type PassageId } from '../job/choices'
import type { Mount } from '../job/job'
import { remembered, type DeviceContext, type Fixing, type Holding } from '../parts'
import { quantity, text } from '../units'
import { bitMm, printBit } from './bits'
import { ladder, pilotMm, pullCapacityN } from './hold'
import { MOUNT_LIMITS } from './limits'
import { basePart, firstMisfit, hasBox, leverM, stackMassKg } from './stack'

/** What the mount section draws; millimetres, newtons. */
export interface MountSection {
  readonly facing: 'wall' | 'down'
  readonly holding: Holding
  readonly surfaceName: string
  readonly parts: readonly { readonly name: string; readonly baseMm: number; readonly depthMm: number; readonly reachMm: number; readonly turns: 'same' | 'down' }[]
  readonly fixingName: string
  readonly fixingCount: number
  readonly spacingMm: number
  readonly threadMm: number
  readonly holeMm: number
  readonly weightN: number
  readonly pullN: number
  readonly capacityN: number
}

const USUAL_FIXING: Record<Holding, string> = {
  'wood': 'screw-8', 'masonry': 'plug-6', 'hollow masonry': 'sleeve-hollow', 'steel sheet': 'self-drill', 'soft sheet': 'toggle-board',
  'tile': 'tile-bolt', 'pole': 'pole-band', 'box': 'box-screw',
}

/** Start values: the usual fixing for the surface, as many as the part asks for; a stronger one where that is too weak. */
export function proposeMount(context: DeviceContext): Mount {
  const { surface, camera, catalogue } = context
  const usual = catalogue.fixings.get(USUAL_FIXING[surface.holding])
  const candidates = [usual, ...[...catalogue.fixings.values()].filter(({ holdsIn }) => holdsIn.includes(surface.holding))].filter((fixing) => fixing !== undefined)
  const proposals = candidates.map((fixing): Mount => {
    const inWood = fixing.kind === 'wood screw' || fixing.kind === 'lag screw'
    return {
      fixingId: fixing.id, fixingCount: Math.max(1, basePart(context).fixing.atLeast), woodId: inWood ? 'spruce-pine-fir' : null, threadInWoodMm: inWood ? fixing.threadMm : 0, makersPullN: null,
      passage: camera.connection === 'network tail' && !hasBox(context) ? 'coupler' : 'bare cable', tethered: false, backed: false,
    }
  })
  const holds = proposals.find((mount) => {
    const { pullN, capacityN } = mountFacts(context, mount)
    return pullN <= capacityN
  })
  return holds ?? proposals[0]!
}

/** Clear hole that a passage needs, millimetres. */
export function passageMm(passage: PassageId, cableDiameterMm: number): number {
  const { cableClearanceMm, plugHoleMm, couplerHoleMm, tailHoleMm } = MOUNT_LIMITS
  if (passage === 'bare cable') return cableDiameterMm + cableClearanceMm.value
  return { 'plug': plugHoleMm, 'coupler': couplerHoleMm, 'tail and plugs': tailHoleMm }[passage].value
}

/** Fixing, wood, and the numbers that mount findings, steps and lists share. */
export const mountFacts = remembered((context, mount: Mount) => {
  const { catalogue, surface, device, cable, units } = context
  const fixing = catalogue.fixings.get(mount.fixingId)!
  const isScrew = fixing.kind === 'wood screw' || fixing.kind === 'lag screw'
  const woods = [...catalogue.woods.values()]
  const weakest = woods.reduce((a, b) => (b.specificGravity < a.specificGravity ? b : a))
  const wood = mount.woodId === null ? weakest : catalogue.woods.get(mount.woodId)!
  const wet = device.exposure === 'open weather' || device.exposure === 'marine' || device.exposure === 'buried or flooding'
  const weightN = stackMassKg(context) * MOUNT_LIMITS.gravityMS2.value
  const loadN = weightN * MOUNT_LIMITS.loadFactor.value
  const base = basePart(context)
  const spacingMm = Math.max(20, base.fixing.spacingMm)
  const topFixings = Math.max(1, Math.floor(mount.fixingCount / 2))
  const overturning = surface.facing === 'wall'
  const pullN = overturning ? (loadN * leverM(context)) / ((spacingMm / 1000) * topFixings) : loadN / mount.fixingCount
  const capacityN = pullCapacityN(fixing, wood.specificGravity, mount.threadInWoodMm, wet, mount.makersPullN)
  const pilot = isScrew ? pilotMm(fixing, wood.specificGravity) : null
  const passMm = passageMm(mount.passage, cable.diameterMm)
  return {
    fixing, wood, isScrew, wet, weightN, loadN, base, spacingMm, overturning, pullN, capacityN, pilotMm: pilot,
    pilotBit: pilot === null ? null : printBit(pilot, 'pilot', units), passMm, cableHoleMm: bitMm(passMm, 'clear', units), cableBit: printBit(passMm, 'clear', units),
    fixingBit: fixing.holeMm === null || fixing.holeMm === 0 ? null : printBit(fixing.holeMm, 'clear', units),
  }
})

/** Everything `mount` has to say of one device from its record. */
export function assessMount(context: DeviceContext, mount: Mount): StageAssessment<MountSection> {
  const { surface, mounts, camera, device } = context
  const facts = mountFacts(context, mount)
  const used = facts.capacityN > 0 ? (100 * facts.pullN) / facts.capacityN : null
  const climb = ladder(device.sight?.heightM ?? 2.5)

  const figures: Figure[] = [
    { label: 'Hangs from the fixings', reading: quantity(stackMassKg(context), 'mass') },
    { label: `Carries at least (× ${MOUNT_LIMITS.loadFactor.value})`, reading: quantity(facts.loadN, 'force') },
    { label: facts.overturning ? 'Pull on each top fixing' : 'Pull on each fixing', reading: quantity(facts.pullN, 'force') },
    { label: 'One fixing holds', reading: facts.capacityN > 0 ? quantity(facts.capacityN, 'force') : text('nothing') },
    ...(facts.pilotBit ? [{ label: 'Pilot bit', reading: text(facts.pilotBit) }] : []),
    ...(facts.fixingBit ? [{ label: 'Hole for the fixing', reading: text(facts.fixingBit) }] : []),
    { label: `Cable hole (${PASSAGES[mount.passage].toLowerCase()})`, reading: text(facts.cableBit) },
    { label: 'Ladder, working length', reading: quantity(climb.workingLengthM, 'length') },
    { label: 'Ladder foot out', reading: quantity(climb.footM, 'length') },
  ]
  const findings = [
    misfitFinding(context),
    surfaceFinding(context, mount, facts.fixing),
    countFinding(facts.base.name, facts.base.fixing.atLeast, mount.fixingCount),
    loadFinding(context, mount, facts, used),
    ...sheetFindings(context, mount),
    ...holeFindings(context, mount, facts),
    heightFinding(context),
  ].filter((f) => f !== null)

  return {
    headline: used === null ? text('no hold') : quantity(used, 'share'),
    figures,
    findings,
    drawing: {
      facing: surface.facing, holding: surface.holding, surfaceName: surface.name,
      parts: [...mounts.map(({ name, baseMm, depthMm, reachMm, turns }) => ({ name, baseMm, depthMm, reachMm, turns })), { name: camera.name, baseMm: camera.baseMm, depthMm: camera.depthMm, reachMm: camera.depthMm, turns: 'same' as const }],
      fixingName: facts.fixing.name, fixingCount: mount.fixingCount, spacingMm: facts.spacingMm,
      threadMm: facts.isScrew ? Math.min(mount.threadInWoodMm, facts.fixing.threadMm) : facts.fixing.threadMm, holeMm: facts.cableHoleMm,
      weightN: facts.weightN, pullN: facts.pullN, capacityN: facts.capacityN,
    },
  }
}

type Facts = ReturnType<typeof mountFacts>

function misfitFinding({ mounts, camera }: DeviceContext): Finding | null {
  const misfit = firstMisfit(mounts, camera)
  return misfit && finding('mount', 'stack', {
    verdict: 'stop', title: 'The stack does not fit together', figure: text(misfit.offers), limit: text(misfit.needs), reason: `${misfit.part} needs a ${misfit.needs}; ${misfit.on} offers a ${misfit.offers}.`,
    source: 'catalogue', advice: `Put a part between that offers a ${misfit.needs}, or take another one.`,
  })
}

function surfaceFinding({ surface }: DeviceContext, mount: Mount, fixing: Fixing): Finding | null {
  const backed = mount.backed && (surface.holding === 'soft sheet' || surface.holding === 'steel sheet') && fixing.holdsIn.includes('wood')
  if (fixing.holdsIn.includes(surface.holding) || backed) return null
  return finding('mount', 'fixing', {
    verdict: 'stop', title: 'This fixing does not hold here', figure: text(fixing.name), limit: text(surface.holding), reason: `It is made for ${fixing.holdsIn.join(' or ')}; ${surface.name.toLowerCase()} is ${surface.holding}.`,
    source: 'practice', advice: `Take a fixing for ${surface.holding}${surface.holding === 'soft sheet' ? ', or put a backing board behind and screw into that' : ''}.`,
  })
}

function countFinding(baseName: string, atLeast: number, count: number): Finding | null {
  if (count >= atLeast) return null
  return finding('mount', 'count', {
    verdict: 'stop', title: 'Too few fixings', figure: quantity(count, 'count'), limit: quantity(atLeast, 'count'), reason: `${baseName} asks for at least ${atLeast}.`, source: 'catalogue', advice: `Use ${atLeast}.`,
  })
}

function loadFinding({ say }: DeviceContext, mount: Mount, facts: Facts, used: number | null): Finding {
  const { fixing, isScrew, wood, overturning } = facts
  const basis = mount.makersPullN !== null ? 'maker’s figure entered for this job' : isScrew ? `${fixing.name}, ${say(Math.min(mount.threadInWoodMm, fixing.threadMm), 'size')} of thread in ${wood.name.toLowerCase()}${facts.wet ? ', wet' : ''}` : fixing.basis.toLowerCase()
  const source = mount.makersPullN !== null ? 'job' : fixing.source
  const how = overturning ? 'The weight × 4 pulls the top fixings out of the wall.' : 'The weight × 4 is shared by the fixings.'
  const common = { figure: quantity(facts.pullN, 'force'), limit: quantity(facts.capacityN, 'force'), source } as const
  if (used !== null && used <= 100) return finding('mount', 'load', { ...common, verdict: 'good', title: 'The fixing holds four times the weight', reason: `${how} Basis: ${basis}.` })
  const need = Math.ceil((mount.fixingCount * facts.pullN) / Math.max(facts.capacityN, 1e-9))
  const more = facts.capacityN > 0 && need <= 24 ? `Use ${overturning ? 2 * Math.ceil(need / 2) : need} of them, or` : 'Take'
  return finding('mount', 'load', {
    ...common, verdict: 'stop', title: 'The fixing is too weak for four times the weight', reason: `${how} Basis: ${basis}.`,
    advice: `${more} a stronger fixing${isScrew ? ', or more thread in solid wood' : ''}.`,
  })
}

function sheetFindings({ surface, mounts, say, camera }: DeviceContext, mount: Mount): Finding[] {
  if (surface.holding === 'tile') {
    const plate = mounts.some(({ id }) => id === 'tile-spread-plate' || id === 'in-ceiling-kit')
    if (mount.tethered && plate) return []
    const lacks = [plate ? null : 'spread plate', mount.tethered ? null : 'tether'].filter((word) => word !== null).join(' and ')
    return [finding('mount', 'tile', {
      verdict: 'stop', title: 'A ceiling tile carries the camera alone', figure: text(`no ${lacks}`), limit: text('plate and tether'), reason: surface.watch, source: 'practice',
      advice: `Add the ${lacks}: tie ${say(stackMassKg({ mounts, camera }), 'mass')} to the structure above.`,
    })]
  }
  if (surface.holding === 'soft sheet' && !mount.backed) {
    return [finding('mount', 'backing', { verdict: 'stop', title: 'Nothing solid behind the sheet', figure: text('no backing'), limit: text('board or joist'), reason: surface.watch, source: 'practice', advice: 'Put a backing board or reach the joist, then mark it here.' })]
  }
  return []
}

function holeFindings({ say, device, cable, units }: DeviceContext, mount: Mount, facts: Facts): Finding[] {
  const findings: Finding[] = []
  const { coverMm } = MOUNT_LIMITS
  const needMm = facts.cableHoleMm + 2 * coverMm.value
  if (needMm > facts.base.baseMm) {
    findings.push(finding('mount', 'hole-cover', {
      verdict: 'stop', title: 'The base does not cover the cable hole', figure: quantity(facts.cableHoleMm, 'size'), limit: quantity(Math.max(0, facts.base.baseMm - 2 * coverMm.value), 'size'),
      reason: `${facts.base.name} is ${say(facts.base.baseMm, 'size')} across and must cover the hole by ${say(coverMm.value, 'size')} all round.`, source: coverMm.source,
      advice: 'Let less pass the hole, or take a larger base.',
    }))
  }
  if (device.route?.leadLengthM != null && mount.passage === 'bare cable') {
    findings.push(finding('mount', 'lead-plug', {
      verdict: 'stop', title: 'The lead’s plug does not pass the hole', figure: quantity(facts.cableHoleMm, 'size'), limit: quantity(MOUNT_LIMITS.plugHoleMm.value, 'size'),
      reason: `A ready-made lead has its plug on; the hole is for ${say(cable.diameterMm, 'size')} of cable.`, source: MOUNT_LIMITS.plugHoleMm.source, advice: `Drill ${printBit(MOUNT_LIMITS.plugHoleMm.value, 'clear', units)}.`,
    }))
  }
  if (facts.isScrew && mount.woodId === null) {
    findings.push(finding('mount', 'wood', {
      verdict: 'check', title: 'The wood is not named', figure: text('unknown'), limit: text('named'), reason: `Reckoned as ${facts.wood.name.toLowerCase()}, the weakest in the table.`, source: 'nds', advice: 'Name the wood, or leave it so to be on the safe side.',
    }))
  }
  return findings
}

function heightFinding({ device, say }: DeviceContext): Finding | null {
  const heightM = device.sight?.heightM
  const { ladderM } = MOUNT_LIMITS
  if (heightM === undefined || heightM <= ladderM.value) return null
  return finding('mount', 'ladder', {
    verdict: 'check', title: 'High for a ladder', figure: quantity(heightM, 'length'), limit: quantity(ladderM.value, 'length'), reason: 'Two-handed work this high wants a platform.', source: ladderM.source, advice: `Bring a tower or lift to ${say(heightM, 'length')}; local rules decide.`,
  })
}
