import { way } from './kestrelQuayEquipment'
import { KESTREL_PLACES } from './kestrelQuayPlan'
import { YARD_BULLET } from './ownParts'
import type { Scenario } from './scenario'

/** The cameras of the boatyard, some done, some stopped, some not planned through. */
export async function placeCameras(yard: Scenario): Promise<void> {
  const office = (port: number) => ({ power: { supplyId: 'office', port } })
  await yard.place({
    choice: {
      mark: '01',
      name: 'Workshop doors',
      cameraId: 'bullet-4mp-vf',
      mountIds: ['junction-box'],
      surfaceId: 'timber-wall',
      exposure: 'marine',
      cableId: 'cat6-outdoor',
    },
    plan: {
      sight: {
        heightM: 3.4,
        targetDistanceM: 7.5,
        focalMm: 4.2,
        tiltDeg: 14,
        level: 'recognise',
        shutterS: 1 / 125,
        wish: { place: 'over the middle of the doors', at: null, kept: true, reason: '', agreedBy: '' },
        place: KESTREL_PLACES['01'],
      },
      route: { segments: [way('a', 'wall cavity', 4, 1.2, 20), way('b', 'loft', 24, 0, 38)] },
      ...office(1),
    },
    recorded: 'all',
    details: {
      serial: 'NB-4471-01',
      hardwareAddress: '02:00:5e:10:00:01',
      networkAddress: '192.168.10.21',
      firmware: '4.2.0',
      passwordReplaced: true,
    },
  })
  await yard.place({
    choice: {
      mark: '02',
      name: 'Slipway pole',
      cameraId: 'bullet-4mp-vf',
      mountIds: ['pole-adapter'],
      surfaceId: 'steel-pole',
      exposure: 'marine',
      cableId: 'cat6-screened-outdoor',
      accessoryIds: ['protector-pair'],
    },
    plan: {
      sight: {
        heightM: 4.5,
        targetDistanceM: 26,
        focalMm: 12,
        tiltDeg: 7,
        level: 'recognise',
        shutterS: 1 / 250,
        wish: {
          place: 'on the lamp pole, looking up the slip',
          at: null,
          kept: true,
          reason: '',
          agreedBy: '',
        },
        place: KESTREL_PLACES['02'],
      },
      mount: { fixingCount: 2, pole: { material: 'steel', diameterMm: 114.3, wallMm: 3.6, heightM: 6 } },
      route: { segments: [way('a', 'conduit', 18, -4, 25, 'pvc-1'), way('b', 'under decking', 38, 0, 25)] },
      ...office(2),
    },
    recorded: 3,
  })
  await yard.place({
    choice: {
      mark: '03',
      name: 'Chandlery till',
      cameraId: 'dome-4mp-vf',
      mountIds: ['tile-spread-plate'],
      surfaceId: 'ceiling-tile',
      exposure: 'dry indoors',
      cableId: 'cat5e',
    },
    plan: {
      sight: {
        heightM: 2.6,
        targetDistanceM: 2.6,
        focalMm: 4,
        tiltDeg: 24,
        level: 'identify',
        shutterS: 1 / 200,
        place: KESTREL_PLACES['03'],
      },
      route: { segments: [way('a', 'trunking indoors', 14, 1.5, 25)] },
      ...office(3),
    },
  })
  await yard.place({
    choice: {
      mark: '04',
      name: 'Office door',
      cameraId: 'dome-4mp-vf',
      surfaceId: 'timber-soffit',
      exposure: 'under a soffit',
      cableId: 'cat6-outdoor',
    },
    plan: {
      sight: {
        heightM: 2.9,
        targetDistanceM: 4.2,
        focalMm: 5.6,
        tiltDeg: 17,
        level: 'identify',
        shutterS: 1 / 250,
        wish: {
          place: 'left of the door',
          at: { x: 48.2, y: 39.7 },
          kept: false,
          reason: 'the lamp there blinds it',
          agreedBy: 'Office manager',
        },
        place: KESTREL_PLACES['04'],
      },
      route: { segments: [way('a', 'soffit channel', 6, 0, 32), way('b', 'wall cavity', 2, -2.4, 22)] },
      ...office(4),
    },
    recorded: 15,
    readings: { 'mount/level': { value: 2.4, note: 'soffit board is bowed' } },
  })
  await yard.place({
    choice: {
      mark: '05',
      name: 'Fuel jetty arm',
      cameraId: 'large-dome-4mp',
      mountIds: ['wall-arm', 'pendant-rod-500', 'pendant-hood'],
      surfaceId: 'hollow-block',
      exposure: 'marine',
      cableId: 'cat6-outdoor',
      accessoryIds: ['protector-pair', 'ferrite'],
    },
    plan: {
      sight: {
        heightM: 4.2,
        targetDistanceM: 12,
        focalMm: 9,
        tiltDeg: 14,
        level: 'recognise',
        shutterS: 1 / 200,
        place: KESTREL_PLACES['05'],
      },
      mount: { fixingId: 'sleeve-hollow', fixingCount: 4, edgeMm: 90 },
      route: { segments: [way('a', 'clipped outside', 42, -2, 35), way('b', 'loft', 36, 2.5, 52)] },
      ...office(10),
    },
  })
  await yard.place({
    choice: {
      mark: '06',
      name: 'Yard corner',
      cameraId: 'modular-dome-5mp',
      mountIds: ['corner-adapter'],
      surfaceId: 'timber-corner',
      exposure: 'marine',
      cableId: 'cat6-outdoor',
    },
    plan: {
      sight: {
        heightM: 3.6,
        targetDistanceM: 9,
        focalMm: 6,
        tiltDeg: 14,
        level: 'recognise',
        shutterS: 1 / 160,
        place: KESTREL_PLACES['06'],
      },
      route: { segments: [way('a', 'loft', 40, 0, 36), way('b', 'wall cavity', 3, -2.6, 22)] },
      ...office(5),
    },
    recorded: 9,
  })
  await yard.place({
    choice: {
      mark: '07',
      name: 'Hoist housing',
      cameraId: 'box-4mp-5-50',
      mountIds: ['housing-bracket', 'outdoor-housing'],
      surfaceId: 'brick',
      exposure: 'marine',
      cableId: 'cat6-outdoor',
    },
    plan: {
      sight: {
        heightM: 5,
        targetDistanceM: 30,
        focalMm: 16,
        tiltDeg: 6.5,
        level: 'recognise',
        shutterS: 1 / 250,
        place: KESTREL_PLACES['07'],
      },
      route: {
        segments: [way('a', 'conduit', 12, -3, 25, 'metric-25'), way('b', 'garage or basement', 30, 0, 22)],
      },
      ...office(6),
    },
  })
  await yard.place({
    choice: {
      mark: '08',
      name: 'Gatehouse, all round',
      cameraId: 'panoramic-12mp',
      surfaceId: 'brick',
      exposure: 'open weather',
      cableId: 'cat6-outdoor',
    },
    plan: {
      sight: { heightM: 2.8, targetDistanceM: 8, level: 'observe', tiltDeg: 0, place: KESTREL_PLACES['08'] },
      seal: { choices: [{ opening: 'camera/entry', sealId: 'grommet-slim', cables: 1 }] },
      route: {
        segments: [way('a', 'wall cavity', 3, -2, 22), way('b', 'conduit', 52, 0, 20, 'pvc-three-quarter')],
      },
      ...office(7),
    },
  })
  await yard.place({
    choice: {
      mark: '09',
      name: 'Lamp by the ramp',
      cameraId: 'floodlight-4mp',
      mountIds: ['recessed-box'],
      surfaceId: 'timber-wall',
      exposure: 'under a soffit',
      cableId: 'mains-14-2',
    },
    plan: {
      sight: { heightM: 3, targetDistanceM: 5, level: 'observe', tiltDeg: 16, place: KESTREL_PLACES['09'] },
      route: { segments: [way('a', 'wall cavity', 6, 1, 24)] },
      power: { supplyId: 'lamps', port: null },
    },
  })
  await yard.place({
    choice: {
      mark: '10',
      name: 'Engine store',
      cameraId: 'mini-dome-2mp',
      mountIds: ['wall-plate'],
      surfaceId: 'brick',
      exposure: 'dry indoors',
      cableId: 'cat5e',
      accessoryIds: ['memory-card'],
    },
    plan: {
      sight: {
        heightM: 2.6,
        targetDistanceM: 4,
        level: 'observe',
        tiltDeg: 20,
        shutterS: 1 / 100,
        place: KESTREL_PLACES['10'],
      },
      route: { segments: [way('a', 'trunking indoors', 20, 1.5, 24)] },
      ...office(8),
    },
    recorded: 'all',
    details: {
      serial: 'NB-1180-10',
      hardwareAddress: '02:00:5e:10:00:0a',
      networkAddress: '192.168.10.30',
      firmware: '2.9.1',
      passwordReplaced: true,
    },
  })
  await yard.place({
    choice: {
      mark: '11',
      name: 'Mast racks',
      cameraId: 'turret-5mp-2.8',
      mountIds: ['ceiling-plate', 'pendant-rod-500', 'pendant-box'],
      surfaceId: 'timber-soffit',
      exposure: 'under a soffit',
      cableId: 'cat6-outdoor',
    },
    plan: {
      sight: {
        heightM: 3.2,
        targetDistanceM: 7,
        level: 'recognise',
        tiltDeg: 13,
        shutterS: 1 / 160,
        place: KESTREL_PLACES['11'],
      },
      route: { segments: [way('a', 'loft', 33, 0, 40)] },
      ...office(9),
    },
  })
  await yard.place({
    choice: {
      mark: '12',
      name: 'Pontoon gate',
      cameraId: YARD_BULLET.id,
      surfaceId: 'timber-wall',
      exposure: 'marine',
      cableId: 'cat6-outdoor',
      accessoryIds: ['in-line-adapter'],
    },
    plan: {
      sight: {
        heightM: 2.8,
        targetDistanceM: 6,
        level: 'identify',
        tiltDeg: 11,
        shutterS: 1 / 250,
        place: KESTREL_PLACES['12'],
      },
      mount: { passage: 'bare cable' },
      route: null,
      seal: null,
      terminate: null,
      power: null,
    },
  })
  await yard.place({
    choice: {
      mark: '13',
      name: 'Old slip, coax kept',
      cameraId: 'analogue-bullet-2mp',
      mountIds: ['junction-box'],
      partsKept: 1,
      surfaceId: 'timber-wall',
      exposure: 'marine',
      cableId: 'rg59-18-2',
    },
    plan: {
      sight: {
        heightM: 3,
        targetDistanceM: 7,
        level: 'recognise',
        tiltDeg: 12,
        shutterS: 1 / 160,
        place: KESTREL_PLACES['13'],
      },
      route: {
        laid: 'kept',
        segments: [way('a', 'clipped outside', 64, -1, 30), way('b', 'garage or basement', 18, 0, 22)],
      },
      terminate: { recorderId: 'slip-recorder', recorderPort: 'video-1' },
      power: { supplyId: 'slip-dc', port: 1 },
    },
  })
  await yard.place({
    choice: {
      mark: '14',
      name: 'Reception',
      replaces: 'device-15',
      cameraId: 'dome-back-box-4mp',
      surfaceId: 'plasterboard-ceiling',
      exposure: 'dry indoors',
      cableId: 'cat5e',
    },
    plan: { sight: null, mount: null, route: null, seal: null, terminate: null, power: null },
  })
  await yard.place({
    choice: {
      mark: '15',
      name: 'Reception, old',
      state: 'taken away',
      cameraId: 'analogue-bullet-2mp',
      surfaceId: 'plasterboard-ceiling',
      exposure: 'dry indoors',
      cableId: 'rg59-18-2',
    },
    plan: { sight: null, mount: null, route: null, seal: null, terminate: null, power: null },
  })
}
