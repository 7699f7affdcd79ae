export { assessSeal, proposeSeal, greased, type SealChain } from './seal'
export { closedOpenings, needsPart } from './openings'
export { testsOf, covers, printTests, common } from './ingress'
export { SEAL_LIMITS } from './limits'
