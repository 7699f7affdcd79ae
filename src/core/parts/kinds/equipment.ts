import { z } from 'zod'
import { Name } from '../../job/fields'
import { named, number, oneOf, partKind, range, Ratings, whole, yes, type Fixed, type WithId } from './fields'

export const EQUIPMENT_KINDS = {
  'recorder': 'Recorder',
  'switch': 'Switch',
  'supply': 'Supply',
  'circuit': 'Mains circuit',
  'injector': 'Injector',
  'splitter': 'Splitter',
  'in-line adapter': 'In-line adapter',
  'protector': 'Surge protector',
  'media converter': 'Media converter',
  'box': 'Box',
  'jack plate': 'Jack plate',
  'microphone': 'Microphone',
  'lamp': 'Lamp',
} as const
export type EquipmentKind = keyof typeof EQUIPMENT_KINDS

export const PURPOSES = {
  network: 'Network',
  uplink: 'Uplink',
  fibre: 'Fibre',
  video: 'Video',
  dc: 'DC',
  mains: 'Mains',
  audio: 'Audio',
  alarm: 'Alarm',
  earth: 'Earth',
} as const
export type Purpose = keyof typeof PURPOSES

const keys = <T extends object>(table: T) => Object.keys(table) as [keyof T & string, ...(keyof T & string)[]]

const Port = z.strictObject({ purpose: z.enum(keys(PURPOSES)), count: whole(1, 500) })
export type Port = Fixed<z.infer<typeof Port>>

/** What it gives to cameras. */
const Feeds = z.strictObject({
  kind: oneOf('poe switch', 'injector', 'dc supply', 'ac supply', 'mains'),
  ports: whole(1, 500),
  budgetW: number('power', 1, 100_000),
  /** Highest PoE class a port gives; null when it gives none. */
  poeClass: whole(0, 8).nullable(),
  volts: number('voltage', 3, 480),
  /** Its ports agree on what a camera takes; without that each reserves the whole class. */
  signals: z.boolean(),
  /** Volts it can be set to; null where they are fixed. */
  adjustV: range(number('voltage', 3, 480)).nullable(),
})

/** What feeds cameras. */
export type Supply = { readonly name: string } & Fixed<z.infer<typeof Feeds>>

/** What is installed beside cameras: it has a mark, a place, a record and steps of its own. */
export const EquipmentPart = z.strictObject({
  name: Name,
  kind: z.enum(keys(EQUIPMENT_KINDS)),
  /** Null where it feeds none. */
  feeds: Feeds.nullable(),
  /** Sockets and terminals that runs end in, by what for. */
  ports: z
    .array(Port)
    .max(Object.keys(PURPOSES).length)
    .refine(
      (ports) => new Set(ports.map(({ purpose }) => purpose)).size === ports.length,
      'One row a purpose.',
    ),
  /** It has an address and a password. */
  networked: z.boolean(),
  /** It keeps pictures. */
  records: yes,
  /** What it runs on itself. */
  runsOn: oneOf('mains plug', 'mains joint', 'PoE', 'DC', 'nothing'),
  /** What it takes in its worst hour, and the volts that it runs on, where a low-voltage run feeds it. */
  takesW: number('power', 0.01, 5000).optional(),
  takesV: range(number('voltage', 3, 60)).optional(),
  held: oneOf('in a rack', 'on a shelf', 'on the wall', 'on the pole', 'in line', 'in a box'),
  /** Ratings of its case; empty where it is made for dry rooms only. */
  ratings: Ratings,
  massKg: number('mass', 0, 500),
  /** Cable entries of its case that are closed from outside. */
  entries: whole(0, 100),
})
export type EquipmentPart = WithId<typeof EquipmentPart>

const shape = EquipmentPart.shape

export const equipmentKind = partKind({
  one: 'Equipment',
  schema: EquipmentPart,
  flat: false,
  asks: [
    {
      path: 'kind',
      label: 'What it is',
      way: { as: 'choice', options: EQUIPMENT_KINDS },
      stages: [],
      costs: 'which steps it takes',
    },
    {
      path: 'feeds/ports',
      label: 'Ports that feed',
      way: { as: 'quantity', kind: 'count' },
      stages: ['power'],
      costs: 'how many cameras it feeds',
    },
    {
      path: 'feeds/budgetW',
      label: 'Power for all ports together',
      way: { as: 'quantity', kind: 'power' },
      stages: ['power'],
      costs: 'whether it feeds them all',
    },
    {
      path: 'feeds/poeClass',
      label: 'Highest PoE class of a port',
      way: { as: 'quantity', kind: 'count' },
      none: 'No PoE',
      stages: ['power'],
      costs: 'which cameras it feeds',
    },
    {
      path: 'feeds/volts',
      label: 'Volts it gives',
      way: { as: 'quantity', kind: 'voltage' },
      stages: ['power'],
      costs: 'the volts at the camera',
    },
    {
      path: 'feeds/signals',
      label: 'Ports agree on what a camera takes',
      way: { as: 'yes or no' },
      stages: ['power'],
      costs: 'how much each port reserves',
    },
    {
      path: 'feeds/adjustV',
      label: 'Volts it can be set to',
      way: { as: 'range', kind: 'voltage' },
      none: 'Fixed',
      stages: ['power'],
      costs: 'whether a drop can be made up',
    },
    {
      path: 'ports',
      label: 'Sockets and terminals, by what for',
      stages: [],
      costs: 'whether every run finds a port',
      way: {
        as: 'rows',
        add: 'Another purpose',
        row: [
          { path: 'purpose', label: 'What for', way: { as: 'choice', options: PURPOSES } },
          { path: 'count', label: 'How many', way: { as: 'quantity', kind: 'count' } },
        ],
      },
    },
    {
      path: 'networked',
      label: 'Has an address and a password',
      way: { as: 'yes or no' },
      stages: [],
      costs: 'whether its password is asked for',
    },
    {
      path: 'runsOn',
      label: 'Runs on',
      way: { as: 'choice', options: named(...shape.runsOn.options) },
      stages: [],
      costs: 'whether mains must be made dead',
    },
    {
      path: 'takesW',
      label: 'Takes, in its worst hour',
      way: { as: 'quantity', kind: 'power' },
      none: 'Runs on no low voltage, or not known',
      absent: true,
      stages: ['power'],
      costs: 'the volts that arrive, and the load on its supply',
    },
    {
      path: 'takesV',
      label: 'Runs on, from least to most',
      way: { as: 'range', kind: 'voltage' },
      none: 'Runs on no low voltage, or not known',
      absent: true,
      stages: ['power'],
      costs: 'whether enough volts arrive',
    },
    {
      path: 'held',
      label: 'Is held',
      way: { as: 'choice', options: named(...shape.held.options) },
      stages: [],
      costs: 'how it is fastened',
    },
    {
      path: 'ratings',
      label: 'Ratings of its case',
      way: { as: 'list' },
      hint: 'Like IP66; empty where it is made for dry rooms only',
      stages: [],
      costs: 'where it may stand',
    },
    {
      path: 'massKg',
      label: 'Mass',
      way: { as: 'quantity', kind: 'mass' },
      stages: [],
      costs: 'what holds it',
    },
    {
      path: 'entries',
      label: 'Cable entries closed from outside',
      way: { as: 'quantity', kind: 'count' },
      stages: [],
      costs: 'whether every cable finds an entry',
    },
  ],
})
