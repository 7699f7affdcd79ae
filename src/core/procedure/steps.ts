import { SPACES } from '../job/choices'
import { climb, mountFacts, MOUNT_LIMITS } from '../mount'
import type { DeviceContext } from '../parts'
import { assessPower } from '../power'
import { installedM, lengthItems, ROUTE_LIMITS, runLengths } from '../route'
import { closedOpenings, greased, needsPart, SEAL_LIMITS } from '../seal'
import { loopLeastOhm, loopLimitOhm, PINS, threadOnOrder } from '../terminate'
import { PROCEDURE_LIMITS } from './limits'
import type { Step, StepEntry } from './step'

const DONE: StepEntry = { kind: 'done' }
const measure = (
  quantity: Extract<StepEntry, { kind: 'measure' }>['quantity'],
  label: string,
  least: number | null,
  most: number | null,
): StepEntry => ({ kind: 'measure', quantity, label, least, most })
const choice = (good: string, ...others: string[]): StepEntry => ({
  kind: 'choice',
  options: [good, ...others],
  good: [good],
})

type Draft = Pick<Step, 'id' | 'title' | 'reason'> & Partial<Omit<Step, 'id' | 'stage'>>

function step(draft: Draft): Step {
  const place = draft.id.slice(0, draft.id.indexOf('/'))
  const stage = place === 'bench' ? null : (place as Step['stage'])
  return { detail: '', items: [], caution: null, hold: null, entry: DONE, photo: null, ...draft, stage }
}

/**
 * The ordered steps of one device, from what is planned: cable first, everything threaded before the plug,
 * seals looked at before closing, the outer film off last. Stages without a plan bring no steps.
 */
export function stepsOf(context: DeviceContext): Step[] {
  const { device } = context
  if (!device.sight && !device.mount && !device.route && !device.terminate && !device.seal && !device.power)
    return []
  return [
    ...unpacking(context),
    ...marking(context),
    ...drilling(context),
    ...pulling(context),
    ...makingEnds(context),
    ...fixing(context),
    ...sealing(context),
    ...powering(context),
    ...aiming(context),
    ...closing(context),
    ...proving(context),
  ]
}

function unpacking({ camera, device, accessories }: DeviceContext): Step[] {
  return [
    step({
      id: 'bench/unpack',
      title: `Unpack and look over the ${camera.name}`,
      items: [...camera.notes, ...accessories.map(({ name }) => `${name} is here`)],
      detail: 'Check for transit damage; loose screws and covers go into the tray.',
      reason: 'A fault found on the bench costs minutes, on the ladder an hour.',
      photo: 'asked',
    }),
    ...(device.power && camera.power.poe
      ? [
          step({
            id: 'bench/power-up',
            title: 'Power it on the bench and give it its address',
            detail: 'Replace the default password now. Never photograph pairing codes.',
            reason: 'Its name and address are easier to set here than up there.',
            entry: choice('picture and address', 'picture only', 'dead'),
          }),
        ]
      : []),
  ]
}

