export type * from './parts'
export { remembered } from './remembered'
export { resolve, type DeviceContext, type JobSettings } from './resolve'
