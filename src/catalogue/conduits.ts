import type { Conduit } from '@/core/parts'

const IN2 = 645.16
const conduit = (id: string, name: string, in2: number): Conduit => ({
  id,
  name,
  boreAreaMm2: in2 * IN2,
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
  conduit('pvc-half', 'PVC 1/2 in', 0.285),
  conduit('pvc-three-quarter', 'PVC 3/4 in', 0.508),
  conduit('pvc-1', 'PVC 1 in', 0.832),
  conduit('pvc-1-quarter', 'PVC 1 1/4 in', 1.453),
  conduit('pvc-1-half', 'PVC 1 1/2 in', 1.986),
  conduit('pvc-2', 'PVC 2 in', 3.291),
  conduit('emt-half', 'EMT 1/2 in', 0.304),
  conduit('emt-three-quarter', 'EMT 3/4 in', 0.533),
  conduit('emt-1', 'EMT 1 in', 0.864),
  conduit('emt-1-quarter', 'EMT 1 1/4 in', 1.496),
  conduit('emt-1-half', 'EMT 1 1/2 in', 2.036),
  conduit('emt-2', 'EMT 2 in', 3.356),
  bore('metric-20', 'Metric 20 mm', 16.9),
  bore('metric-25', 'Metric 25 mm', 21.4),
]
