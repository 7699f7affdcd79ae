export { assessRoute, proposeRoute, runLengths, type RouteStrip, type Run } from './route'
export {
  allowedM, coilOf, cordLimitM, cutM, installedM, lengthItems, lengthUsedM, ROOM_C, segmentM, strandedLimitM, supports, warmPieces,
} from './length'
export { fillLimit, fillPercent } from './conduit'
export { ROUTE_LIMITS } from './limits'
