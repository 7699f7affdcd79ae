export { assessSeal, proposeSeal, type SealChain } from './seal'
export { closedOpenings, openingsToClose } from './openings'
export { testsOf, covers, dustOf, printTests, common } from './ingress'
export { sealStage } from './stage'
