export {
  inOrder,
  type Before,
  type BeforeLast,
  type Doable,
  type Force,
  type Ordered,
  type Stand,
} from './order'
export { PLACES, type Place } from './places'
