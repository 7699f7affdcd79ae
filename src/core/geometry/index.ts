export { aroundTimes } from './around'
export * from './plane'
