import { isDone, isPlanned, type DeviceAssessment } from '@/core/assess'

/** Which devices the board shows, and in what order. */

type Shows = (device: DeviceAssessment) => boolean

export const FILTERS = {
  all: { name: 'All devices', shows: () => true },
  stopped: { name: 'Stopped', shows: ({ pending, verdict }) => !pending && verdict === 'stop' },
  look: { name: 'Want a look', shows: ({ pending, verdict }) => !pending && verdict === 'check' },
  open: { name: 'Not planned through', shows: (device) => !device.pending && !isPlanned(device) },
  begun: { name: 'Begun', shows: (device) => device.log.done > 0 && !isDone(device) },
  done: { name: 'Done', shows: isDone },
  old: { name: 'Were there before', shows: ({ state }) => state !== 'new' },
} as const satisfies Record<string, { readonly name: string; readonly shows: Shows }>
export type Filter = keyof typeof FILTERS

const GRAVITY = { stop: 0, check: 1, good: 2 } as const
const share = ({ log }: DeviceAssessment): number => (log.total === 0 ? 0 : log.done / log.total)

export const ORDERS = {
  added: { name: 'As added', by: () => 0 },
  mark: { name: 'By mark', by: (a, b) => a.mark.localeCompare(b.mark, 'en', { numeric: true }) },
  wrong: { name: 'What is wrong first', by: (a, b) => GRAVITY[a.verdict] - GRAVITY[b.verdict] },
  far: { name: 'Furthest along first', by: (a, b) => share(b) - share(a) },
} as const satisfies Record<
  string,
  { readonly name: string; readonly by: (a: DeviceAssessment, b: DeviceAssessment) => number }
>
export type Order = keyof typeof ORDERS

/** The devices that a filter lets through, in an order; equals stay as they were added. */
export const arranged = (
  devices: readonly DeviceAssessment[],
  filter: Filter,
  order: Order,
): readonly DeviceAssessment[] =>
  filter === 'all' && order === 'added'
    ? devices
    : devices.filter(FILTERS[filter].shows).sort(ORDERS[order].by)
