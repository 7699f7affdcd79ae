import { finding, type Figure, type Finding, type StageAssessment } from '../findings'
import { PASSAGES } from '../job/choices'
import type { Mount } from '../job/job'
import { IMPACT_J, type DeviceContext, type Fixing, type Holding } from '../parts'
import { imagerOf } from '../sight/projection'
import { quantity, text } from '../units'
import { printBit } from './bits'
import { smallestChange } from './change'
import { mountFacts, type MountFacts } from './facts'
import { MOUNT_LIMITS } from './limits'
import { bandLengthMm, sway } from './pole'
import { climb } from './reach'
import { basePart, firstMisfit, hasBox, stackMassKg, sumOf } from './stack'
import { nearestFixingMm } from './template'
import { sideAreaM2 } from './wind'

/** What the mount section draws; millimetres, newtons. */
export interface MountSection {
  readonly facing: 'wall' | 'down'
  readonly holding: Holding
  readonly surfaceName: string
  readonly parts: readonly { readonly name: string; readonly baseMm: number; readonly depthMm: number; readonly reachMm: number; readonly turns: 'same' | 'down'; readonly before: string | null }[]
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

/** A lamp pole of ordinary size: measure it. Common practice, no source. */
const USUAL_POLE: NonNullable<Mount['pole']> = { material: 'steel', diameterMm: 114.3, wallMm: 3.6, heightM: 6 }

const bandFits = ({ catalogue }: DeviceContext, { fixingId, pole }: Mount): boolean => {
  const band = catalogue.fixings.get(fixingId)?.bandMm
  return !band || !pole || (pole.diameterMm >= band[0] && pole.diameterMm <= band[1])
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
      edgeMm: null, slotMm: null, pole: surface.holding === 'pole' ? USUAL_POLE : null,
    }
  })
  return proposals.find((mount) => mountFacts(context, mount).used <= 1 && bandFits(context, mount)) ?? proposals[0]!
}

/** Everything `mount` has to say of one device from its record. */
export function assessMount(context: DeviceContext, mount: Mount): StageAssessment<MountSection> {
  const { surface, mounts, camera, device } = context
  const facts = mountFacts(context, mount)
  const used = Number.isFinite(facts.used) ? 100 * facts.used : null
  const heightM = device.sight?.heightM ?? 2.5
  const up = climb(heightM)
  const bent = mount.pole && swayOf(context, mount.pole, heightM)

  const stack = sumOf(context)
  const figures: Figure[] = [
    { label: 'Stands off the surface', reading: quantity(stack.offMm, 'size') },
    { label: 'To seal', reading: text(`${stack.gaskets} gasket${stack.gaskets === 1 ? '' : 's'} or edges, ${stack.threads} thread${stack.threads === 1 ? '' : 's'}, ${stack.entries} cable ${stack.entries === 1 ? 'entry' : 'entries'}`) },
    { label: 'Holes of its base', reading: text(`${stack.holes}, ${context.say(facts.spacingMm, 'size')} apart`) },
    { label: 'Hangs from the fixings', reading: quantity(stackMassKg(context), 'mass') },
    { label: `Carries at least (× ${MOUNT_LIMITS.loadFactor.value})`, reading: quantity(facts.loadN, 'force') },
    { label: facts.overturning ? 'Pull on each top fixing' : 'Pull on each fixing', reading: quantity(facts.pullN, 'force') },
    ...(facts.windN > 0 ? [{ label: `Wind, ${context.say(context.windMS, 'speed')}`, reading: quantity(facts.windN, 'force') }, { label: '· used up by weight and wind', reading: Number.isFinite(facts.usedByWind) ? quantity(100 * facts.usedByWind, 'share') : text('no hold') }] : []),
    ...(facts.shearN > 0 ? [{ label: 'Across each fixing', reading: quantity(facts.shearN, 'force') }] : []),
    { label: 'One fixing holds', reading: facts.capacityN > 0 ? quantity(facts.capacityN, 'force') : text('nothing') },
    ...(facts.pilotBit ? [{ label: 'Pilot bit', reading: text(facts.pilotBit) }] : []),
    ...(facts.fixingBit ? [{ label: 'Hole for the fixing', reading: text(facts.fixingBit) }] : []),
    { label: `Cable hole (${PASSAGES[mount.passage].toLowerCase()})`, reading: text(facts.cableBit) },
    ...(mount.pole && facts.fixing.bandMm ? [{ label: 'Band, each', reading: quantity(bandLengthMm(mount.pole.diameterMm), 'size') }] : []),
    ...(bent ? [{ label: `Shake in ${context.say(MOUNT_LIMITS.pictureWindMS.value, 'speed')} of wind`, reading: quantity(bent.shakePx, 'pixels') }, { label: '· sways by', reading: quantity(bent.deflectionM * 1000, 'size') }] : []),
    ...(camera.impact ? [{ label: 'Stands a blow of', reading: text(`${IMPACT_J[camera.impact]} J, ${camera.impact}`) }] : []),
    { label: 'Ladder, working length', reading: quantity(up.workingLengthM, 'length') },
    { label: 'Ladder foot out', reading: quantity(up.footM, 'length') },
    { label: 'Rails, when stepping off', reading: quantity(up.railsM, 'length') },
    { label: 'Extension ladder that reaches', reading: quantity(up.extensionM, 'length') },
  ]
  const findings = [
    misfitFinding(context),
    surfaceFinding(context, mount, facts.fixing),
    countFinding(facts.base.name, facts.base.fixing.atLeast, mount.fixingCount),
    loadFinding(context, mount, facts),
    windFinding(context, mount, facts),
    ...poleFindings(context, mount, bent),
    ...sheetFindings(context, mount),
    ...holeFindings(context, mount, facts),
    ...edgeFindings(context, mount, facts),
    ...reachFindings(context),
    impactFinding(context),
  ].filter((f) => f !== null)

  return {
    headline: used === null ? text('no hold') : quantity(used, 'share'),
    figures,
    findings,
    drawing: {
      facing: surface.facing, holding: surface.holding, surfaceName: surface.name,
      parts: [...mounts.map(({ name, baseMm, depthMm, reachMm, turns, before }) => ({ name, baseMm, depthMm, reachMm, turns, before })), { name: camera.name, baseMm: camera.baseMm, depthMm: camera.depthMm, reachMm: camera.depthMm, turns: 'same' as const, before: cameraNote(context) }],
      fixingName: facts.fixing.name, fixingCount: mount.fixingCount, spacingMm: facts.spacingMm,
      threadMm: facts.isScrew ? Math.min(mount.threadInWoodMm, facts.fixing.threadMm) : facts.fixing.threadMm, holeMm: facts.cableHoleMm,
      weightN: facts.weightN, pullN: facts.pullN, capacityN: facts.capacityN,
    },
  }
}

