import { CATALOGUE } from '@/catalogue'
import { assess, type RunAssessment } from '@/core/assess'
import type { Job, Run } from '@/core/job'
import { CARRIES, type Carried } from '@/core/run'
import { device, equipment, job, plannedThrough, run } from './jobs'

/** Runs for tests: a yard with ends of every sort, and a good run of each. */

export const piece = (
  id: string,
  partId: string,
  mark: string,
  change: Parameters<typeof equipment>[0] = {},
) => equipment({ id, partId, mark, name: id, ...change })
export const outside = { stands: 'on site', exposure: 'open weather' } as const

/** A yard with something of every sort to end at. */
export const yard = (runs: readonly Run[], change: Partial<Job> = {}): Job =>
  job({
    equipment: [
      piece('switch', 'switch-8', 'E1'),
      piece('recorder', 'recorder-16', 'E2'),
      piece('jetty', 'switch-outdoor-4', 'E3', outside),
      piece('fibre', 'fibre-converter', 'E4'),
      piece('coax', 'recorder-coax-8', 'E5'),
      piece('coax-2', 'recorder-coax-8', 'E13'),
      piece('microphone', 'microphone-outdoor', 'E6', outside),
      piece('supply', 'dc-13.2-5', 'E7'),
      piece('lamp', 'lamp-infrared', 'E8', outside),
      piece('inside', 'protector-indoors', 'E9'),
      piece('outside', 'protector-outdoor', 'E10', outside),
      piece('bar', 'earth-bar', 'E11'),
      piece('circuit', 'mains-circuit', 'E12'),
    ],
    devices: [plannedThrough(device({ cameraId: TAILED }))],
    runs: [...runs],
    ...change,
  })
/** A camera with a tail for sound and one for an alarm contact. */
export const TAILED = [...CATALOGUE.cameras.values()].find(({ unusedTails }) =>
  unusedTails.includes('audio tail'),
)!.id

/** A good run of every sort that the catalogue has both ends for. */
export const GOOD: Readonly<Record<Carried, Partial<Run>>> = {
  video: {
    carries: 'video',
    cableId: 'rg59',
    fromId: 'coax',
    fromPort: 'video-1',
    fromEndId: 'bnc-twist-59',
    toId: 'coax-2',
    toPort: 'video-8',
    toEndId: 'bnc-twist-59',
  },
  mains: {
    carries: 'mains',
    cableId: 'mains-14-2',
    fromId: 'jetty',
    fromPort: 'mains-1',
    fromEndId: 'mains-joint',
    toId: 'circuit',
    toPort: 'mains-3',
    toEndId: 'mains-joint',
  },
  network: { fromPort: 'uplink-1', fromEndId: 'plug', toPort: 'uplink-1', toEndId: 'plug' },
  fibre: {
    carries: 'fibre',
    cableId: 'fibre-single',
    fromId: 'jetty',
    fromPort: 'fibre-1',
    fromEndId: 'lc',
    toId: 'fibre',
    toPort: 'fibre-1',
    toEndId: 'lc',
    lead: { lengthM: 18, fedFrom: null, coilAt: 'far end' },
  },
  dc: {
    carries: 'dc',
    cableId: 'cores-18-2',
    fromId: 'lamp',
    fromPort: 'dc-1',
    fromEndId: 'terminals',
    toId: 'supply',
    toPort: 'dc-2',
    toEndId: 'terminals',
  },
  audio: {
    carries: 'audio',
    cableId: 'cores-22-2-screened',
    fromId: 'microphone',
    fromPort: 'audio-1',
    fromEndId: 'terminals',
    toId: 'coax',
    toPort: 'audio-2',
    toEndId: 'terminals',
  },
  alarm: {
    carries: 'alarm',
    cableId: 'cores-18-2',
    fromId: 'device-1',
    fromPort: 'alarm tail',
    fromEndId: 'terminals',
    toId: 'coax',
    toPort: 'alarm-1',
    toEndId: 'terminals',
  },
  earth: {
    carries: 'earth',
    cableId: 'earth-10',
    fromId: 'outside',
    fromPort: 'earth-1',
    fromEndId: 'terminals',
    toId: 'bar',
    toPort: 'earth-8',
    toEndId: 'terminals',
  },
}
export const good = (carries: Carried, change: Partial<Run> = {}): Run => run({ ...GOOD[carries], ...change })
export const assessed = (one: Run, on: Partial<Job> = {}): RunAssessment =>
  assess(yard([one], on), CATALOGUE).runs[0]!
export const SORTS = Object.keys(CARRIES) as Carried[]

export const outdoors = (lengthM: number) => [
  { ...run().segments[0]!, space: 'clipped outside' as const, lengthM },
]
