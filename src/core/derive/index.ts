export { stretch } from './stretch'
