export { assessSeal, proposeSeal, type SealChain } from './seal'
export { closedOpenings, needsPart, openingsToClose } from './openings'
export { testsOf, covers, dustOf, printTests, common } from './ingress'
export { sealStage } from './stage'
