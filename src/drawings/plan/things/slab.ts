import { outlined, tintOf } from '../marks'
import type { DrawnThing } from './thing'

/** A thin line round it, in long dashes. */
export const slab: DrawnThing<'slab'> = {
  draw: ({ outline }, drawn) => [
    outlined(drawn, outline, { stroke: tintOf(drawn.selected), wide: 0.8, dash: [18, 4] }),
  ],
}