/** What must be minded before the camera itself is closed. Common practice, no source. */
function cameraNote({ camera, device }: DeviceContext): string | null {
  if (camera.form === 'dome') return 'The dome goes on after aiming, the outer film off last of all.'
  return camera.form === 'bullet' && device.sight?.portrait ? 'Sun shroud off before it is turned to portrait, on again after.' : null
}

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

function loadFinding(context: DeviceContext, mount: Mount, facts: MountFacts): Finding {
  const { say } = context
  const { fixing, isScrew, wood, overturning, usedByWeight } = facts
  const basis = mount.makersPullN !== null ? 'maker’s figure entered for this job' : isScrew ? `${fixing.name}, ${say(Math.min(mount.threadInWoodMm, fixing.threadMm), 'size')} of thread in ${wood.name.toLowerCase()}${facts.wet ? ', wet' : ''}` : fixing.basis.toLowerCase()
  const source = mount.makersPullN !== null ? 'job' : fixing.source
  const how = overturning ? 'The weight × 4 pulls the top fixings out of the wall.' : 'The weight × 4 is shared by the fixings.'
  const common = { figure: quantity(facts.pullN, 'force'), limit: quantity(facts.capacityN, 'force'), source } as const
  if (usedByWeight <= 1) return finding('mount', 'load', { ...common, verdict: 'good', title: 'The fixing holds four times the weight', reason: `${how} Basis: ${basis}. Pull and shear use up ${Math.round(100 * usedByWeight)} %.` })
  return finding('mount', 'load', {
    ...common, verdict: 'stop', title: 'The fixing is too weak for four times the weight',
    reason: `${how} ${firstToFail(facts)} first${facts.shearN > 0 && facts.pullN <= facts.capacityN ? `: pull and ${say(facts.shearN, 'force')} across it together use up ${Math.round(100 * usedByWeight)} %` : ''}. Basis: ${basis}.`, advice: smallestChange(context, mount),
  })
}

/** Which fixing gives way first, in words. */
function firstToFail({ overturning, topFixings }: MountFacts): string {
  return overturning ? (topFixings === 1 ? 'The top one fails' : `The ${topFixings} top ones fail`) : 'All fail alike, any one'
}

