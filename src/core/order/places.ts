/**
 * Where work is done, in the order in which a day usually goes, and what going there again costs beside the
 * others: a climb is dearest. The proportions are common practice, no source.
 */
export const PLACES = {
  'bench': { name: 'On the bench', visit: 1 },
  'head end': { name: 'At the head end', visit: 3 },
  'on the way': { name: 'Along the way', visit: 5 },
  'at the device': { name: 'At the device', visit: 8 },
  'at the desk': { name: 'At the desk', visit: 1 },
} as const

export type Place = keyof typeof PLACES
