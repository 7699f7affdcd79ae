export { assessRoute, proposeRoute, runLengths, type RouteStrip } from './route'
export { allowedM, cordLimitM, cutM, installedM, lengthItems, lengthUsedM, segmentM, supports } from './length'
export { ROUTE_LIMITS } from './limits'
