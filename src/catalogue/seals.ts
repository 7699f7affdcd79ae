import type { Seal } from '@/core/parts'

const made = { source: 'catalogue' } as const
const glandPieces = [{ name: 'gland nut', way: 'thread toward the entry', when: 'before the plug' }] as const
const gland = (id: string, name: string, holeMm: number, min: number, max: number, ratings: string[]): Seal => ({
  ...made, id, name, kind: 'gland', closes: ['cable entry'], clampMm: [min, max], holeMm, ratings, passesPlug: false, refusesBoot: true, pieces: glandPieces,
  make: 'Body in the entry, rubber on the cable, nut tightened until the rubber grips.',
})

/** Entry holes: M16 16.5, M20 20.5, M25 25.5, 1/2 in NPT 22.2, 3/4 in NPT 28.2 mm, from memory of the thread tables. */
export const SEALS: readonly Seal[] = [
  {
    ...made, id: 'coupling-four-part', name: 'Four-part coupling kit', kind: 'coupling kit', closes: ['tail joint'], clampMm: [4.5, 7], holeMm: null, ratings: ['IP66', 'IP67'],
    passesPlug: false, refusesBoot: true,
    pieces: [
      { name: 'nut', way: 'thread toward the plug', when: 'before the plug' },
      { name: 'claw ring', way: 'claws toward the plug, none bent', when: 'before the plug' },
      { name: 'coupling body', way: 'top end first, mating end toward the tail', when: 'before the plug' },
      { name: 'O-ring', way: 'seated on the tail', when: 'on the tail' },
      { name: 'rubber halves', way: 'taper showing, teeth aligned with the body', when: 'after the plug' },
    ],
    make: 'Plug in, twist the body home with its notches, check the O-ring, fit the rubber halves, claws even, nut tight.',
  },
  {
    ...made, id: 'coupling-slip-on', name: 'Slip-on coupling kit with slit rubber', kind: 'coupling kit', closes: ['tail joint'], clampMm: [4.8, 6.5], holeMm: null, ratings: ['IP66'],
    passesPlug: false, refusesBoot: true,
    pieces: [
      { name: 'nut', way: 'thread toward the plug', when: 'before the plug' },
      { name: 'coupling body', way: 'mating end toward the tail', when: 'before the plug' },
      { name: 'O-ring', way: 'seated on the tail', when: 'on the tail' },
      { name: 'slit rubber', way: 'over the cable through its slit, then into the body', when: 'after the plug' },
    ],
    make: 'Plug in, turn the body home, press the slit rubber in, tighten the nut.',
  },
  gland('gland-m16', 'Gland M16, 4–8 mm', 16.5, 4, 8, ['IP66', 'IP68']),
  gland('gland-m20', 'Gland M20, 6–12 mm', 20.5, 6, 12, ['IP66', 'IP68']),
  gland('gland-m20-slim', 'Gland M20 with reducing rubber, 4–7 mm', 20.5, 4, 7, ['IP66', 'IP67']),
  gland('gland-m25', 'Gland M25, 9–16 mm', 25.5, 9, 16, ['IP66', 'IP68']),
  gland('gland-m25-slim', 'Gland M25 with reducing rubber, 4–9 mm', 25.5, 4, 9, ['IP66']),
  gland('gland-half-npt', 'Gland 1/2 in NPT, 6–12 mm', 22.2, 6, 12, ['IP66']),
  gland('gland-three-quarter-npt', 'Gland 3/4 in NPT, 13–18 mm', 28.2, 13, 18, ['IP66']),
  {
    ...made, id: 'grommet-slim', name: 'Slim rubber grommet, 3.5–5.0 mm', kind: 'grommet', closes: ['grommet seat'], clampMm: [3.5, 5], holeMm: 12, ratings: ['IP66'],
    passesPlug: false, refusesBoot: true, pieces: [{ name: 'slim grommet', way: 'lip toward the inside', when: 'before the plug' }],
    make: 'One cable only; push through, then draw back a little so that the lip seats.',
  },
  {
    ...made, id: 'grommet-piercing', name: 'Self-piercing grommet, 4.5–9 mm', kind: 'grommet', closes: ['grommet seat'], clampMm: [4.5, 9], holeMm: 20.5, ratings: ['IP66', 'IP67'],
    passesPlug: true, refusesBoot: true, pieces: [{ name: 'self-piercing grommet', way: 'pierced in the centre with the tool, one cable', when: 'after the plug' }],
    make: 'Pierce in the centre, one cable each, draw back a little so that the lip seats; leave 65–75 mm inside.',
  },
  {
    ...made, id: 'tape', name: 'Self-amalgamating tape', kind: 'tape', closes: ['tail joint'], clampMm: null, holeMm: null, ratings: ['IP54'], passesPlug: true, refusesBoot: false, pieces: [{ name: 'self-amalgamating tape', way: 'half lapped, stretched to twice its length', when: 'after the plug' }],
    make: 'Stretch and half lap, from the cable over the joint onto the tail.', source: 'practice',
  },
  { ...made, id: 'blank-m20', name: 'Blanking plug M20', kind: 'blank', closes: ['spare entry'], clampMm: null, holeMm: 20.5, ratings: ['IP66', 'IP68'], passesPlug: true, refusesBoot: false, pieces: [], make: 'Screw home on its own washer.' },
  { ...made, id: 'silicone', name: 'Silicone bead, bottom left open', kind: 'sealant', closes: ['wall edge'], clampMm: null, holeMm: null, ratings: ['IPX4'], passesPlug: true, refusesBoot: false, pieces: [], make: 'Bead round the top and both sides; leave the drain at the bottom open.', source: 'practice' },
]
