import { z } from 'zod'
import { Name } from '../../job/fields'
import { MAKER, named, number, oneOf, partKind, range, Source, type WithId } from './fields'

export const Holding = oneOf(
  'wood',
  'masonry',
  'hollow masonry',
  'steel sheet',
  'soft sheet',
  'tile',
  'pole',
  'box',
)
export type Holding = z.infer<typeof Holding>

export const Fixing = z
  .strictObject({
    name: Name,
    kind: oneOf(
      'wood screw',
      'lag screw',
      'plug and screw',
      'expansion bolt',
      'hollow anchor',
      'self-drilling screw',
      'rivet nut',
      'band',
      'machine screw',
    ),
    holdsIn: z.array(Holding).min(1, 'It holds in something.').max(8),
    /** Surfaces for which it is tried first. */
    usualFor: z.array(Holding).max(8).optional(),
    diameterMm: number('size', 1, 60),
    /** Root of the thread; null where no pilot is cut by it. */
    rootMm: number('size', 0.5, 60).nullable(),
    threadMm: number('size', 0, 500),
    /** Hole to drill for a plug, anchor or machine thread; null for screws that take a pilot by wood. */
    holeMm: number('size', 0, 60).nullable(),
    /** Whether the hole must grip it ('anchor'), or let it through ('clear'). */
    holeFit: oneOf('anchor', 'clear'),
    /** Catalogue pull-out value for one fixing; null for wood, where it is computed. */
    pullN: number('force', 1, 100_000).nullable(),
    /** Catalogue value across the fixing, for one. */
    shearN: number('force', 1, 100_000),
    /** Diameters of pole that a band goes round; null for what is no band. */
    bandMm: range(number('size', 10, 2000)).nullable(),
    basis: z.string().max(200),
    source: Source,
  })
  .refine(
    ({ pullN, holdsIn }) => pullN !== null || holdsIn.every((in_) => in_ === 'wood' || in_ === 'pole'),
    {
      path: ['pullN'],
      message: 'Only in wood is the pull computed: give the maker’s value.',
    },
  )
export type Fixing = WithId<typeof Fixing>

const shape = Fixing.shape

export const fixingKind = partKind({
  one: 'Fixing',
  schema: Fixing,
  flat: true,
  cites: ({ pullN }, isRead) =>
    pullN !== null && isRead('pullN') ? { source: MAKER, basis: 'Working value of the maker’s sheet' } : {},
  asks: [
    {
      path: 'kind',
      label: 'What it is',
      way: { as: 'choice', options: named(...shape.kind.options) },
      stages: ['mount'],
      costs: 'how it is set',
    },
    {
      path: 'holdsIn',
      label: 'Holds in',
      way: { as: 'ticks', options: named(...Holding.options) },
      stages: ['mount'],
      costs: 'where it may be used',
    },
    {
      path: 'diameterMm',
      label: 'Diameter',
      way: { as: 'quantity', kind: 'size' },
      stages: ['mount'],
      costs: 'pull, shear and the hole',
    },
    {
      path: 'rootMm',
      label: 'Root of the thread',
      way: { as: 'quantity', kind: 'size' },
      none: 'No pilot',
      stages: ['mount'],
      costs: 'the pilot hole',
    },
    {
      path: 'threadMm',
      label: 'Length of thread',
      way: { as: 'quantity', kind: 'size' },
      stages: ['mount'],
      costs: 'the pull in wood',
    },
    {
      path: 'holeMm',
      label: 'Hole to drill',
      way: { as: 'quantity', kind: 'size' },
      none: 'Pilot by the wood',
      stages: ['mount'],
      costs: 'the bit',
    },
    {
      path: 'holeFit',
      label: 'The hole',
      way: { as: 'choice', options: { anchor: 'Grips it', clear: 'Lets it through' } },
      stages: ['mount'],
      costs: 'which bit may stand in for another',
    },
    {
      path: 'pullN',
      label: 'Working pull of one',
      way: { as: 'quantity', kind: 'force' },
      none: 'Computed for wood',
      hint: 'The maker’s allowable value in that ground, not the breaking load.',
      stages: ['mount'],
      costs: 'whether it holds',
    },
    {
      path: 'shearN',
      label: 'Working shear of one',
      way: { as: 'quantity', kind: 'force' },
      stages: ['mount'],
      costs: 'whether it holds',
    },
    {
      path: 'bandMm',
      label: 'Pole it goes round',
      way: { as: 'range', kind: 'size' },
      none: 'It is no band',
      stages: ['mount'],
      costs: 'which poles it fits',
    },
  ],
})
