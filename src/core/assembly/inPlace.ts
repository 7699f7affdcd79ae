import type { Camera, Catalogue, Interface, MountPart } from '../parts'
import { calledIn, type Stack } from './assembly'
import { fits } from './fit'

/** A part that could stand where another does; `why` is null where it fits, else what speaks against it. */
export interface Candidate {
  readonly id: string
  readonly name: string
  readonly why: string | null
}

/**
 * Every part of the catalogue in the place of one of a device (`mount-1`, `camera`), the one that is there
 * among them: what fits on what is before it, and takes what is after it.
 */
export function inPlaceOf(stack: Stack, ref: string, catalogue: Catalogue): readonly Candidate[] {
  const { mounts, camera } = stack
  const at = ref === 'camera' ? mounts.length : Number(/^mount-(\d+)$/.exec(ref)?.[1] ?? NaN)
  if (Number.isNaN(at) || at > mounts.length) return []
  const before = mounts[at - 1]
  const onto = (needs: Interface): string | null => {
    const offers = before?.offers ?? 'surface'
    if (fits(offers, needs)) return null
    return `It needs a ${needs}; ${before ? `the ${calledIn(before.name)}` : 'the surface'} offers a ${offers}.`
  }
  if (ref === 'camera')
    return [...catalogue.cameras.values()].map((one) =>
      candidate(one, onto(one.needs) ?? runsOn(one, camera)),
    )
  const after = mounts[at + 1] ?? camera
  return [...catalogue.mounts.values()].map((one) =>
    candidate(one, onto(one.needs) ?? takes(one, after) ?? placed(one, at)),
  )
}

const candidate = ({ id, name }: MountPart | Camera, why: string | null): Candidate => ({ id, name, why })

const takes = ({ offers }: MountPart, { needs, name }: MountPart | Camera): string | null =>
  fits(offers, needs) ? null : `It offers a ${offers}; the ${calledIn(name)} needs a ${needs}.`

/** Another cable is another run: that is no change in place. */
const runsOn = (one: Camera, before: Camera): string | null =>
  one.cable === before.cable
    ? null
    : `It runs on ${one.cable} cable; the one that is there on ${before.cable}.`

/** What covers a camera hangs on something. */
const placed = ({ coversCamera }: MountPart, at: number): string | null =>
  coversCamera && at === 0 ? 'It covers a camera and hangs on something.' : null
