export {
  copyOf,
  cornersOf,
  isOfCables,
  moved,
  nameOf,
  occluderOf,
  PlanThing,
  THINGS,
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
export { USUAL_HEIGHTS } from './usual'
export { turnedRound, wallOutline } from './wall'
export { isPutUp, usualPathway } from './pathway'
export { obstacleOutline } from './obstacle'
export { FASCIA_M, soffitBoard } from './soffit'
