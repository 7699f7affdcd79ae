export { deviceRecord, equipmentRecord, runRecord, type DeviceRecord } from './record'
export { differences, frozenRecord, sealed, unsealed } from './frozen'
