export { deviceRecord, equipmentRecord, runRecord, type DeviceRecord } from './record'
export { surveyedFloors, surveyRecord, type SurveyRecord } from './survey'
export { differences, frozenRecord, sealed, unsealed } from './frozen'
