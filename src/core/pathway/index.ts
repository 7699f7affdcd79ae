export { bundlesOf, type Bundle } from './bundles'
export {
  cablesOn,
  endsOnSite,
  goesApart,
  hasWays,
  isAlong,
  segmentsOf,
  spotOf,
  totalsOf,
  waysOn,
  type CableWay,
} from './cables'
export { PATHWAY_LIMITS } from './limits'
export { finderOver } from './finder'
export { networkOf, type Network } from './network'
export { legName, WayFinder, type Way } from './way'
export { bundlesIn, pullsOf, type Pull } from './pulls'
