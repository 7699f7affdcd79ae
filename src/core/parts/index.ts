export { IMPACT_J } from './parts'
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
