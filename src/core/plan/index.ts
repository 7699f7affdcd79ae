export {
  cornersOf,
  moved,
  nameOf,
  occluderOf,
  PlanThing,
  pointsOf,
  withCorner,
  wordOf,
  type Board,
  type Occluders,
  type ThingName,
  type ThingOf,
  type Upright,
} from './things'
export { FloorSchema, PlanPointSchema } from './kind'
export { obstacleOutline } from './obstacle'
export { FASCIA_M, soffitBoard } from './soffit'
