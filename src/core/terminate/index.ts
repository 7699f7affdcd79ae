export { assessTerminate, proposeTerminate, threadOnOrder, type CableEnds, type ThreadOn } from './terminate'
export { PINS, type Pin } from './pins'
export { awgDiameterMm, ohmPerKm, pairLoopOhm, loopLimitOhm } from './resistance'
export { TERMINATE_LIMITS, TERMINATE_FORMULAS } from './limits'
