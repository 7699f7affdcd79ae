export { deviceRecord } from './record'
export { differences, frozenRecord, sealed, unsealed } from './frozen'
