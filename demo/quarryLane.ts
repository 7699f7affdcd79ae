import { NO_DETAILS, type JobFile } from '@/core/job'
import { Scenario } from './scenario'

/** A finished job, for the hand-over. */
export async function quarryLane(): Promise<JobFile> {
  const library = new Scenario('2026-09-07T07:45:00.000Z', {
    id: 'quarry-lane',
    name: 'Quarry Lane library',
    address: '40 Quarry Lane',
    headEnd: 'Plant room, rack',
  })
  library.equip(
    { id: 'rack', name: 'Rack switch', partId: 'switch-8' },
    {
      id: 'recorder',
      name: 'Rack recorder',
      partId: 'recorder-16',
      details: { ...NO_DETAILS, serial: 'NB-8100-02', networkAddress: '10.20.0.2', passwordReplaced: true },
    },
  )
  const trunking = (lengthM: number) => ({
    segments: [
      {
        id: 'a',
        space: 'trunking indoors' as const,
        lengthM,
        riseM: 1.5,
        temperatureC: 24,
        conduitId: null,
        conduitName: '',
      },
    ],
  })
  const done = (n: number) => ({
    recorded: 'all' as const,
    details: {
      serial: `NB-77${n}0-0${n}`,
      hardwareAddress: `02:00:5e:20:00:0${n}`,
      networkAddress: `10.20.0.1${n}`,
      firmware: '4.2.0',
      passwordReplaced: true,
    },
  })
  await library.place({
    choice: {
      mark: '01',
      name: 'Main entrance',
      cameraId: 'dome-4mp-vf',
      surfaceId: 'timber-soffit',
      exposure: 'under a soffit',
      cableId: 'cat6-outdoor',
    },
    plan: {
      sight: {
        heightM: 2.9,
        targetDistanceM: 4,
        focalMm: 5.6,
        tiltDeg: 18,
        level: 'identify',
        shutterS: 1 / 250,
        wish: { place: 'above the doors', at: null, kept: true, reason: '', agreedBy: '' },
      },
      route: {
        segments: [
          {
            id: 'a',
            space: 'soffit channel',
            lengthM: 9,
            riseM: 0,
            temperatureC: 30,
            conduitId: null,
            conduitName: '',
          },
          {
            id: 'b',
            space: 'wall cavity',
            lengthM: 12,
            riseM: -2,
            temperatureC: 22,
            conduitId: null,
            conduitName: '',
          },
        ],
      },
      power: { supplyId: 'rack', port: 1 },
    },
    ...done(1),
  })
  await library.place({
    choice: {
      mark: '02',
      name: 'Issue desk',
      cameraId: 'mini-dome-2mp',
      mountIds: ['wall-plate'],
      surfaceId: 'brick',
      exposure: 'dry indoors',
      cableId: 'cat5e',
    },
    plan: {
      sight: { heightM: 2.6, targetDistanceM: 3, level: 'recognise', tiltDeg: 20, shutterS: 1 / 160 },
      route: trunking(16),
      power: { supplyId: 'rack', port: 2 },
    },
    ...done(2),
  })
  await library.place({
    choice: {
      mark: '03',
      name: 'Reading room',
      cameraId: 'turret-5mp-2.8',
      mountIds: ['ceiling-plate', 'pendant-rod-500', 'pendant-box'],
      surfaceId: 'concrete-ceiling',
      exposure: 'dry indoors',
      cableId: 'cat6',
    },
    plan: {
      sight: { heightM: 3, targetDistanceM: 6, level: 'recognise', tiltDeg: 14, shutterS: 1 / 160 },
      route: trunking(28),
      power: { supplyId: 'rack', port: 3 },
    },
    ...done(3),
  })
  await library.place({
    choice: {
      mark: '04',
      name: 'Bicycle stand',
      cameraId: 'bullet-4mp-vf',
      mountIds: ['junction-box'],
      surfaceId: 'brick',
      exposure: 'open weather',
      cableId: 'cat6-outdoor',
    },
    plan: {
      sight: {
        heightM: 3.2,
        targetDistanceM: 8,
        focalMm: 4.5,
        tiltDeg: 12,
        level: 'recognise',
        shutterS: 1 / 160,
      },
      route: {
        segments: [
          {
            id: 'a',
            space: 'wall cavity',
            lengthM: 26,
            riseM: -1,
            temperatureC: 22,
            conduitId: null,
            conduitName: '',
          },
        ],
      },
      power: { supplyId: 'rack', port: 4 },
    },
    ...done(4),
  })
  await library.fault(
    {
      deviceId: 'device-04',
      stage: 'mount',
      title: 'Box 3° out of level',
      cause: 'not upright or level',
      severity: 'looks',
    },
    [{ kind: 'lasting', what: 'Reset on its marks with the level' }, 're-check passed'],
    ['box', 'box'],
  )
  await library.install('rack', 'all')
  await library.install('recorder', 'all')
  return library.file()
}
