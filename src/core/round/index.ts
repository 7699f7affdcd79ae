export { ROUND_LIMITS } from './limits'
export {
  calledPlace,
  roundOf,
  type Here,
  type Round,
  type Stint,
  type Unfinished,
  type Visit,
  type Waiting,
} from './round'
export { spotsOf, type Spot } from './spots'
export { goingsOf, type Block, type Going } from './visits'
