export { assessSeal, proposeSeal, greased, type SealChain, type SealLink } from './seal'
export { closedOpenings, openingsOf, needsPart, fitsHole, grips, jointPlace, type ClosedOpening, type PlacedOpening } from './openings'
export { testsOf, covers, printTests, common } from './ingress'
export { SEAL_LIMITS, SEAL_FORMULAS } from './limits'
