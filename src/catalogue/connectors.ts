import type { Connector } from '@/core/parts'

const coax = {
  kind: 'coax',
  takes: ['coax', 'coax and power'],
  conductor: ['solid', 'stranded'],
  boot: 'none',
  acrossMm: 14.5,
} as const
/** A plug made on site, onto solid cores. */
const handMade = {
  kind: 'plug',
  takes: ['pair'],
  conductor: ['solid'],
  coax: null,
  school: null,
} as const
/** An end of a ready-made lead. */
const factory = {
  takes: ['pair'],
  conductor: ['stranded'],
  coax: null,
  school: null,
  made: 'in the factory',
  strip: 'Never cut: made in the factory.',
} as const
/** Of a coax lead with its power beside it, one plug behind the other. */
const coaxLead = {
  ...factory,
  kind: 'coax',
  takes: ['coax and power'],
  jacketMm: [3, 7],
  boot: 'none',
} as const
const CRIMP =
  'Jacket off 25 mm, core back about 5 mm; outer cap on the cable first; not one strand of shield at the core.'
const TWIST =
  'Jacket off 19 mm (3/4 in), core bare 12.7 mm (1/2 in); push on and turn clockwise until it stops.'

/**
 * Strip lengths are common practice, no source. A plug of IEC 60603-7 is 11.68 mm wide and about 8 mm high:
 * 14.2 mm from corner to corner, from memory. Shells of leads and BNC with their power beside it are ordinary
 * sizes, common practice, no source: measure the lead in hand.
 */
export const CONNECTORS: readonly Connector[] = [
  {
    ...handMade,
    id: 'plug',
    name: 'RJ45 plug, no boot',
    jacketMm: [4.5, 6.5],
    boot: 'none',
    acrossMm: 14.2,
    strip: 'Untwist as little as possible; all eight to the front, jacket under the strain relief.',
  },
  {
    ...handMade,
    id: 'plug-boot',
    name: 'RJ45 plug with slide-on boot',
    jacketMm: [4.5, 6.5],
    boot: 'slide-on',
    acrossMm: 16,
    strip: 'Boot on the cable first; all eight to the front, jacket under the strain relief.',
  },
  {
    ...handMade,
    id: 'plug-screened',
    name: 'Screened RJ45 plug, no boot',
    jacketMm: [5.8, 7.6],
    boot: 'none',
    acrossMm: 14.5,
    strip: 'Fold the screen back under the shell; all eight to the front.',
  },
  {
    ...factory,
    id: 'plug-moulded',
    name: 'Factory RJ45 plug with moulded boot',
    kind: 'plug',
    jacketMm: [4.5, 6.5],
    boot: 'moulded',
    acrossMm: 16.5,
  },
  {
    id: 'jack',
    name: 'Keystone jack on a wall plate',
    kind: 'jack',
    takes: ['pair'],
    conductor: ['solid'],
    jacketMm: [4.5, 8],
    coax: null,
    school: null,
    boot: 'none',
    acrossMm: null,
    strip: 'Punch down with the blade on the waste side, or it cuts the conductor before the joint.',
  },
  {
    ...coax,
    id: 'bnc-twist-59',
    name: 'BNC, twist-on, RG59',
    jacketMm: [5.9, 6.4],
    coax: 'RG59',
    school: 'twist-on',
    strip: TWIST,
  },
  {
    ...coax,
    id: 'bnc-twist-6',
    name: 'BNC, twist-on, RG6',
    jacketMm: [6.6, 7.2],
    coax: 'RG6',
    school: 'twist-on',
    strip: TWIST,
  },
  {
    ...coax,
    id: 'bnc-crimp-59',
    name: 'BNC, crimp-on, RG59',
    jacketMm: [5.9, 6.4],
    coax: 'RG59',
    school: 'crimp-on',
    strip: CRIMP,
  },
  {
    ...coax,
    id: 'bnc-crimp-6',
    name: 'BNC, crimp-on, RG6',
    jacketMm: [6.6, 7.2],
    coax: 'RG6',
    school: 'crimp-on',
    strip: CRIMP,
  },
  {
    id: 'mains-joint',
    name: 'Mains joint in the box',
    kind: 'mains joint',
    takes: ['power'],
    conductor: ['solid'],
    jacketMm: [6, 14],
    coax: null,
    school: null,
    boot: 'none',
    acrossMm: null,
    strip: 'Strip 13 mm (1/2 in); earth first, then neutral, then live.',
  },
  {
    id: 'terminals',
    name: 'Screw terminals',
    kind: 'screw terminal',
    takes: ['cores', 'pair', 'earth'],
    conductor: ['solid', 'stranded'],
    jacketMm: [2, 14],
    coax: null,
    school: null,
    boot: 'none',
    acrossMm: null,
    strip: 'Strip 7 mm; a ferrule on strands; tug each core.',
  },
  {
    id: 'lc',
    name: 'LC, factory-made',
    kind: 'fibre',
    takes: ['fibre'],
    conductor: ['solid'],
    jacketMm: [2, 7],
    coax: null,
    school: null,
    boot: 'none',
    acrossMm: 10,
    strip: 'Pull by the eye, never by the connector.',
  },
  {
    ...factory,
    id: 'plug-factory',
    name: 'Factory RJ45 plug, no boot',
    kind: 'plug',
    jacketMm: [4.5, 6.5],
    boot: 'none',
    acrossMm: 14.2,
  },
  {
    ...factory,
    id: 'plug-factory-boot',
    name: 'Factory RJ45 plug with slide-on boot',
    kind: 'plug',
    jacketMm: [4.5, 6.5],
    boot: 'slide-on',
    acrossMm: 16,
  },
  {
    ...factory,
    id: 'plug-factory-shell',
    name: 'Factory RJ45 plug in a weatherproof shell',
    kind: 'plug',
    jacketMm: [4.5, 6.5],
    boot: 'moulded',
    acrossMm: 24,
  },
  {
    ...coaxLead,
    id: 'bnc-power-plug',
    name: 'Factory BNC and power plug',
    acrossMm: 17.5,
  },
  {
    ...coaxLead,
    id: 'bnc-power-socket',
    name: 'Factory BNC and power socket',
    acrossMm: 20,
  },
]
