import { limit, type Formula } from '../sources'

export const PHOTO_LIMITS = {
  aim: limit(
    'Standard deviation of where a finger sets an end, widths of the picture',
    0.003,
    '×',
    'practice',
  ),
} as const

/** Things that lie about on a site and whose length is known. */
export const KNOWN_LENGTHS = {
  card: limit('Bank card, long edge', 85.6, 'mm', 'iso-7810'),
  euro: limit('1 euro coin, across', 23.25, 'mm', 'ec-975-98'),
  quarter: limit('Quarter dollar coin, across', 24.26, 'mm', 'usc-31-5112'),
  a4: limit('A4 sheet, short edge', 210, 'mm', 'iso-216'),
  letter: limit('Letter sheet, short edge', 215.9, 'mm', 'asme-y14-1'),
} as const
export type KnownThing = keyof typeof KNOWN_LENGTHS

export const PHOTO_FORMULAS: readonly Formula[] = [
  {
    name: 'Length in a photo',
    formula: 'known length × length in the picture / known length in the picture',
    source: 'physics',
  },
  {
    name: 'Its uncertainty, about 95 %',
    formula: '2 × √2 × aim × known / known in the picture × √(1 + (length / known in the picture)²)',
    source: 'jcgm-100',
  },
]
