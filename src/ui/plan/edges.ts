/** The sentence above the sheet, and below it what is asked and the scale of colours, px. */
export const EDGES = { wide: { above: 45, below: 53 }, narrow: { above: 57, below: 82 } } as const
/** How much of the room a panel takes that comes up from below; the sheet is what is left above it. */
export const FROM_BELOW = '50%'
