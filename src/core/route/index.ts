export { assessRoute, proposeRoute, runLengths, type RouteStrip } from './route'
export { allowedM, cordLimitM, cutM, installedM, lengthItems, lengthUsedM, segmentM, supports, type LengthItem } from './length'
export { LENGTH_BY_TEMPERATURE, ROUTE_LIMITS, ROUTE_FORMULAS } from './limits'
