import { FED_FREELY } from '@/core/route/plan'
import type { Scenario } from './scenario'

/** One stretch of a way. */
export const way = (
  id: string,
  space:
    | 'loft'
    | 'soffit channel'
    | 'wall cavity'
    | 'conduit'
    | 'clipped outside'
    | 'under decking'
    | 'trunking indoors'
    | 'garage or basement',
  lengthM: number,
  riseM: number,
  temperatureC: number,
  conduitId: string | null = null,
  conduitName = '',
) => ({ id, space, lengthM, riseM, temperatureC, conduitId, conduitName })

/** From a jack at the workshop's bench to the office: over the workshop's loft and under the yard. */
const benchRun = (jack: number) => ({
  id: `bench-run-${jack}`,
  name: `Bench jack ${jack}`,
  carries: 'network' as const,
  cableId: 'cat6-outdoor',
  fromId: 'bench-jacks',
  fromPort: `network-${jack}`,
  fromEndId: 'jack',
  toId: 'office',
  toPort: `network-${10 + jack}`,
  toEndId: 'plug',
  segments: [
    way('a', 'loft', 5, 2, 38),
    way('b', 'conduit', 12, 8.4, 20, 'pvc-1', 'Duct across the yard'),
    way('c', 'loft', 7, 2, 30),
  ],
})

/** What stands in the office cupboard and out on the jetty, and what joins it: fibre over the decking. */
export function equipQuay(yard: Scenario): void {
  const onSite = { stands: 'on site', exposure: 'marine' } as const
  yard.equip(
    { id: 'office', name: 'Office switch', partId: 'switch-16' },
    { id: 'jetty', name: 'Jetty switch', partId: 'switch-outdoor-4', ...onSite },
    { id: 'slip-dc', name: 'Slip supply', partId: 'dc-12-5' },
    { id: 'lamps', name: 'Yard lamp circuit', partId: 'mains-circuit' },
    { id: 'recorder', name: 'Office recorder', partId: 'recorder-16', replaces: 'old-recorder' },
    { id: 'panel', name: 'Office panel', partId: 'jack-panel-16' },
    { id: 'jetty-protector', name: 'Jetty protector', partId: 'protector-outdoor', ...onSite },
    { id: 'jetty-fibre', name: 'Fibre from the jetty', partId: 'fibre-converter' },
    { id: 'old-recorder', name: 'Old recorder', partId: 'recorder-coax-8', state: 'taken away' },
    { id: 'slip-recorder', name: 'Slip recorder', partId: 'recorder-coax-8', state: 'kept' },
    { id: 'bench-jacks', name: 'Workshop bench jacks', partId: 'jack-plate-2', stands: 'on site' },
    { id: 'till-jacks', name: 'Chandlery till jacks', partId: 'jack-plate-2', stands: 'on site' },
  )
  const patched = { cableId: 'lead-thin', fromEndId: 'plug-moulded', toEndId: 'plug-moulded' } as const
  yard.lead(
    {
      id: 'jetty-link',
      name: 'Jetty to the office',
      carries: 'fibre',
      cableId: 'fibre-single',
      fromId: 'jetty',
      fromPort: 'fibre-1',
      fromEndId: 'lc',
      toId: 'jetty-fibre',
      toPort: 'fibre-1',
      toEndId: 'lc',
      segments: [
        way('a', 'conduit', 6, -3, 25, 'pvc-1'),
        way('b', 'under decking', 46, 0, 25),
        way('c', 'wall cavity', 5, 2.4, 20),
      ],
      lead: { lengthM: 70, fedFrom: null, coilAt: 'under decking' },
    },
    {
      id: 'fibre-patch',
      name: 'Fibre box to the switch',
      carries: 'network',
      ...patched,
      fromId: 'jetty-fibre',
      fromPort: 'uplink-1',
      toId: 'office',
      toPort: 'uplink-1',
      segments: [way('a', 'trunking indoors', 1, 0.6, 25)],
      lead: { lengthM: 2, ...FED_FREELY },
    },
    {
      id: 'recorder-patch',
      name: 'Recorder to the switch',
      carries: 'network',
      ...patched,
      fromId: 'recorder',
      fromPort: 'uplink-1',
      toId: 'office',
      toPort: 'uplink-2',
      segments: [way('a', 'trunking indoors', 0.8, 0.4, 25)],
      lead: { lengthM: 2, ...FED_FREELY },
    },
    ...[1, 2].map(benchRun),
    {
      id: 'till-run',
      name: 'Jacks at the till',
      carries: 'network',
      cableId: 'cat5e',
      fromId: 'till-jacks',
      fromPort: 'network-1',
      fromEndId: 'jack',
      toId: 'office',
      toPort: 'network-13',
      toEndId: 'plug',
      segments: [way('a', 'trunking indoors', 10, 1.6, 25)],
    },
  )
}
