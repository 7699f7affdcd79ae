import type { Change, Job, Place } from '@/core/job'
import { nameOf } from '@/core/plan'

/** A lock keeps what it is on from a slip of the hand; whoever means it unlocks it first. */

type On = Pick<Job, 'things' | 'devices'>

export const isLocked = ({ things, devices }: On, picked: { readonly id: string }): boolean =>
  things.some(({ id, locked }) => id === picked.id && locked) ||
  devices.some(({ id, sight }) => id === picked.id && sight?.place?.locked === true)

/** Why changes are not made: the first that is to something locked and leaves it so; null where none is. */
export function lockedOut({ things, devices }: On, changes: readonly Change[]): string | null {
  for (const change of changes) {
    if (change.type === 'putThing' || change.type === 'removeThing') {
      const id = change.type === 'putThing' ? change.thing.id : change.thingId
      const before = things.find((thing) => thing.id === id)
      if (before?.locked && (change.type === 'removeThing' || change.thing.locked))
        return `${capital(nameOf(before))} is locked: unlock it first.`
    }
    if (change.type === 'setPlan' && change.plan.sight) {
      const device = devices.find(({ id }) => id === change.deviceId)
      const [was, is] = [device?.sight?.place, change.plan.sight.place]
      if (was?.locked && (is === null || (is?.locked && movedFrom(was, is))))
        return `${device!.mark} ${device!.name} is locked: unlock it first.`
    }
  }
  return null
}

const movedFrom = (was: Place, is: Place): boolean =>
  was.x !== is.x ||
  was.y !== is.y ||
  was.floor !== is.floor ||
  was.panDeg !== is.panDeg ||
  was.rollDeg !== is.rollDeg

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1)
