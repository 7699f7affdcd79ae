import fc from 'fast-check'
import { CATALOGUE } from '@/catalogue'
import { STAGES } from '@/core/findings'
import { CARRIES } from '@/core/run'
import {
  CAUSES,
  EXPOSURES,
  SEVERITIES,
  STANDS,
  STATES,
  TERRAINS,
  USUAL_ALLOWANCES,
  USUAL_POLICIES,
  type Device,
  type Fault,
  type Job,
  type Photo,
  type Run,
  type StepRecord,
} from '@/core/job'
import type { OwnPart } from '@/core/parts'
import type { PhotoMark } from '@/core/photo'
import { anyDevice, route } from './anyDevice'
import { floorHeights, site, thing } from './anyThing'
import { keys, line, moment, part, person, real, sha256 } from './anyValue'
import { NOW, equipment, job } from './jobs'
import { allOf, ownPart } from './ownParts'

/** Generated jobs of extreme but legal values. */

const outcome = {
  state: fc.constantFrom('done' as const, 'left out' as const),
  value: fc.option(real(-1e6, 1e6)),
  choice: fc.option(fc.constantFrom('pass', 'open', 'as planned')),
  note: fc.constant('said'),
}
const STEPS = [
  'mount/level',
  'terminate/wire-map',
  'seal/cable',
  'route/length',
  'power/volts',
  'seal/before-closing',
  'sight/height',
  'gone/step',
]

/** A camera read whole, a box of which nothing is read, a switch of which its watts are. */
const OWN_PARTS: readonly OwnPart[] = [
  ownPart('cameras', 'bullet-4mp-vf', allOf('cameras', CATALOGUE.cameras.get('bullet-4mp-vf')!), {
    id: 'own-camera',
  }),
  ownPart('mounts', 'junction-box', {}, { id: 'own-box', name: 'Our box' }),
  ownPart('equipment', 'switch-8', { 'feeds/budgetW': '60 W' }, { id: 'own-switch', name: 'Our switch' }),
]

/** The same job with own parts at its first device and its first piece of equipment. */
const withOwnParts = (made: Job): Job => ({
  ...made,
  ownParts: [...OWN_PARTS],
  devices: made.devices.map((one, i) =>
    i === 0 ? { ...one, cameraId: 'own-camera', mountIds: ['own-box'] } : one,
  ),
  equipment: made.equipment.map((one, i) => (i === 0 ? { ...one, partId: 'own-switch' } : one)),
})

const anyRun = fc.record({
  carries: keys(CARRIES),
  state: keys(STATES),
  cableId: part(CATALOGUE.cables),
  ends: fc.uniqueArray(fc.nat(6), { minLength: 2, maxLength: 2 }),
  ports: fc.array(fc.constantFrom(null, 'uplink-1', 'network-1', 'audio tail', 'dc-40', 'constructor-1'), {
    minLength: 2,
    maxLength: 2,
  }),
  made: fc.array(fc.option(part(CATALOGUE.connectors)), { minLength: 2, maxLength: 2 }),
  way: route,
})

/** Runs between what there is; one whose ends are not there is left out. */
const runsBetween = (
  drawn: readonly (typeof anyRun extends fc.Arbitrary<infer R> ? R : never)[],
  ids: readonly string[],
): Run[] =>
  drawn.flatMap(({ ends, ports, made, way, ...run }, i) => {
    const [fromId, toId] = ends.map((at) => ids[at])
    if (fromId === undefined || toId === undefined) return []
    const { laid: _, ...segments } = way
    return {
      id: `r${i}`,
      mark: `R${i + 1}`,
      name: 'Link',
      replaces: null,
      ...run,
      fromId,
      fromPort: ports[0]!,
      fromEndId: made[0]!,
      toId,
      toPort: ports[1]!,
      toEndId: made[1]!,
      ...segments,
    }
  })

const inPhoto = fc.record({ x: real(0, 1), y: real(0, 1.5) })
const mark: fc.Arbitrary<PhotoMark> = fc.oneof(
  fc.record({
    kind: fc.constantFrom('arrow' as const, 'ring' as const, 'length' as const),
    from: inPhoto,
    to: inPhoto,
  }),
  fc.record({
    kind: fc.constant('line' as const),
    points: fc.array(inPhoto, { minLength: 2, maxLength: 5 }),
  }),
  fc.record({ kind: fc.constant('words' as const), at: inPhoto, words: fc.constant('crack') }),
)

/**
 * Any valid job: parts that the catalogue lacks, plans half made, records of steps that are gone, all
 * included.
 */
