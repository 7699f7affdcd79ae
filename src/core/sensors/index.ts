export { SENSOR_LIMITS } from './limits'
export { bearingOf, offUprightDeg, type Bearing, type Orientation } from './readings'
