export { deviceRecord } from './record'
