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
export {
  boundsOfThing,
  mirrored,
  mirroredDeg,
  mirroredPoint,
  toEdge,
  turned,
  turnedPoint,
  type Axis,
  type Edge,
} from './transform'
export { endNear, extended, trimmed } from './trim'
export { FloorSchema, PlanPointSchema } from './kind'
export { obstacleOutline } from './obstacle'
export { FASCIA_M, soffitBoard } from './soffit'
