export { assessSeal, proposeSeal, type SealChain } from './seal'
export { closedOpenings, needsPart } from './openings'
export { testsOf, covers, printTests, common } from './ingress'
export { sealStage } from './stage'