function marking({ device, facing, say, surface, mounts, camera }: DeviceContext): Step[] {
  const { sight } = device
  if (!sight) return []
  const up = climb(sight.heightM)
  const massKg = mounts.reduce((sum, part) => sum + part.massKg, camera.massKg)
  const { ladderWindMS, overheadKg } = MOUNT_LIMITS
  const give = (sight.heightM * PROCEDURE_LIMITS.heightTolerance.value) / 100
  const moved = !sight.wish.kept
  return [
    step({
      id: 'sight/place',
      title: moved ? 'Hold it at the agreed place' : 'Hold it at the customer’s place',
      detail: moved
        ? `Asked for: ${sight.wish.place}. Moved: ${sight.wish.reason}. Agreed by ${sight.wish.agreedBy || 'nobody yet'}.`
        : sight.wish.place,
      reason: 'A camera moved to suit the cable is a classic complaint.',
      entry: choice('as planned', 'moved'),
      photo: 'asked',
    }),
    step({
      id: 'mount/reach',
      title: up.tower
        ? `Set up the tower or lift for ${say(sight.heightM, 'length')}`
        : `Set the ladder: foot ${say(up.footM, 'length')} out`,
      detail: `${up.tower ? 'Too high for two-handed work from a ladder.' : `Working length ${say(up.workingLengthM, 'length')} along the ladder to the top support${up.extensionM === null ? '' : `; an extension ladder of ${say(up.extensionM, 'length')} reaches`}.`} Not above ${say(ladderWindMS.value, 'speed')} of wind.${massKg > overheadKg.value ? ` Two people: ${say(massKg, 'mass')} goes up.` : ''}`,
      reason: 'One out for four up; rails stand 0.9 m (3 ft) above a landing.',
      caution: surface.caution,
    }),
    step({
      id: 'sight/height',
      title: 'Measure the height of the lens',
      detail: `Planned ${say(sight.heightM, 'length')} above the ground${facing === 'down' ? ', under the soffit or ceiling' : ''}.`,
      reason: 'Dead zone, face angle and density all hang on it.',
      entry: measure('length', 'Height of the lens', sight.heightM - give, sight.heightM + give),
    }),
  ]
}

function drilling(context: DeviceContext): Step[] {
  const { device, surface } = context
  if (!device.mount) return []
  const facts = mountFacts(context, device.mount)
  const count = device.mount.fixingCount
  const bit = facts.pilotBit ?? facts.fixingBit
  return [
    ...(bit
      ? [
          step({
            id: 'mount/pilot',
            title: `Drill ${count} ${facts.pilotBit ? 'pilots' : 'holes'}, ${bit}`,
            detail: `${surface.watch} Template level, marked, then drilled.`,
            reason: facts.pilotBit
              ? 'A pilot keeps the wood from splitting and the screw straight.'
              : 'The anchor grips only in its own size of hole.',
            caution: surface.caution,
          }),
        ]
      : []),
    step({
      id: 'mount/cable-hole',
      title: `Drill the cable hole, ${facts.cableBit}`,
      detail: 'Pilot through first, then from small to large; look at the far side.',
      reason: `${device.mount.passage === 'bare cable' ? 'The bare cable' : `The ${device.mount.passage}`} must pass, and the base must cover it.`,
      caution: surface.caution,
    }),
  ]
}

function pulling(context: DeviceContext): Step[] {
  const { device, say, cable } = context
  if (!device.route) return []
  const run = runLengths(context, device.route)
  const spaces = [...new Set(device.route.segments.map(({ space }) => space))]
  const lead = device.route.leadLengthM
  const target = lead ?? installedM(lengthItems(context, device.route))
  const give = (target * ROUTE_LIMITS.lengthTolerance.value) / 100
  return [
    step({
      id: 'route/pull',
      title:
        lead === null
          ? `Cut ${say(run.cutM, 'cut')} of ${cable.name} and pull it`
          : `Lead the ready-made cable through`,
      items: device.route.segments.map(
        (segment) =>
          `${SPACES[segment.space].name}, ${say(segment.lengthM + Math.abs(segment.riseM), 'length')}`,
      ),
      detail: `Mark both ends ${device.mark} before you pull. Pull no harder than ${say(cable.pullN, 'force')}; bend no tighter than ${say(cable.diameterMm * cable.bendTimes, 'size')}.`,
      reason: 'Two unmarked ends at the head end cost a ladder trip.',
      caution: spaces.map((space) => SPACES[space].caution).join(' '),
      photo: 'asked',
    }),
    ...(lead === null
      ? [
          step({
            id: 'route/length',
            title: 'Read the length off the jacket marks',
            detail: `Planned ${say(target, 'length')} installed, slack included. Cut off the first scuffed length.`,
            reason: 'The record of the run, and a check on the label.',
            entry: measure('length', 'Installed length', target - give, target + give),
          }),
        ]
      : []),
    ...(context.exposure.outdoors
      ? [
          step({
            id: 'route/drip-loop',
            title: 'Leave the drip loop and the slack',
            detail: `${say(context.allowances.dripLoopM, 'length')} below the entry, ${say(context.allowances.deviceSlackM, 'length')} of slack at the device.`,
            reason: 'Water follows the cable; the loop lets it drip off.',
          }),
        ]
      : []),
  ]
}

