export { assessRoute, runLengths, type RouteStrip, type Run } from './route'
export {
  allowedM,
  coilOf,
  cordLimitM,
  cutM,
  installedM,
  lengthItems,
  lengthUsedM,
  strandedLimitM,
  supports,
} from './length'
export { fillLimit, fillPercent } from './conduit'
export { ROUTE_LIMITS } from './limits'
export { routeStage } from './stage'
