export * from './plane'
