import { z } from 'zod'
import { Name } from '../../job/fields'
import { MAKER, named, number, oneOf, partKind, range, Ratings, Source, type WithId } from './fields'
import { Opening } from './opening'

/** A piece of a seal in the order in which it goes onto the cable. */
const SealPiece = z.strictObject({
  name: z.string().trim().min(1, 'Give it a name.').max(60),
  way: z.string().trim().min(1, 'Say which way round it goes.').max(120),
  /** Before the plug, after it, or on the camera's own tail. */
  when: oneOf('before the plug', 'after the plug', 'on the tail'),
})

export const Seal = z.strictObject({
  name: Name,
  kind: oneOf('coupling kit', 'gland', 'grommet', 'tape', 'blank', 'sealant'),
  closes: z.array(Opening.shape.kind).min(1, 'It closes something.').max(6),
  clampMm: range(number('size', 0, 60)).nullable(),
  /** Hole it screws into, mm; null where it screws into none. */
  holeMm: number('size', 1, 200).nullable(),
  ratings: Ratings,
  passesPlug: z.boolean(),
  refusesBoot: z.boolean(),
  pieces: z.array(SealPiece).max(10),
  /** How it is made good, in one sentence. */
  make: z.string().max(300),
  /** What its maker wants closed on the cable before mating, in one sentence; else all comes after. */
  makeFirst: z.string().trim().min(1).max(300).optional(),
  /** The same where it hangs from a soffit or a ceiling, if that differs. */
  makeBelow: z.string().max(300).optional(),
  source: Source,
})
export type Seal = WithId<typeof Seal>
export type SealPiece = Seal['pieces'][number]

const shape = Seal.shape

export const sealKind = partKind({
  one: 'Seal',
  schema: Seal,
  flat: false,
  cites: () => ({ source: MAKER }),
  asks: [
    {
      path: 'kind',
      label: 'What it is',
      way: { as: 'choice', options: named(...shape.kind.options) },
      stages: ['seal'],
      costs: 'how it is made good',
    },
    {
      path: 'closes',
      label: 'Closes',
      way: { as: 'ticks', options: named(...Opening.shape.kind.options) },
      stages: ['seal'],
      costs: 'where it may be used',
    },
    {
      path: 'clampMm',
      label: 'Cable it grips',
      way: { as: 'range', kind: 'size' },
      none: 'It grips none',
      stages: ['seal'],
      costs: 'whether it is tight on this cable',
    },
    {
      path: 'holeMm',
      label: 'Hole it screws into',
      way: { as: 'quantity', kind: 'size' },
      none: 'None',
      stages: ['seal'],
      costs: 'which entry it fits',
    },
    {
      path: 'ratings',
      label: 'Ratings',
      way: { as: 'list' },
      hint: 'Like IP66, IP67',
      stages: ['seal'],
      costs: 'what water it keeps out',
    },
    {
      path: 'passesPlug',
      label: 'A finished plug passes it',
      way: { as: 'yes or no' },
      stages: ['seal', 'terminate'],
      costs: 'whether the plug is made before or after',
    },
    {
      path: 'refusesBoot',
      label: 'A boot is in its way',
      way: { as: 'yes or no' },
      stages: ['seal'],
      costs: 'which plug goes with it',
    },
    {
      path: 'pieces',
      label: 'Its pieces, in the order in which they go on',
      stages: ['seal'],
      costs: 'the order on the cable, and which way round',
      way: {
        as: 'rows',
        add: 'Another piece',
        row: [
          { path: 'name', label: 'Piece', way: { as: 'words' } },
          { path: 'way', label: 'Which way round', way: { as: 'words' } },
          {
            path: 'when',
            label: 'Goes on',
            way: { as: 'choice', options: named(...SealPiece.shape.when.options) },
          },
        ],
      },
    },
    {
      path: 'make',
      label: 'How it is made good',
      way: { as: 'words' },
      stages: ['seal'],
      costs: 'how it is closed',
    },
    {
      path: 'makeFirst',
      label: 'What is closed before mating',
      way: { as: 'words' },
      none: 'Nothing: all of it after',
      absent: true,
      hint: 'Some kits want their nut tight before they are plugged in: the maker’s sheet says',
      stages: ['seal'],
      costs: 'in which order it is closed',
    },
  ],
})
