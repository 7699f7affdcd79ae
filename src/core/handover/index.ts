export { deviceRecord, equipmentRecord, type DeviceRecord } from './record'
export { differences, frozenRecord, sealed, unsealed } from './frozen'