type Range = readonly [number, number]

/**
 * What both the seal and the plug hold, mm; what the seal holds where no cable suits both, or the plug
 * grips the coax alone.
 */
function gripped(clampMm: Range, jacketMm: Range | null): Range {
  const both: Range = [
    Math.max(clampMm[0], jacketMm?.[0] ?? 0),
    Math.min(clampMm[1], jacketMm?.[1] ?? Infinity),
  ]
  return both[0] < both[1] ? both : clampMm
}

function makingEnds(context: DeviceContext): Step[] {
  const { device, catalogue, cable, policies, accessories } = context
  if (!device.terminate) return []
  const camera = catalogue.connectors.get(device.terminate.cameraEndId)!
  const threadOn = device.seal ? threadOnOrder(context, device.seal, camera) : []
  const pair = cable.kind === 'pair'
  const finished = camera.boot === 'moulded' || camera.kind === 'fibre'
  const run = runLengths(context, device.route)
  const steps: Step[] = []
  const grip = device.seal
    ? closedOpenings(context, device.seal).find(({ seal, opening }) => seal?.clampMm && needsPart(opening))
        ?.seal
    : null
  if (grip?.clampMm) {
    const [least, most] = gripped(grip.clampMm, cable.fittingMm === cable.diameterMm ? camera.jacketMm : null)
    steps.push(
      step({
        id: 'seal/cable',
        title: 'Measure the cable where the seal will grip it',
        detail: `Across the jacket, before anything goes on: ${grip.name}${least === grip.clampMm[0] && most === grip.clampMm[1] ? '' : `, and then ${camera.name}`}.`,
        reason: 'Too thin leaks, too thick tears the lip. One cable to an entry.',
        entry: measure('size', 'Cable across', least, most),
      }),
    )
  }
  if (threadOn.length > 0) {
    steps.push(
      step({
        id: 'terminate/thread-on',
        title: 'Thread everything onto the cable',
        items: threadOn.map(({ piece, way, of }) => `${piece}: ${way} (${of})`),
        hold: 'Before you crimp',
        detail: 'In this order; the last stands nearest to the plug.',
        reason: 'Forgetting one means cutting the plug off again.',
        photo: 'asked',
      }),
    )
  }
  if (!finished) {
    steps.push(
      step({
        id: 'terminate/camera-end',
        title: `Make the camera end: ${camera.name}`,
        detail: camera.strip,
        items: pair ? PINS[policies.pinScheme].map(({ pin, wire }) => `${pin} ${wire}`) : [],
        reason: pair
          ? `Both ends ${policies.pinScheme}. A nicked core: trim back and start again.`
          : 'Not one strand of the shield may touch the core.',
        caution:
          camera.kind === 'mains joint'
            ? 'Isolated, locked off and proved dead; a licensed person where the law says so.'
            : 'Razor knives slip: use a stripping tool. Safety glasses for cut ends.',
      }),
    )
    const head = catalogue.connectors.get(device.terminate.headEndId)!
    if (head.kind !== 'mains joint')
      steps.push(
        step({
          id: 'terminate/head-end',
          title: `Make the head end: ${head.name}`,
          detail: head.strip,
          reason: pair ? `The same scheme, ${policies.pinScheme}.` : 'The same habit at both ends.',
        }),
      )
  }
  if (pair) {
    steps.push(
      step({
        id: 'terminate/wire-map',
        title: 'Read the wire map',
        reason: 'Proved before the camera hangs on it.',
        entry: choice('pass', 'open', 'short', 'reversed pair', 'crossed pair', 'split pair'),
      }),
    )
    if (run.installedM > 0)
      steps.push(
        step({
          id: 'terminate/loop',
          title: 'Measure the loop resistance of one pair',
          detail: 'Far end shorted.',
          reason: 'A high reading is a joint or a cable that is not copper; a low one is a short on the way.',
          entry: measure(
            'resistance',
            'Loop resistance',
            cable.awg === null ? 0 : loopLeastOhm(cable.awg, run.installedM, run.meanC),
            loopLimitOhm(run.installedM, run.meanC),
          ),
        }),
      )
  }
  return [
    ...steps,
    ...accessories
      .filter(({ stage }) => stage === 'terminate')
      .map((part) =>
        step({
          id: `terminate/accessory-${part.id}`,
          title: part.name,
          detail: part.step,
          reason: part.reason,
        }),
      ),
  ]
}

