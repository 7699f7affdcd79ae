export { assessTerminate, proposeTerminate, threadOnOrder, type CableEnds } from './terminate'
export { PINS } from './pins'
export { awgDiameterMm, ohmPerKm, pairLoopOhm, loopLeastOhm, loopLimitOhm } from './resistance'
export { TERMINATE_JUDGED, unjudgedTerminate } from './judged'
