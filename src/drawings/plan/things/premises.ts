import { outlined, tintOf } from '../marks'
import type { DrawnThing } from './thing'

/** A boundary line; what lies inside is taken by itself. */
export const premises: DrawnThing<'premises'> = {
  draw: ({ outline }, drawn) => [
    outlined(drawn, outline, {
      stroke: tintOf(drawn.selected, 'soft'),
      dash: [14, 5, 3, 5],
      wide: 1.2,
    }),
  ],
}
