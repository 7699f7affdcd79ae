import type { Cable, Conduit, Connector } from '@/core/parts'

const common = { conductor: 'solid', drumM: 305, longestRunM: null, coax: null, source: 'tia-568-2-d', bendTimes: 4, pullN: 110, handling: 'tia-568-0' } as const
const coaxial = { bendTimes: 10, handling: 'practice' } as const
const INDOOR = ['riser'] as const
const OUTDOOR = ['sunlight', 'wet'] as const
const ANYWHERE_WET = ['sunlight', 'wet', 'buried'] as const

/** Bends and pulls of pair cable and fibre: TIA-568.0; of mains cable: NEC 334.24; of coax: common practice, no source. Longest coax runs for composite video are common practice; outer diameters are ordinary ones. */
export const CABLES: readonly Cable[] = [
  { ...common, id: 'cat5e', name: 'Cat 5e, indoor, 5.2 mm', kind: 'pair', diameterMm: 5.2, fittingMm: 5.2, awg: 24, screened: false, stands: INDOOR },
  { ...common, id: 'cat5e-outdoor', name: 'Cat 5e, outdoor, 5.8 mm', kind: 'pair', diameterMm: 5.8, fittingMm: 5.8, awg: 24, screened: false, stands: OUTDOOR },
  { ...common, id: 'cat6', name: 'Cat 6, indoor, 6.0 mm', kind: 'pair', diameterMm: 6, fittingMm: 6, awg: 23, screened: false, stands: INDOOR },
  { ...common, id: 'cat6-outdoor', name: 'Cat 6, outdoor, 6.2 mm', kind: 'pair', diameterMm: 6.2, fittingMm: 6.2, awg: 23, screened: false, stands: OUTDOOR },
  { ...common, id: 'cat6-screened-outdoor', name: 'Cat 6 screened, outdoor, 7.4 mm', kind: 'pair', diameterMm: 7.4, fittingMm: 7.4, awg: 23, screened: true, stands: ANYWHERE_WET },
  { ...common, id: 'cat6-duct', name: 'Cat 6, gel-filled for ducts, 7.0 mm', kind: 'pair', diameterMm: 7, fittingMm: 7, awg: 23, screened: false, stands: ANYWHERE_WET },
  { ...common, id: 'cat6-plenum', name: 'Cat 6, for air-handling spaces, 5.9 mm', kind: 'pair', diameterMm: 5.9, fittingMm: 5.9, awg: 23, screened: false, stands: ['riser', 'air handling'] },
  { ...common, id: 'cat5e-thin', name: 'Cat 5e, thin, 4.8 mm', kind: 'pair', diameterMm: 4.8, fittingMm: 4.8, awg: 24, screened: false, stands: [] },
  { ...common, id: 'lead-thin', name: 'Ready-made lead, stranded, 4.8 mm', kind: 'pair', diameterMm: 4.8, fittingMm: 4.8, awg: 26, conductor: 'stranded', screened: false, stands: ['sunlight'] },
  { ...common, ...coaxial, pullN: 150, id: 'rg59', name: 'RG59 coax, 6.1 mm', kind: 'coax', diameterMm: 6.1, fittingMm: 6.1, coax: 'RG59', awg: null, screened: true, stands: OUTDOOR, longestRunM: 230, drumM: 152, source: 'practice' },
  { ...common, ...coaxial, pullN: 180, id: 'rg6', name: 'RG6 coax, 6.9 mm', kind: 'coax', diameterMm: 6.9, fittingMm: 6.9, coax: 'RG6', awg: null, screened: true, stands: OUTDOOR, longestRunM: 300, drumM: 152, source: 'practice' },
  { ...common, ...coaxial, pullN: 180, id: 'rg59-18-2', name: 'RG59 with 18 AWG power pair, 9.5 mm', kind: 'coax and power', diameterMm: 9.5, fittingMm: 6.1, coax: 'RG59', awg: 18, conductor: 'stranded', screened: true, stands: OUTDOOR, longestRunM: 230, drumM: 152, source: 'practice' },
  { ...common, bendTimes: 5, pullN: 220, handling: 'nec-334', id: 'mains-14-2', name: 'Mains, 14 AWG two-wire and earth', kind: 'power', diameterMm: 9, fittingMm: 9, awg: 14, screened: false, stands: [], longestRunM: 300, drumM: 76, source: 'practice' },
  { ...common, bendTimes: 10, pullN: 220, id: 'fibre-single', name: 'Single-mode fibre, outdoor, 5.5 mm', kind: 'fibre', diameterMm: 5.5, fittingMm: 5.5, awg: null, screened: false, stands: ANYWHERE_WET, longestRunM: 10000, drumM: 500, source: 'practice' },
]

