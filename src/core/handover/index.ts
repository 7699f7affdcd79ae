export { deviceRecord, type DeviceRecord } from './record'
