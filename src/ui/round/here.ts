import { PLACES, type Place } from '@/core/order'
import type { Here } from '@/core/round'

const SPOT = 'spot:'

/** Where one stands, as it stands in an address; null where it says nothing. */
export function hereIn(word: string | null): Here | null {
  if (word?.startsWith(SPOT)) return { spot: word.slice(SPOT.length) }
  return word !== null && word in PLACES ? (word as Place) : null
}

/** The place of a step that is done there. */
export const placeOf = (here: Here): Place => (typeof here === 'string' ? here : 'at the device')

export const wordOf = (here: Here): string => (typeof here === 'string' ? here : `${SPOT}${here.spot}`)
