export type * from './parts'
export { resolve, type DeviceContext, type JobSettings } from './resolve'
