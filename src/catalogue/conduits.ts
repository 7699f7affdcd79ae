import type { Conduit } from '@/core/parts'

const IN2 = 645.16
/** Growth of a metre by °C, mm: NEC table 352.44, 3.38 × 10⁻⁵ per °F; steel a fifth, NEC 300.7(B). */
const PVC_GROWS = 3.38e-5 * 1.8 * 1000
const STEEL_GROWS = 0.2 * PVC_GROWS
const conduit = (id: string, name: string, in2: number, growsMmPerMC: number): Conduit => ({
  id,
  name,
  boreAreaMm2: in2 * IN2,
  growsMmPerMC,
  source: 'nec-chapter-9-1',
})
const bore = (id: string, name: string, boreMm: number): Conduit => ({
  id,
  name,
  boreAreaMm2: (Math.PI / 4) * boreMm ** 2,
  source: 'catalogue',
})

/** Inside areas of NEC chapter 9 table 4; metric conduit from its bore. */
export const CONDUITS: readonly Conduit[] = [
  conduit('pvc-half', 'PVC 1/2 in', 0.285, PVC_GROWS),
  conduit('pvc-three-quarter', 'PVC 3/4 in', 0.508, PVC_GROWS),
  conduit('pvc-1', 'PVC 1 in', 0.832, PVC_GROWS),
  conduit('pvc-1-quarter', 'PVC 1 1/4 in', 1.453, PVC_GROWS),
  conduit('pvc-1-half', 'PVC 1 1/2 in', 1.986, PVC_GROWS),
  conduit('pvc-2', 'PVC 2 in', 3.291, PVC_GROWS),
  conduit('emt-half', 'EMT 1/2 in', 0.304, STEEL_GROWS),
  conduit('emt-three-quarter', 'EMT 3/4 in', 0.533, STEEL_GROWS),
  conduit('emt-1', 'EMT 1 in', 0.864, STEEL_GROWS),
  conduit('emt-1-quarter', 'EMT 1 1/4 in', 1.496, STEEL_GROWS),
  conduit('emt-1-half', 'EMT 1 1/2 in', 2.036, STEEL_GROWS),
  conduit('emt-2', 'EMT 2 in', 3.356, STEEL_GROWS),
  bore('metric-20', 'Metric 20 mm', 16.9),
  bore('metric-25', 'Metric 25 mm', 21.4),
]
