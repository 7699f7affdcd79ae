import { z } from 'zod'
import { along, distanceM, type Outline } from '../geometry'
import { between } from '../job/fields'
import { HeightSchema, OutlineSchema, common, PlanPointSchema, putPoint, thingKind } from './kind'

const Obstacle = z.strictObject({
  ...common,
  kind: z.literal('obstacle'),
  baseM: HeightSchema,
  heightM: between(0.05, 100, 'm'),
  form: z.discriminatedUnion('is', [
    z.strictObject({ is: z.literal('round'), at: PlanPointSchema, radiusM: between(0.02, 50, 'm') }),
    z.strictObject({ is: z.literal('block'), outline: OutlineSchema }),
  ]),
})

export const obstacle = thingKind({
  schema: Obstacle,
  word: 'Obstacle',
  called: 'an obstacle',
  points: ({ form }) =>
    form.is === 'block'
      ? form.outline
      : [
          { x: form.at.x - form.radiusM, y: form.at.y - form.radiusM },
          { x: form.at.x + form.radiusM, y: form.at.y + form.radiusM },
        ],
  corners: ({ form }) =>
    form.is === 'block'
      ? { at: form.outline, closed: true }
      : { at: [{ x: form.at.x + form.radiusM, y: form.at.y }], closed: false }, // its rim
  carried: (thing, by) => ({
    ...thing,
    form:
      thing.form.is === 'round'
        ? { ...thing.form, at: by(thing.form.at) }
        : { ...thing.form, outline: thing.form.outline.map(by) },
  }),
  withCorner: (thing, index, at) => ({
    ...thing,
    form:
      thing.form.is === 'round'
        ? { ...thing.form, radiusM: Math.max(0.02, distanceM(thing.form.at, at)) }
        : { ...thing.form, outline: putPoint(thing.form.outline, index, at) },
  }),
  standing: (thing) => {
    const outline = obstacleOutline(thing)
    const [fromM, toM] = [thing.baseM, thing.baseM + thing.heightM]
    return {
      uprights: outline.map((a, i) => ({ a, b: outline[(i + 1) % outline.length]!, fromM, toM })),
      boards: (fromM > 0 ? [toM, fromM] : [toM]).map((heightM) => ({ outline, heightM })),
      solids: [{ outline, fromM, toM }],
    }
  },
})

/** Faces of the prism that stands for a round obstacle. */
const ROUND_FACES = 16

/** An obstacle on plan; a round one as a prism that encloses it. */
export function obstacleOutline({ form }: Pick<z.infer<typeof Obstacle>, 'form'>): Outline {
  if (form.is === 'block') return form.outline
  const reach = form.radiusM / Math.cos(Math.PI / ROUND_FACES)
  return Array.from({ length: ROUND_FACES }, (_, i) => along(form.at, (360 / ROUND_FACES) * i, reach))
}
