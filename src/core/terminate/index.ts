export { assessTerminate, proposeTerminate, threadOnOrder, type CableEnds } from './terminate'
export { PINS } from './pins'
export { awgDiameterMm, ohmPerKm, pairLoopOhm, loopLeastOhm, loopLimitOhm } from './resistance'
export { terminateStage } from './stage'
