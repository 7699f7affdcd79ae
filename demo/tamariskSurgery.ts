import { USUAL_POLICIES, type JobFile } from '@/core/job'
import { Scenario } from './scenario'

/**
 * A small retrofit on old coax for an unhappy customer: faults as found, temporary seals, in feet and
 * inches.
 */
export async function tamariskSurgery(): Promise<JobFile> {
  const surgery = new Scenario('2026-11-02T08:00:00.000Z', {
    id: 'tamarisk-surgery',
    name: 'Tamarisk surgery',
    address: '12 Tamarisk Row',
    headEnd: 'Store room, shelf',
    units: 'imperial',
    policies: { ...USUAL_POLICIES, sealing: 'always', pinScheme: 'T568A' },
  })
  surgery.equip(
    { id: 'dc', name: 'Shelf supply', partId: 'dc-13.2-5', state: 'kept' },
    { id: 'recorder', name: 'Recorder', partId: 'recorder-8' },
  )
  const coax = (id: string, lengthM: number) => ({
    segments: [
      { id, space: 'loft' as const, lengthM, riseM: 2.4, temperatureC: 40, conduitId: null, conduitName: '' },
    ],
  })
  await surgery.place({
    choice: {
      mark: '01',
      name: 'Front porch',
      cameraId: 'analogue-bullet-2mp',
      mountIds: ['junction-box'],
      surfaceId: 'timber-wall',
      exposure: 'under a soffit',
      cableId: 'rg59-18-2',
    },
    plan: {
      sight: {
        heightM: 2.75,
        targetDistanceM: 4.5,
        level: 'recognise',
        tiltDeg: 14,
        wish: { place: 'over the door', at: null, kept: true, reason: '', agreedBy: '' },
      },
      route: coax('a', 17),
    },
    recorded: 'all',
  })
  await surgery.place({
    choice: {
      mark: '02',
      name: 'Car park',
      cameraId: 'analogue-bullet-2mp',
      mountIds: ['junction-box'],
      surfaceId: 'brick',
      exposure: 'open weather',
      cableId: 'rg59-18-2',
    },
    plan: {
      sight: { heightM: 3.4, targetDistanceM: 11, level: 'observe', tiltDeg: 11 },
      route: coax('a', 29),
    },
    recorded: 22,
    readings: { 'power/volts': { value: 10.4 } },
  })
  await surgery.place({
    choice: {
      mark: '03',
      name: 'Waiting room',
      cameraId: 'dome-4mp-vf',
      surfaceId: 'ceiling-tile',
      mountIds: ['tile-spread-plate'],
      exposure: 'dry indoors',
      cableId: 'cat5e',
    },
    plan: {
      sight: { heightM: 2.5, targetDistanceM: 3.4, focalMm: 3.4, tiltDeg: 22, level: 'recognise' },
      mount: { tethered: true },
      route: {
        segments: [
          {
            id: 'a',
            space: 'trunking indoors',
            lengthM: 11,
            riseM: 2,
            temperatureC: 25,
            conduitId: null,
            conduitName: '',
          },
        ],
      },
      power: { supplyId: 'recorder', port: 1 },
    },
  })
  await surgery.install('dc', 1)
  await surgery.fault(
    {
      deviceId: 'device-01',
      stage: 'seal',
      title: 'Water in the old box',
      cause: 'water inside',
      severity: 'will fail',
      note: 'Half an inch of water, rust streaks; no silicone at the top edge.',
    },
    [{ kind: 'lasting', what: 'New box, bead round top and sides, drain left open' }, 're-check passed'],
    ['water', 'gasket'],
  )
  await surgery.fault(
    {
      deviceId: 'device-02',
      stage: 'mount',
      title: 'Two screws where the box asks for four',
      cause: 'missing screws',
      severity: 'will fail',
      due: '2026-11-16',
    },
    [],
    ['box'],
  )
  await surgery.fault(
    {
      deviceId: 'device-02',
      stage: 'route',
      title: 'One cable shared by two cameras',
      cause: 'shared cable',
      severity: 'below standard',
      due: '2026-12-10',
    },
    [],
    ['ends'],
  )
  await surgery.fault(
    {
      deviceId: 'device-02',
      stage: 'seal',
      title: 'Face of the box drilled for a cable',
      cause: 'drilled face',
      severity: 'will fail',
    },
    [{ kind: 'temporary', what: 'Silicone over the drilled hole', until: '2026-12-01' }],
    ['box', 'gasket'],
  )
  return surgery.file()
}
