import type { EndKey } from '../route/plan'
import { isFactoryMade, type Connector } from './kinds/connector'

/** How a ready-made lead is led. */
export interface FedLead {
  /** The end that stays where it is fed in. */
  readonly from: EndKey
  /** What goes first, and what stays; null while nothing is chosen there. */
  readonly first: Connector | null
  readonly last: Connector | null
  /** Nobody chose, and neither end is known to be the wider: it goes as what lies beside it. */
  readonly free: boolean
}

/**
 * How a ready-made lead with these ends goes: from where it is said to be fed, or from where its wider end
 * stays, so that the narrower passes what is on its way. Common practice, no source.
 */
export function fedLead(
  near: Connector | null,
  far: Connector | null,
  { fedFrom }: { readonly fedFrom: EndKey | null },
): FedLead {
  const ends = [near, far].map((end) => (end && isFactoryMade(end) ? end : null)) as [Made, Made]
  const [nearMm, farMm] = ends.map((end) => end?.acrossMm ?? null) as [number | null, number | null]
  const free = fedFrom === null && (nearMm === null || farMm === null || nearMm === farMm)
  // Where either may go first, it is the one of which nothing is known that decides.
  const nearStays = nearMm !== null && (farMm === null || nearMm > farMm)
  const from = fedFrom ?? (nearStays ? 'near end' : 'far end')
  const [one, other] = ends
  return from === 'near end'
    ? { from, first: other, last: one, free }
    : { from, first: one, last: other, free }
}
type Made = Connector | null

export const otherEnd = (end: EndKey): EndKey => (end === 'near end' ? 'far end' : 'near end')
