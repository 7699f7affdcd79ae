export { hasPlace, withoutPlace } from './place'
