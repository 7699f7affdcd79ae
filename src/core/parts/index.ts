export { IMPACT_J } from './parts'
export type * from './parts'
export { remembered } from './remembered'
export { resolve, type DeviceContext, type JobSettings } from './resolve'