function windFinding(context: DeviceContext, mount: Mount, facts: MountFacts): Finding | null {
  if (facts.windN === 0 || facts.usedByWind <= 1 || facts.usedByWeight > 1) return null
  return finding('mount', 'wind', {
    verdict: 'stop', title: 'The wind is too strong for the fixing', figure: quantity(facts.blown.pullN, 'force'), limit: quantity(facts.blown.capacityN, 'force'),
    reason: `${context.say(context.windMS, 'speed')} pushes with ${context.say(facts.windN, 'force')}; ${MOUNT_LIMITS.windAllowable.value} % of it and the weight pull the worst fixing. ${firstToFail(facts)} first.`, source: 'asce-7', advice: smallestChange(context, mount),
  })
}

/** Sway of a pole where the camera hangs, and the shake of its picture in pixels at the lens in use. */
function swayOf({ mounts, camera, device }: DeviceContext, pole: NonNullable<Mount['pole']>, heightM: number) {
  const bent = sway(pole, heightM, sideAreaM2(mounts, camera))
  const imager = imagerOf(camera, device.sight?.focalMm ?? camera.lens.focalMm[0], device.sight?.portrait ?? false)
  return { ...bent, shakePx: bent.slopeRad * Math.max(imager.focalPxX, imager.focalPxY) }
}

