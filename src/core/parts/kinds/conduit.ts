import { z } from 'zod'
import { Name } from '../../job/fields'
import { MAKER, partKind, Source, type WithId } from './fields'

export const Conduit = z.strictObject({
  name: Name,
  boreAreaMm2: z.number('Give a number of mm².').min(10, 'At least 10 mm².').max(1e6, 'At most 1 m².'),
  /** How much a metre of it grows with every °C, mm; left out where nobody says. */
  growsMmPerMC: z.number('Give a number of mm.').min(0, 'At least 0.').max(1, 'At most 1 mm.').optional(),
  /** Across its outside, mm; left out where nobody says. */
  outsideMm: z.number('Give a number of mm.').min(4, 'At least 4 mm.').max(1000, 'At most 1 m.').optional(),
  /** Trunking, with a lid all along; left out for what is round. */
  form: z.literal('trunking').optional(),
  source: Source,
})
export type Conduit = WithId<typeof Conduit>

export const conduitKind = partKind({
  one: 'Conduit',
  schema: Conduit,
  flat: true,
  cites: (_, isRead) => (isRead('boreAreaMm2') ? { source: MAKER } : {}),
  asks: [
    {
      path: 'boreAreaMm2',
      label: 'Area of the bore, mm²',
      way: { as: 'quantity', kind: 'count' },
      stages: ['route'],
      costs: 'how many cables go in',
    },
    {
      path: 'growsMmPerMC',
      label: 'A metre grows with every °C, mm',
      way: { as: 'quantity', kind: 'count' },
      none: 'Not known',
      absent: true,
      stages: ['route'],
      costs: 'whether it wants expansion fittings',
    },
    {
      path: 'outsideMm',
      label: 'Across its outside, mm',
      way: { as: 'quantity', kind: 'size' },
      none: 'Not known',
      absent: true,
      stages: ['route'],
      costs: 'the hole where it goes through a wall',
    },
  ],
})