function fixing(context: DeviceContext): Step[] {
  const { device, mounts, camera, surface, accessories, say } = context
  if (!device.mount) return []
  const { mount } = device
  const facts = mountFacts(context, mount)
  const torn = mount.tethered ? [`Tether of ${say(facts.loadN, 'force')} or more to the structure above`] : []
  return [
    step({
      id: 'mount/fix',
      title: `Fix ${facts.base.name} with ${mount.fixingCount} × ${facts.fixing.name}`,
      items: [
        ...mounts.map(({ name, before }) => (before ? `${name}. ${before}` : name)),
        ...torn,
        `${camera.name} last`,
      ],
      detail: surface.watch,
      reason: 'Every hole the load and the part ask for; gasket or sealant behind.',
      caution: surface.caution,
      photo: 'asked',
    }),
    step({
      id: 'mount/level',
      title: 'Read the level on the base',
      reason: 'A leaning box is judged as bad work even if it is dry.',
      entry: measure('angle', 'Off level', 0, MOUNT_LIMITS.boxLevelDeg.value),
    }),
    step({
      id: 'mount/tug',
      title: 'Tug it',
      detail: 'By hand, as hard as a careless cleaner would.',
      reason: 'An anchor that spins shows now.',
      entry: choice('firm', 'moves'),
    }),
    ...accessories
      .filter(({ stage }) => stage === 'mount')
      .map((part) =>
        step({ id: `mount/accessory-${part.id}`, title: part.name, detail: part.step, reason: part.reason }),
      ),
  ]
}

function sealing(context: DeviceContext): Step[] {
  const { device, accessories, camera } = context
  if (!device.seal) return []
  const chosen = closedOpenings(context, device.seal).filter(
    (closed) => closed.seal !== null && needsPart(closed.opening),
  )
  return [
    ...chosen.map(({ seal, opening, partName, ref }) =>
      step({
        id: `seal/${ref}`,
        title: `Seal the ${opening.name}: ${seal!.name}`,
        detail: seal!.make,
        items: seal!.pieces.map(({ name, way }) => `${name}: ${way}`),
        reason: `${partName}. ${seal!.kind === 'grommet' ? `Leave about ${SEAL_LIMITS.insideMm.value} mm of cable inside.` : 'Water follows the cable and sits in the box.'}`,
      }),
    ),
    ...(greased(context)
      ? [
          step({
            id: 'seal/grease',
            title: 'A thin film of contact grease on both contacts',
            reason: 'Salt air creeps into every joint.',
          }),
        ]
      : []),
    ...(camera.unusedTails.length > 0
      ? [
          step({
            id: 'seal/tails',
            title: `Cap the unused tails: ${camera.unusedTails.join(', ')}`,
            reason: 'An open tail wicks water along its cores.',
          }),
        ]
      : []),
    ...accessories
      .filter(({ stage, capsTails }) => stage === 'seal' && !capsTails)
      .map((part) =>
        step({ id: `seal/accessory-${part.id}`, title: part.name, detail: part.step, reason: part.reason }),
      ),
  ]
}

