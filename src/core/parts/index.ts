export { EQUIPMENT_KINDS, IMPACT_J, PURPOSES } from './parts'
export { supplyOf } from './supply'
export type * from './parts'
export { remembered } from './remembered'
export {
  neighboursOf,
  NOT_MEASURED,
  resolve,
  type DeviceContext,
  type JobSettings,
  type Measured,
  type Neighbours,
} from './resolve'