function poleFindings({ surface, say, catalogue, camera, device }: DeviceContext, { pole, fixingId }: Mount, bent: ReturnType<typeof swayOf> | null): Finding[] {
  if (surface.holding !== 'pole') return []
  if (!pole) return [finding('mount', 'pole', { verdict: 'check', title: 'The pole is not measured', figure: text('unknown'), limit: text('diameter, wall, height'), reason: 'Bands and sway hang on it.', source: 'practice', advice: 'Measure round it with a tape and divide by 3.14.' })]
  const findings: Finding[] = []
  const band = catalogue.fixings.get(fixingId)?.bandMm
  if (band && (pole.diameterMm < band[0] || pole.diameterMm > band[1])) {
    const other = [...catalogue.fixings.values()].find(({ bandMm }) => bandMm && pole.diameterMm >= bandMm[0] && pole.diameterMm <= bandMm[1])
    findings.push(finding('mount', 'band', {
      verdict: 'stop', title: 'The band does not go round this pole', figure: quantity(pole.diameterMm, 'size'), limit: text(`${say(band[0], 'size')} to ${say(band[1], 'size')}`), reason: 'A band outside its range slips or does not close.', source: 'catalogue',
      advice: other ? `Take ${other.name}.` : 'Bolt through the pole, or join two bands as their maker allows.',
    }))
  }
  const { shakePx, pictureWindMS } = MOUNT_LIMITS
  if (bent && bent.shakePx > shakePx.value) {
    const [shortest] = camera.lens.focalMm
    const calm = ((device.sight?.focalMm ?? shortest) * shakePx.value) / bent.shakePx
    findings.push(finding('mount', 'shake', {
      verdict: 'check', title: 'The picture shakes with the pole', figure: quantity(bent.shakePx, 'pixels'), limit: quantity(shakePx.value, 'pixels'),
      reason: `In ${say(pictureWindMS.value, 'speed')} of wind the pole leans by ${((bent.slopeRad * 180) / Math.PI).toFixed(3)}° where the camera hangs; a long lens shows it.`, source: shakePx.source,
      advice: `${calm >= shortest ? `At ${say(calm, 'focal')} it stays within the limit; otherwise` : 'Even its shortest lens shows it:'} hang it lower, on a stiffer pole, or take a camera that steadies its picture.`,
    }))
  }
  return findings
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

function holeFindings({ say, device, cable, units }: DeviceContext, mount: Mount, facts: MountFacts): Finding[] {
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

/** Edges, slots, and what is left between the cable hole and the nearest fixing. */
function edgeFindings({ surface, say }: DeviceContext, mount: Mount, facts: MountFacts): Finding[] {
  const findings: Finding[] = []
  const { edgeWood, edgeMasonry, holeToFixing, holeToSlotMm } = MOUNT_LIMITS
  const rule = surface.holding === 'wood' ? { limit: edgeWood, of: facts.fixing.diameterMm } : surface.holding === 'masonry' || surface.holding === 'hollow masonry' ? { limit: edgeMasonry, of: facts.fixing.holeMm ?? facts.fixing.diameterMm } : null
  if (rule && mount.edgeMm !== null && mount.edgeMm < rule.limit.value * rule.of) {
    const leastMm = rule.limit.value * rule.of
    findings.push(finding('mount', 'edge', {
      verdict: 'stop', title: 'A fixing stands too near the edge', figure: quantity(mount.edgeMm, 'size'), limit: quantity(leastMm, 'size'), reason: `${rule.limit.value} times ${say(rule.of, 'size')}: nearer, the ${surface.holding === 'wood' ? 'wood splits' : 'edge breaks out'}.`,
      source: rule.limit.source, advice: `Move it ${say(leastMm - mount.edgeMm, 'size')} away from the edge or joint.`,
    }))
  }
  if (mount.slotMm !== null && surface.holding !== 'pole' && surface.holding !== 'box') {
    const leastMm = facts.cableHoleMm / 2 + holeToSlotMm.value
    if (mount.slotMm < leastMm) {
      findings.push(finding('mount', 'slot', {
        verdict: 'stop', title: 'The cable hole runs into a slot, joist or joint', figure: quantity(mount.slotMm, 'size'), limit: quantity(leastMm, 'size'), reason: `The hole is ${say(facts.cableHoleMm, 'size')} across and wants ${say(holeToSlotMm.value, 'size')} of material round it.`,
        source: holeToSlotMm.source, advice: `Turn or shift the base by ${say(leastMm - mount.slotMm, 'size')}, or let less pass the hole.`,
      }))
    }
  }
  const nearMm = nearestFixingMm(facts.base.fixing.holes, facts.base.fixing.spacingMm)
  if (surface.holding !== 'pole' && surface.holding !== 'box' && surface.holding !== 'tile' && nearMm !== null) {
    const leftMm = nearMm - facts.cableHoleMm / 2 - facts.fixing.diameterMm / 2
    const leastMm = holeToFixing.value * facts.fixing.diameterMm
    if (leftMm < leastMm) {
      findings.push(finding('mount', 'hole-fixing', {
        verdict: 'check', title: 'The cable hole leaves little for a fixing', figure: quantity(Math.max(0, leftMm), 'size'), limit: quantity(leastMm, 'size'), reason: `Between a ${say(facts.cableHoleMm, 'size')} hole in the middle and the nearest fixing.`,
        source: holeToFixing.source, advice: `Let less pass the hole, drill it off the middle where the base allows, or take a larger base.`,
      }))
    }
  }
  return findings
}

function reachFindings(context: DeviceContext): Finding[] {
  const { device, say, mounts, camera } = context
  const findings: Finding[] = []
  const heightM = device.sight?.heightM
  const { ladderM, overheadKg, ladderWindMS } = MOUNT_LIMITS
  if (heightM !== undefined && heightM > ladderM.value) {
    findings.push(finding('mount', 'ladder', {
      verdict: 'check', title: 'High for a ladder', figure: quantity(heightM, 'length'), limit: quantity(ladderM.value, 'length'), reason: `Two-handed work this high wants a platform; nobody works from a ladder above ${say(ladderWindMS.value, 'speed')} of wind.`, source: ladderM.source, advice: `Bring a tower or lift to ${say(heightM, 'length')}; local rules decide.`,
    }))
  }
  const massKg = stackMassKg({ mounts, camera })
  if (massKg > overheadKg.value) {
    findings.push(finding('mount', 'two-people', {
      verdict: 'check', title: 'Too heavy for one above the head', figure: quantity(massKg, 'mass'), limit: quantity(overheadKg.value, 'mass'), reason: 'Everything that goes up, held at arm’s length while it is fixed.', source: overheadKg.source, advice: 'Two people, or hoist it in parts: mount first, then the camera.',
    }))
  }
  return findings
}

function impactFinding({ device, camera, exposure, say }: DeviceContext): Finding | null {
  const heightM = device.sight?.heightM
  const { impactHeightM, impactJ } = MOUNT_LIMITS
  if (heightM === undefined || heightM >= impactHeightM.value || !exposure.outdoors) return null
  const stands = camera.impact === null ? 0 : IMPACT_J[camera.impact]
  if (stands >= impactJ.value) return null
  return finding('mount', 'impact', {
    verdict: 'check', title: 'Within reach, and not made for blows', figure: camera.impact === null ? text('no class') : text(`${stands} J, ${camera.impact}`), limit: quantity(impactJ.value, 'energy'), reason: `At ${say(heightM, 'length')} it can be struck or turned.`, source: 'iec-62262',
    advice: `Hang it above ${say(impactHeightM.value, 'length')}, or take one of class IK08 or better.`,
  })
}
