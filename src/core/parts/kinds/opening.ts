import { z } from 'zod'
import { named, number, oneOf, Ratings, type Asked, type Fixed } from './fields'

/** An opening of a part that water could use. */
export const Opening = z.strictObject({
  key: z.string().regex(/^[a-z0-9-]{1,24}$/, 'A key has 1 to 24 small letters, digits or -.'),
  name: z.string().trim().min(1, 'Give it a name.').max(60, 'Use at most 60 characters.'),
  kind: oneOf('tail joint', 'cable entry', 'grommet seat', 'spare entry', 'gasket', 'wall edge'),
  /** From where its nut or rubber is put in and tightened; left out where nothing is put in. */
  side: oneOf('rear', 'side', 'inside').optional(),
  /** Clear hole of an entry in mm; null where nothing screws in. */
  holeMm: number('size', 1, 200).nullable(),
  /**
   * Ratings the opening has by itself when its own gasket is seated, e.g. ['IP66']; empty when it needs a
   * sealing part.
   */
  builtIn: Ratings,
})
export type Opening = Fixed<z.infer<typeof Opening>>

/** Each has a key of its own: seals are chosen by it. */
export const Openings = z
  .array(Opening)
  .max(12)
  .refine((openings) => new Set(openings.map(({ key }) => key)).size === openings.length, 'Two have one key.')

export const OPENINGS_ASKED: Asked = {
  path: 'openings',
  label: 'Openings that water could use',
  hint: 'Joints, entries, gaskets and edges, each with the ratings it has by itself.',
  stages: ['seal'],
  costs: 'what must be sealed, and with what',
  way: {
    as: 'rows',
    add: 'Another opening',
    row: [
      { path: 'name', label: 'Name', way: { as: 'words' } },
      {
        path: 'kind',
        label: 'What it is',
        way: { as: 'choice', options: named(...Opening.shape.kind.options) },
      },
      {
        path: 'side',
        label: 'Tightened from',
        way: { as: 'choice', options: named('rear', 'side', 'inside') },
        none: 'Nothing is put in',
        absent: true,
      },
      {
        path: 'holeMm',
        label: 'Clear hole',
        way: { as: 'quantity', kind: 'size' },
        none: 'Nothing screws in',
      },
      {
        path: 'builtIn',
        label: 'Ratings by itself',
        way: { as: 'list' },
        hint: 'Like IP66, IP67; empty where it needs a sealing part',
      },
    ],
  },
}
