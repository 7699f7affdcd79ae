import type { Force } from '../order'

/** What holds once something is done; tasks come before and after each other by what they bring about. */
export type Fact =
  | 'unpacked'
  | 'set up'
  | 'saved'
  | 'freed'
  | 'held'
  | 'earthed'
  | 'fed'
  | 'volts set'
  | 'plugged in'
  | 'links'
  | 'tested'
  | 'place agreed'
  | 'height agreed'
  | 'locked off'
  | 'dead'
  | 'way up'
  | 'old one down'
  | 'sound'
  | 'drilled'
  | 'cable hole'
  | 'cable there'
  | 'cable measured'
  | 'threaded'
  | 'camera end'
  | 'near end'
  | 'far end'
  | 'head end'
  | 'cable proved'
  | 'levelled'
  | 'greased'
  | 'connected'
  | 'aimed'
  | 'sealed'
  | 'looked at'
  | 'closed'
  | 'seen by day'
  | Up

/** A part is up: it is fastened to what it sits on. */
export type Up = `up ${string}`

/** A task comes before or after whatever brings a fact about. */
export interface Need {
  readonly fact: Fact
  readonly because: string
  /** How strongly; 'craft' unless told. */
  readonly force?: Force
  readonly wayOut?: string
}

/** A task needs a hand or a tool through one of several ways; each is closed by what brings a fact about. */
export interface Reach {
  readonly closings: readonly Fact[]
  readonly because: string
}
