import type { Spot } from '../labels/place'
import type { PlanMark, Tint } from '../plan'

/** A unit of a printed plan: what is a pixel on the screen is so wide on paper, millimetres. */
export const UNIT_MM = 0.22

/** What a printed plan is made of; lengths in units, y runs down from the upper left corner of the page. */
export type SheetMark =
  | PlanMark
  /** Filled, its holes left out. */
  | { readonly is: 'band'; readonly rings: readonly (readonly Spot[])[]; readonly colour: string }
  /** A line of words on its baseline; with a halo it stays readable over whatever lies there. */
  | {
      readonly is: 'words'
      readonly at: Spot
      readonly words: string
      readonly size: number
      readonly bold: boolean
      readonly tint: Tint
      readonly anchor: 'start' | 'middle' | 'end'
      readonly halo?: boolean
    }
  /** The drawing that lies under the plan. */
  | {
      readonly is: 'picture'
      readonly sha256: string
      readonly at: Spot
      readonly width: number
      readonly height: number
      readonly turnDeg: number
    }
  /** Marks of which only what lies in a box is drawn. */
  | {
      readonly is: 'window'
      readonly at: Spot
      readonly width: number
      readonly height: number
      readonly marks: readonly SheetMark[]
    }

/** One or more pages of one size. */
export interface PlanSheet {
  readonly widthMm: number
  readonly heightMm: number
  readonly pages: readonly (readonly SheetMark[])[]
  /** How many times smaller than the site. */
  readonly scale: number
  /** What it shows, for those who do not see it. */
  readonly says: string
}

/** The letters in the middle of a spot stand so far below it, in their size. */
export const LETTERS_BELOW = 0.36
