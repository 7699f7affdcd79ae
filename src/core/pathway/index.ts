export { bundlesOf, type Bundle } from './bundles'
export {
  cablesToLead,
  endsOnSite,
  goesApart,
  hasWays,
  isAlong,
  segmentsOf,
  totalsOf,
  type CableWay,
  type Lead,
} from './cables'
export { conduitPulls, conduitsIn, isWanting, type ConduitPull, type ConduitUse } from './conduits'
export {
  foundOn,
  isQuick,
  ledOn,
  takeFound,
  waysOn,
  type CableWithPulls,
  type FoundOf,
  type LedJob,
} from './led'
export { headEndQuestion, headEndSteps, type HeadEndQuestion, type HeadEndSpot } from './headEnds'
export { edgesOn, type Edge } from './edges'
export { fittedFor, type Fitted } from './fitted'
export { strungFor, type Strung } from './strung'
export { wallHoles, type WallHole } from './holes'
export { reachesOn, TOOLS, type Reach } from './tools'
export { PATHWAY_LIMITS } from './limits'
export { finderOver } from './finder'
export { networkOf, shutOn, type LedTo, type Network, type Spot } from './network'
export { legName, WayFinder, type Choice, type Laid, type Way } from './way'
export { isBundled, longM, treesOf, type Branch, type Tree } from './branches'
export { bundlesIn, leadsAhead, pullsOf, type Pull, type CableEnd, type PullPlan } from './pulls'
