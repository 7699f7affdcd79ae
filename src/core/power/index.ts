export { assessPower, proposePower, feeds, poeClassFor, type PowerLadder } from './power'
export { assessSupplies, type SupplyAssessment, type Draw } from './supplies'
export { voltsAtLoad, powerAtEnd } from './circuit'
export { POE_CLASSES, POWER_LIMITS, POWER_FORMULAS, type PoeClass } from './limits'
