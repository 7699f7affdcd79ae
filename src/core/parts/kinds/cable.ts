import { z } from 'zod'
import { Name } from '../../job/fields'
import { JACKET_NEEDS } from '../../job/spaces'
import { MAKER, named, number, partKind, Source, whole, type WithId } from './fields'

const JACKETS = Object.keys(JACKET_NEEDS) as [keyof typeof JACKET_NEEDS, ...(keyof typeof JACKET_NEEDS)[]]

/** `power` is mains; `cores` carry low voltage and signals. */
export const CABLE_KINDS = ['pair', 'coax', 'coax and power', 'power', 'cores', 'earth', 'fibre'] as const
export const COAX_KINDS = ['RG59', 'RG6'] as const
export const CONDUCTORS = ['solid', 'stranded'] as const

export const Cable = z
  .strictObject({
    name: Name,
    kind: z.enum(CABLE_KINDS),
    diameterMm: number('size', 1, 60),
    /** Across what a connector grips: the jacket, or the coax alone of a combined cable. */
    fittingMm: number('size', 1, 60),
    coax: z.enum(COAX_KINDS).nullable(),
    /** Gauge of the data conductors, or of the power cores of a combined cable. */
    awg: whole(4, 30).nullable(),
    conductor: z.enum(CONDUCTORS),
    screened: z.boolean(),
    /** What its jacket stands beside dry rooms. */
    stands: z.array(z.enum(JACKETS)).max(JACKETS.length),
    /** Tightest bend as a multiple of the diameter, hardest pull in newtons, and who says so. */
    bendTimes: z.number('Give a number of diameters.').min(1, 'At least 1.').max(50, 'At most 50.'),
    pullN: number('force', 1, 10_000),
    handling: Source,
    /** Longest run for its signal; null for pair cable, whose limit depends on heat. */
    longestRunM: number('length', 1, 100_000).nullable(),
    drumM: number('length', 1, 10_000),
    source: Source,
  })
  .refine(({ kind, longestRunM }) => kind === 'pair' || longestRunM !== null, {
    path: ['longestRunM'],
    message: 'Only of pair cable is it known from the standard: give the longest run.',
  })
  .refine(({ kind, awg }) => awg !== null || kind === 'coax' || kind === 'fibre', {
    path: ['awg'],
    message: 'Its cores carry power: give their gauge.',
  })
  .refine(({ kind, coax }) => (coax !== null) === (kind === 'coax' || kind === 'coax and power'), {
    path: ['coax'],
    message: 'Coax is RG59 or RG6; other cable is neither.',
  })
export type Cable = WithId<typeof Cable>

export const cableKind = partKind({
  one: 'Cable',
  schema: Cable,
  flat: true,
  cites: ({ longestRunM }, isRead) => ({
    ...(longestRunM !== null && isRead('longestRunM') ? { source: MAKER } : {}),
    ...(isRead('bendTimes') && isRead('pullN') ? { handling: MAKER } : {}),
  }),
  asks: [
    {
      path: 'kind',
      label: 'What it is',
      way: { as: 'choice', options: named(...CABLE_KINDS) },
      stages: ['route', 'terminate'],
      costs: 'what it carries',
    },
    {
      path: 'diameterMm',
      label: 'Across the jacket',
      way: { as: 'quantity', kind: 'size' },
      stages: ['route', 'seal'],
      costs: 'conduit fill, holes and what grips it',
    },
    {
      path: 'fittingMm',
      label: 'Across what a connector grips',
      way: { as: 'quantity', kind: 'size' },
      stages: ['terminate'],
      costs: 'which connector fits',
    },
    {
      path: 'coax',
      label: 'Coax',
      way: { as: 'choice', options: named(...COAX_KINDS) },
      none: 'It is none',
      stages: ['terminate'],
      costs: 'which connector fits',
    },
    {
      path: 'awg',
      label: 'Gauge of its cores (AWG)',
      way: { as: 'quantity', kind: 'count' },
      none: 'No copper cores',
      stages: ['power', 'terminate'],
      costs: 'the voltage drop',
    },
    {
      path: 'conductor',
      label: 'Conductors',
      way: { as: 'choice', options: named(...CONDUCTORS) },
      stages: ['terminate', 'route'],
      costs: 'which connector fits, and the reach',
    },
    {
      path: 'screened',
      label: 'Screened',
      way: { as: 'yes or no' },
      stages: ['terminate'],
      costs: 'whether a screen must be bonded',
    },
    {
      path: 'stands',
      label: 'Its jacket stands',
      way: {
        as: 'ticks',
        options: {
          'sunlight': 'Sunlight',
          'wet': 'Standing water',
          'buried': 'Being buried',
          'riser': 'Risers between floors',
          'air handling': 'Air-handling spaces',
        },
      },
      stages: ['route'],
      costs: 'where it may lie',
    },
    {
      path: 'bendTimes',
      label: 'Tightest bend, times its diameter',
      way: { as: 'quantity', kind: 'count' },
      stages: ['route'],
      costs: 'how it may be led',
    },
    {
      path: 'pullN',
      label: 'Hardest pull',
      way: { as: 'quantity', kind: 'force' },
      stages: ['route'],
      costs: 'how hard it may be pulled',
    },
    {
      path: 'longestRunM',
      label: 'Longest run',
      way: { as: 'quantity', kind: 'length' },
      none: 'By the standard for pairs',
      stages: ['route'],
      costs: 'how far it reaches',
    },
    {
      path: 'drumM',
      label: 'On a drum or in a box',
      way: { as: 'quantity', kind: 'length' },
      stages: ['route'],
      costs: 'how many drums to load',
    },
  ],
})
