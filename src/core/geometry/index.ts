export { acrossAll, aroundTimes } from './around'
export * from './plane'
