import { z } from 'zod'
import { distanceM } from '../geometry'
import { SPACES, type SpaceId } from '../job/spaces'
import { between, keysOf, PartId } from '../job/fields'
import { common, FloorSchema, pathed, PlanPointSchema, SHORTEST_M, thingKind } from './kind'
import { USUAL_HEIGHTS } from './usual'

/** Where cables may run: a line through one kind of space, level or rising evenly; at one point, upright. */
export const pathway = thingKind({
  schema: z.strictObject({
    ...common,
    kind: z.literal('pathway'),
    path: z.array(PlanPointSchema).min(1, 'It has at least one point.').max(200, 'At most 200 points.'),
    space: keysOf(SPACES),
    /** At its start, above its floor; below it where negative. */
    heightM: between(-20, 100, 'm'),
    /** Where its end lies where that is another floor; and how high above it. */
    endFloor: FloorSchema.nullable(),
    endM: between(-20, 100, 'm'),
    temperatureC: between(-40, 90, '°C'),
    /** Labour of one cable through it. */
    minutesPerM: between(0, 600, 'min/m'),
    /** Mains run along it. */
    besideMains: z.boolean(),
    /** Which conduit or duct it is, where it is one and that is known. */
    conduitId: PartId.nullable(),
    coldestC: between(-60, 90, '°C'),
    /** Its straight pieces have expansion fittings that take what they grow. */
    expansionFitted: z.boolean(),
    /** Cables that lie in it already, and how thick each is at most. */
    lyingCables: between(0, 200, 'cables').int('A whole number of cables.'),
    lyingMm: between(1, 60, 'mm'),
    /** Across what is free where it is narrowest, beside what lies there; 0 where nobody measured it. */
    freeMm: between(0, 2000, 'mm'),
    /** A conduit, a duct or trunking that is not there yet: its pieces and fittings are loaded. */
    yetToPut: z.boolean(),
    /** Its edges would cut a cable, and nothing lines them yet. */
    bareEdges: z.boolean(),
  }),
  word: 'Pathway',
  called: 'a pathway',
  ...pathed,
  refused: ({
    path,
    floor,
    endFloor,
    heightM,
    endM,
    space,
    conduitId,
    coldestC,
    temperatureC,
    lyingCables,
    freeMm,
    yetToPut,
    bareEdges,
  }) => {
    const upright = path.every((point) => distanceM(point, path[0]!) < SHORTEST_M)
    const level = (endFloor ?? floor) === floor && Math.abs(endM - heightM) < SHORTEST_M
    return [
      ...(upright && level ? [[['path'], 'The pathway goes nowhere.'] as const] : []),
      ...(coldestC > temperatureC
        ? [[['coldestC'], 'Its coldest is no warmer than its warmest.'] as const]
        : []),
      ...(conduitId !== null && !SPACES[space].sized
        ? [[['conduitId'], 'Only a conduit, a duct or trunking has a size.'] as const]
        : []),
      ...(lyingCables > 0 && !SPACES[space].sized
        ? [[['lyingCables'], 'Only what lies in a conduit, a duct or trunking is counted.'] as const]
        : []),
      ...(freeMm > 0 && SPACES[space].sized
        ? [[['freeMm'], 'A conduit, a duct or trunking has its size instead.'] as const]
        : []),
      ...(yetToPut && !isPutUp(space)
        ? [[['yetToPut'], 'Only a conduit, a duct, trunking or a wire is put up.'] as const]
        : []),
      ...(bareEdges && !SPACES[space].edge
        ? [[['bareEdges'], 'Nothing covers cables there, so that they come out past no edge.'] as const]
        : []),
    ]
  },
})

/** Whether it is put up for cables, and not there anyway. */
export const isPutUp = (space: SpaceId): boolean => Boolean(SPACES[space].sized ?? SPACES[space].strung)

/** As thick as cables are taken to be that nobody measured; common practice, no source. */
const LYING_MM = 8

/** How a pathway starts of which nobody said more than its space. */
export const usualPathway = (space: SpaceId) =>
  ({
    space,
    heightM: USUAL_HEIGHTS.pathwayM,
    endFloor: null,
    endM: USUAL_HEIGHTS.pathwayM,
    temperatureC: SPACES[space].temperatureC,
    minutesPerM: SPACES[space].minutesPerM,
    besideMains: false,
    conduitId: null,
    coldestC: SPACES[space].coldestC,
    expansionFitted: false,
    lyingCables: 0,
    lyingMm: LYING_MM,
    freeMm: 0,
    yetToPut: false,
    bareEdges: false,
  }) as const
