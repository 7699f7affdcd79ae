export { assessPower, proposePower, poeClassFor, type PowerLadder } from './power'
export { assessSupplies, type SupplyAssessment } from './supplies'
export { voltsAtLoad, powerAtEnd } from './circuit'
export { POE_CLASSES } from './limits'