const coax = { kind: 'coax', takes: ['coax', 'coax and power'], conductor: ['solid', 'stranded'], boot: 'none' } as const
const CRIMP = 'Jacket off 25 mm, core back about 5 mm; outer cap on the cable first; not one strand of shield at the core.'
const TWIST = 'Jacket off 19 mm (3/4 in), core bare 12.7 mm (1/2 in); push on and turn clockwise until it stops.'

/** Strip lengths are common practice, no source. */
export const CONNECTORS: readonly Connector[] = [
  { id: 'plug', name: 'Plug, no boot', kind: 'plug', takes: ['pair'], conductor: ['solid'], jacketMm: [4.5, 6.5], coax: null, school: null, boot: 'none', strip: 'Untwist as little as possible; all eight to the front, jacket under the strain relief.' },
  { id: 'plug-boot', name: 'Plug with slide-on boot', kind: 'plug', takes: ['pair'], conductor: ['solid'], jacketMm: [4.5, 6.5], coax: null, school: null, boot: 'slide-on', strip: 'Boot on the cable first; all eight to the front, jacket under the strain relief.' },
  { id: 'plug-screened', name: 'Screened plug, no boot', kind: 'plug', takes: ['pair'], conductor: ['solid'], jacketMm: [5.8, 7.6], coax: null, school: null, boot: 'none', strip: 'Fold the screen back under the shell; all eight to the front.' },
  { id: 'plug-moulded', name: 'Factory plug with moulded boot', kind: 'plug', takes: ['pair'], conductor: ['stranded'], jacketMm: [4.5, 6.5], coax: null, school: null, boot: 'moulded', strip: 'Never cut: made in the factory.' },
  { id: 'jack', name: 'Jack on a wall plate', kind: 'jack', takes: ['pair'], conductor: ['solid'], jacketMm: [4.5, 8], coax: null, school: null, boot: 'none', strip: 'Punch down with the blade on the waste side, or it cuts the conductor before the joint.' },
  { ...coax, id: 'bnc-twist-59', name: 'BNC, twist-on, RG59', jacketMm: [5.9, 6.4], coax: 'RG59', school: 'twist-on', strip: TWIST },
  { ...coax, id: 'bnc-twist-6', name: 'BNC, twist-on, RG6', jacketMm: [6.6, 7.2], coax: 'RG6', school: 'twist-on', strip: TWIST },
  { ...coax, id: 'bnc-crimp-59', name: 'BNC, crimp-on, RG59', jacketMm: [5.9, 6.4], coax: 'RG59', school: 'crimp-on', strip: CRIMP },
  { ...coax, id: 'bnc-crimp-6', name: 'BNC, crimp-on, RG6', jacketMm: [6.6, 7.2], coax: 'RG6', school: 'crimp-on', strip: CRIMP },
  { id: 'mains-joint', name: 'Mains joint in the box', kind: 'mains joint', takes: ['power'], conductor: ['solid'], jacketMm: [6, 14], coax: null, school: null, boot: 'none', strip: 'Strip 13 mm (1/2 in); earth first, then neutral, then live.' },
  { id: 'lc', name: 'LC, factory-made', kind: 'fibre', takes: ['fibre'], conductor: ['solid'], jacketMm: [2, 7], coax: null, school: null, boot: 'none', strip: 'Pull by the eye, never by the connector.' },
]

const IN2 = 645.16
const conduit = (id: string, name: string, in2: number): Conduit => ({ id, name, boreAreaMm2: in2 * IN2, source: 'nec-chapter-9-1' })
const bore = (id: string, name: string, boreMm: number): Conduit => ({ id, name, boreAreaMm2: (Math.PI / 4) * boreMm ** 2, source: 'catalogue' })

/** Inside areas of NEC chapter 9 table 4; metric conduit from its bore. */
export const CONDUITS: readonly Conduit[] = [
  conduit('pvc-half', 'PVC 1/2 in', 0.285), conduit('pvc-three-quarter', 'PVC 3/4 in', 0.508), conduit('pvc-1', 'PVC 1 in', 0.832),
  conduit('pvc-1-quarter', 'PVC 1 1/4 in', 1.453), conduit('pvc-1-half', 'PVC 1 1/2 in', 1.986), conduit('pvc-2', 'PVC 2 in', 3.291),
  conduit('emt-half', 'EMT 1/2 in', 0.304), conduit('emt-three-quarter', 'EMT 3/4 in', 0.533), conduit('emt-1', 'EMT 1 in', 0.864),
  conduit('emt-1-quarter', 'EMT 1 1/4 in', 1.496), conduit('emt-1-half', 'EMT 1 1/2 in', 2.036), conduit('emt-2', 'EMT 2 in', 3.356),
  bore('metric-20', 'Metric 20 mm', 16.9), bore('metric-25', 'Metric 25 mm', 21.4),
]
