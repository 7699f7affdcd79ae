export { assessRoute, runLengths, surplusM, type RouteStrip, type RunLengths } from './route'
export { coilPlaces, coilWords, type LeadShown } from './lead'
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
export { conduitFor, filled, fillLimit, fillPercent, formOf, goesIn, type Filled } from './conduit'
export { leadsFirst, readyLead, type FirstLeads } from './first'
export { ofPulls, pulledIds } from './pulled'
export { ROUTE_LIMITS } from './limits'
export { routeStage } from './stage'
export { routeLoad } from './load'
export { routeTasks } from './tasks'
export { unjudgedRoute } from './judged'
export { bestPullN, planFindings, stillAmong, wantsExpansion } from './pulls'