export const anyJob: fc.Arbitrary<Job> = fc
  .record({
    units: fc.constantFrom('metric' as const, 'imperial' as const),
    sealing: fc.constantFrom('always' as const, 'by exposure' as const),
    edition: fc.constantFrom('2014' as const, '2025' as const),
    waste: real(0, 50),
    windMS: real(0, 120),
    terrain: keys(TERRAINS),
    mainsV: real(90, 480),
    keepPhotoPlace: fc.boolean(),
    floorHeightsM: floorHeights,
    site,
    things: fc.array(thing, { maxLength: 5 }).map((list) => list.map((t, i) => ({ ...t, id: `t${i}` }))),
    devices: fc.array(anyDevice, { maxLength: 4 }),
    equipment: fc.uniqueArray(
      fc.record({
        id: fc.constantFrom('switch', 'dc', 'plate'),
        partId: part(CATALOGUE.equipment),
        state: keys(STATES),
        stands: keys(STANDS),
        exposure: keys(EXPOSURES),
      }),
      { selector: ({ id }) => id, maxLength: 3 },
    ),
    records: fc.uniqueArray(
      fc.record({ stepId: fc.constantFrom(...STEPS), ...outcome, at: moment, by: person }),
      { selector: ({ stepId }) => stepId, maxLength: 5 },
    ),
    faults: fc.array(
      fc.record({
        title: fc.constant('Loose'),
        severity: keys(SEVERITIES),
        cause: fc.constantFrom(...CAUSES),
        stage: fc.option(fc.constantFrom(...STAGES)),
        note: line,
        due: fc.option(fc.constant('2026-04-01')),
        temporary: fc.boolean(),
      }),
      { maxLength: 3 },
    ),
    photos: fc.array(fc.record({ sha256, caption: line, marks: fc.array(mark), at: moment, by: person }), {
      maxLength: 3,
    }),
    handed: fc.uniqueArray(
      fc.record({
        stepId: fc.constantFrom(...STEPS),
        title: line,
        colleague: person,
        note: line,
        at: moment,
        by: person,
      }),
      { selector: ({ stepId }) => stepId, maxLength: 2 },
    ),
    own: fc.boolean(),
    runs: fc.array(anyRun, { maxLength: 3 }),
    boxes: fc.uniqueArray(
      fc.record({
        id: fc.constantFrom('box-1', 'box-2'),
        name: line,
        cableId: part(CATALOGUE.cables),
        leftM: fc.integer({ min: 1, max: 3050 }).map((dm) => dm / 10),
      }),
      { selector: ({ id }) => id, maxLength: 2 },
    ),
  })
  .map(
    ({
      units,
      sealing,
      edition,
      waste,
      windMS,
      terrain,
      mainsV,
      keepPhotoPlace,
      floorHeightsM,
      site,
      things,
      devices,
      equipment: pieces,
      records,
      faults,
      handed,
      photos,
      own,
      runs,
      boxes,
    }) => {
      const named = devices.map(
        (d, i): Device => ({ ...d, id: `d${i}`, mark: String(i + 1).padStart(2, '0') }),
      )
      const first = named[0]?.id ?? null
      const made = job({
        units,
        windMS,
        terrain,
        mainsV,
        keepPhotoPlace,
        floorHeightsM,
        policies: { ...USUAL_POLICIES, sealing, edition },
        allowances: { ...USUAL_ALLOWANCES, wastePercent: waste },
        site,
        things,
        equipment: pieces.map((piece, i) => equipment({ ...piece, mark: `E${i + 1}` })),
        devices: named,
        boxes,
        runs: runsBetween(
          runs,
          [...named, ...pieces].map(({ id }) => id),
        ),
        records: first === null ? [] : records.map((r): StepRecord => ({ deviceId: first, title: '', ...r })),
        faults: faults.map(
          ({ temporary, ...f }, i): Fault => ({
            id: `f${i}`,
            deviceId: first,
            origin: null,
            ...f,
            raisedAt: NOW,
            raisedBy: 'Lead',
            state: temporary ? 'temporary fix' : 'open',
            events: temporary
              ? [
                  {
                    event: 'fix',
                    at: NOW,
                    by: 'Lead',
                    fix: { kind: 'temporary', what: 'silicone', until: '2026-03-20' },
                  },
                ]
              : [],
          }),
        ),
        handed: first
          ? handed
              .filter(({ stepId }) => !records.some((record) => record.stepId === stepId))
              .map((step) => ({ ...step, deviceId: first }))
          : [],
        photos: photos.map(
          (p, i): Photo => ({ id: `p${i}`, deviceId: first, stepId: null, faultId: null, ...p }),
        ),
      })
      return own ? withOwnParts(made) : made
    },
  )