function powering(context: DeviceContext): Step[] {
  const { device, camera, accessories } = context
  const extra = accessories
    .filter(({ stage }) => stage === 'power')
    .map((part) =>
      step({
        id: `power/accessory-${part.id}`,
        title: part.name,
        detail: part.step,
        reason: part.reason,
        caution: 'Lightning about: stop outdoor work.',
      }),
    )
  const plan = device.power && assessPower(context, device.power)
  if (!plan) return extra
  const { supplyName, port, kind, leastV } = plan.drawing
  if (kind === 'mains') {
    return [
      ...extra,
      step({
        id: 'power/mains',
        title: 'Mains joint by a licensed person',
        detail: 'Earth first, then neutral, then live; drain hole left open.',
        reason: 'Local code decides who may, box fill and earthing.',
        caution: 'Isolate, lock off, prove dead. No live work.',
        entry: choice('made and proved by a licensed person', 'not made'),
        photo: 'asked',
      }),
    ]
  }
  return [
    ...extra,
    step({
      id: 'power/connect',
      title: `Connect to ${supplyName}${port === null ? '' : `, port ${port}`}`,
      reason: 'Link light: the network is there. Camera light: power is there.',
      entry: choice('link and camera light', 'link only', 'nothing'),
    }),
    ...(kind === 'dc supply' || kind === 'ac supply'
      ? [
          step({
            id: 'power/volts',
            title: 'Measure the volts at the camera',
            detail: 'With the camera running and infrared covered.',
            reason: 'A weak run collapses at night.',
            caution: 'Check polarity before you plug in; never into an audio tail.',
            entry: measure('voltage', 'At the camera', leastV, camera.power.dcV?.[1] ?? null),
          }),
        ]
      : []),
  ]
}

function aiming({ device, camera, say }: DeviceContext): Step[] {
  const { sight } = device
  if (!sight) return []
  const give = PROCEDURE_LIMITS.tiltToleranceDeg.value
  const tilt = measure('angle', 'Tilt below level', sight.tiltDeg - give, sight.tiltDeg + give)
  return [
    ...(camera.axisFromBaseDeg[1] > 0
      ? [
          step({
            id: 'aim/tilt',
            title: `Aim: tilt ${say(sight.tiltDeg, 'angle')} below level`,
            detail: `${camera.lens.focalMm[0] === camera.lens.focalMm[1] ? '' : `Zoom to ${say(sight.focalMm, 'focal')}, then focus. `}${sight.portrait ? 'Portrait: picture turned 90°. ' : ''}Loosen the lock screws, turn, tighten.`,
            reason: 'The promise of pixels at the target rests on it.',
            entry: tilt,
          }),
        ]
      : []),
    step({
      id: 'aim/level',
      title: 'Turn the lens ring until the horizon is level',
      reason: 'A leaning picture is the first thing a customer sees.',
      entry: measure('angle', 'Picture off level', 0, PROCEDURE_LIMITS.pictureRollDeg.value),
    }),
  ]
}

function closing({ device, camera }: DeviceContext): Step[] {
  if (!device.seal && !device.mount) return []
  return [
    step({
      id: 'seal/before-closing',
      title: 'Look at gaskets, seals and slack; photograph them',
      detail: 'No dust, hair or swarf on the gasket; no core across the lens; nothing pinched.',
      reason: 'The one picture that proves the box was dry when it closed.',
      hold: 'Before you close',
      photo: 'required',
    }),
    step({
      id: 'mount/close',
      title: camera.form === 'dome' ? 'Close the dome; film off last' : 'Close it; film off last',
      detail: 'Captive or tamper screws, snug all round; fingerprints off.',
      reason: 'Water finds the one loose screw.',
    }),
  ]
}

function proving({ device }: DeviceContext): Step[] {
  if (!device.sight) return []
  return [
    step({
      id: 'test/picture-day',
      title: 'Look at the picture by day',
      detail: 'Target, edges, nothing of soffit, gutter or wall in it.',
      reason: 'What was promised, seen.',
      entry: choice('as promised', 'not as promised'),
      photo: 'required',
    }),
    step({
      id: 'test/picture-night',
      title: 'Look again after dark',
      reason: 'Infrared back from bubble, soffit, web or gutter.',
      entry: choice('clear', 'glare', 'too dark'),
      photo: 'asked',
    }),
    step({
      id: 'handover/password',
      title: 'Default password replaced, name on the picture',
      reason: 'Never written in this record.',
      entry: choice('both done', 'not yet'),
    }),
  ]
}
