import { z } from 'zod'
import { Name } from '../../job/fields'
import { CABLE_KINDS, COAX_KINDS, CONDUCTORS } from './cable'
import { named, number, oneOf, partKind, range, type WithId } from './fields'

export const Connector = z.strictObject({
  name: Name,
  kind: oneOf('plug', 'jack', 'coax', 'screw terminal', 'mains joint', 'fibre'),
  takes: z.array(z.enum(CABLE_KINDS)).min(1, 'It takes some cable.').max(CABLE_KINDS.length),
  conductor: z.array(z.enum(CONDUCTORS)).min(1, 'It takes one or both.').max(2),
  jacketMm: range(number('size', 0, 60)),
  coax: z.enum(COAX_KINDS).nullable(),
  school: oneOf('twist-on', 'crimp-on').nullable(),
  boot: oneOf('none', 'slide-on', 'moulded'),
  /** It comes on a ready-made lead; left out for what is made on site. */
  made: z.literal('in the factory').optional(),
  /** Its greatest width once made, corner to corner, mm; null for what is not led through anything. */
  acrossMm: number('size', 1, 100).nullable(),
  strip: z.string().max(200),
})
export type Connector = WithId<typeof Connector>

/** Whether the factory has made an end: a moulded boot goes on nowhere else, fibre is not made on site. */
export const isFactoryMade = ({ made, boot, kind }: Pick<Connector, 'made' | 'boot' | 'kind'>): boolean =>
  made === 'in the factory' || boot === 'moulded' || kind === 'fibre'

const shape = Connector.shape

export const connectorKind = partKind({
  one: 'Connector',
  schema: Connector,
  flat: true,
  asks: [
    {
      path: 'kind',
      label: 'What it is',
      way: { as: 'choice', options: named(...shape.kind.options) },
      stages: ['terminate'],
      costs: 'how it is made',
    },
    {
      path: 'takes',
      label: 'Takes',
      way: { as: 'ticks', options: named(...CABLE_KINDS) },
      stages: ['terminate'],
      costs: 'which cable it fits',
    },
    {
      path: 'conductor',
      label: 'Conductors it takes',
      way: { as: 'ticks', options: named(...CONDUCTORS) },
      stages: ['terminate'],
      costs: 'whether it makes contact',
    },
    {
      path: 'jacketMm',
      label: 'Jacket it grips',
      way: { as: 'range', kind: 'size' },
      stages: ['terminate'],
      costs: 'whether it grips',
    },
    {
      path: 'coax',
      label: 'Coax it is made for',
      way: { as: 'choice', options: named(...COAX_KINDS) },
      none: 'None',
      stages: ['terminate'],
      costs: 'which cable it fits',
    },
    {
      path: 'school',
      label: 'Goes on by',
      way: { as: 'choice', options: { 'twist-on': 'Twisting on', 'crimp-on': 'Crimping on' } },
      none: 'Neither',
      stages: ['terminate'],
      costs: 'how it is made',
    },
    {
      path: 'boot',
      label: 'Boot',
      way: { as: 'choice', options: named(...shape.boot.options) },
      stages: ['seal'],
      costs: 'whether it passes a coupling',
    },
    {
      path: 'made',
      label: 'Made',
      way: { as: 'choice', options: { 'in the factory': 'In the factory, on a ready-made lead' } },
      none: 'On site',
      absent: true,
      stages: ['terminate'],
      costs: 'whether it is made on site',
    },
    {
      path: 'acrossMm',
      label: 'Greatest width once made',
      way: { as: 'quantity', kind: 'size' },
      none: 'Led through nothing',
      stages: ['seal', 'mount'],
      costs: 'what it passes',
    },
    {
      path: 'strip',
      label: 'How it is made',
      way: { as: 'words' },
      stages: ['terminate'],
      costs: 'strip lengths and tools',
    },
  ],
})
