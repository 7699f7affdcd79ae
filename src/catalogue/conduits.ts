import type { Conduit } from '@/core/parts'

const IN2 = 645.16
/** Growth of a metre by °C, mm: NEC table 352.44, 3.38 × 10⁻⁵ per °F; steel a fifth, NEC 300.7(B). */
const PVC_GROWS = 3.38e-5 * 1.8 * 1000
const STEEL_GROWS = 0.2 * PVC_GROWS
const INCH = 25.4
const conduit = (
  id: string,
  name: string,
  in2: number,
  outsideIn: number,
  growsMmPerMC: number,
): Conduit => ({
  id,
  name,
  boreAreaMm2: in2 * IN2,
  outsideMm: outsideIn * INCH,
  growsMmPerMC,
  source: 'nec-chapter-9-1',
})
const bore = (id: string, name: string, boreMm: number, outsideMm: number): Conduit => ({
  id,
  name,
  outsideMm,
  boreAreaMm2: (Math.PI / 4) * boreMm ** 2,
  source: 'catalogue',
})

/** Walls of plastic trunking; common practice, no source. */
const WALL_MM = 1.2
const trunking = (widthMm: number, heightMm: number): Conduit => ({
  id: `trunking-${widthMm}-${heightMm}`,
  name: `Trunking ${widthMm} × ${heightMm} mm`,
  form: 'trunking',
  boreAreaMm2: (widthMm - 2 * WALL_MM) * (heightMm - 2 * WALL_MM),
  source: 'catalogue',
})
const TRUNKINGS = [
  [16, 16],
  [25, 16],
  [38, 16],
  [38, 25],
  [50, 25],
  [50, 50],
  [75, 50],
  [100, 50],
] as const

/**
 * Inside areas of NEC chapter 9 table 4; outsides of schedule 40 pipe (ASTM D1785) and of thin steel (ANSI
 * C80.3), from memory. Metric conduit from its bore; its name is its outside.
 */
export const CONDUITS: readonly Conduit[] = [
  conduit('pvc-half', 'PVC 1/2 in', 0.285, 0.84, PVC_GROWS),
  conduit('pvc-three-quarter', 'PVC 3/4 in', 0.508, 1.05, PVC_GROWS),
  conduit('pvc-1', 'PVC 1 in', 0.832, 1.315, PVC_GROWS),
  conduit('pvc-1-quarter', 'PVC 1 1/4 in', 1.453, 1.66, PVC_GROWS),
  conduit('pvc-1-half', 'PVC 1 1/2 in', 1.986, 1.9, PVC_GROWS),
  conduit('pvc-2', 'PVC 2 in', 3.291, 2.375, PVC_GROWS),
  conduit('emt-half', 'EMT 1/2 in', 0.304, 0.706, STEEL_GROWS),
  conduit('emt-three-quarter', 'EMT 3/4 in', 0.533, 0.922, STEEL_GROWS),
  conduit('emt-1', 'EMT 1 in', 0.864, 1.163, STEEL_GROWS),
  conduit('emt-1-quarter', 'EMT 1 1/4 in', 1.496, 1.51, STEEL_GROWS),
  conduit('emt-1-half', 'EMT 1 1/2 in', 2.036, 1.74, STEEL_GROWS),
  conduit('emt-2', 'EMT 2 in', 3.356, 2.197, STEEL_GROWS),
  bore('metric-20', 'Metric 20 mm', 16.9, 20),
  bore('metric-25', 'Metric 25 mm', 21.4, 25),
  ...TRUNKINGS.map(([width, height]) => trunking(width, height)),
]
