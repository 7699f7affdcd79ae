import type { JobFile } from '@/core/job'
import { placeCameras } from './kestrelQuayCameras'
import { equipQuay } from './kestrelQuayEquipment'
import { KESTREL_SITE, KESTREL_SKETCH, KESTREL_THINGS } from './kestrelQuayPlan'
import { siteSketch } from './pictures'
import { YARD_BULLET, YARD_CABLE } from './ownParts'
import { Scenario } from './scenario'

/**
 * The boatyard: fourteen devices over every kind of install, some done, some stopped, some not planned
 * through.
 */
export async function kestrelQuay(): Promise<JobFile> {
  const yard = new Scenario('2026-10-05T07:30:00.000Z', {
    id: 'kestrel-quay',
    name: 'Kestrel Quay boatyard',
    address: '1 Kestrel Quay, Saltmere',
    headEnd: 'Brick office, cupboard under the stairs',
    boxes: [
      { id: 'begun-1', name: 'B1', cableId: 'cat6-outdoor', leftM: 158 },
      { id: 'begun-2', name: 'B2', cableId: 'cat6-outdoor', leftM: 96 },
    ],
    windMS: 50,
    site: KESTREL_SITE,
    floorHeightsM: { upper: 2.9, loft: null, roof: null },
    things: KESTREL_THINGS,
    ownParts: [YARD_BULLET, YARD_CABLE],
  })
  equipQuay(yard)
  yard.lay('ground', await siteSketch(), KESTREL_SKETCH)
  await placeCameras(yard)
  await yard.install('office', 4)
  await yard.install('old-recorder', 1)
  await yard.install('jetty-link', 2)
  yard.draw(
    'device-01',
    'mount/fix',
    { kind: 'known', from: { x: 0.335, y: 0.37 }, to: { x: 0.665, y: 0.37 }, mm: 120 },
    { kind: 'length', from: { x: 0.5, y: 0.54 }, to: { x: 0.5, y: 0.74 } },
  )
  yard.draw(
    'device-01',
    'seal/before-closing',
    { kind: 'arrow', from: { x: 0.9, y: 0.6 }, to: { x: 0.72, y: 0.42 } },
    { kind: 'words', at: { x: 0.85, y: 0.66 }, words: 'dust wiped off' },
  )
  yard.leave('device-02', 'terminate/head-end', 'Installer 2', 'The key of the office is with me.')
  await yard.fault(
    {
      deviceId: 'device-02',
      stage: 'seal',
      title: 'Old hole in the pole left open',
      cause: 'unsealed entry or gland',
      severity: 'will fail',
      note: 'Found on arrival, a finger wide, facing the weather.',
      due: '2026-11-30',
    },
    [{ kind: 'temporary', what: 'Silicone over the hole', until: '2026-11-20' }],
    ['water', 'box'],
  )
  await yard.fault(
    {
      deviceId: 'device-06',
      stage: 'route',
      title: 'White clips on the dark wall',
      cause: 'wrong clips',
      severity: 'looks',
      note: 'Twelve clips, by the corner post.',
      due: '2026-12-04',
    },
    [],
    ['run'],
  )
  await yard.fault(
    {
      deviceId: 'device-01',
      stage: 'seal',
      title: 'Gland nut finger-loose',
      cause: 'unsealed entry or gland',
      severity: 'will fail',
    },
    [{ kind: 'lasting', what: 'Tightened until the rubber grips' }, 're-check passed'],
    ['gasket', 'gasket'],
  )
  return yard.file()
}
