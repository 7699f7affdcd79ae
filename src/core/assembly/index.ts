export {
  calledIn,
  hasBox,
  hiddenBehind,
  inside,
  joint,
  jointPlace,
  keptParts,
  mainsReaches,
  partsBefore,
  partsOf,
  reachOfOpening,
  reachOfScrews,
  tooWideFor,
  upOf,
  type Joint,
  type JointPlace,
  type Placed,
} from './assembly'
export { assemblyView, type AssemblyView, type ShownOpening, type ShownPart, type ShownPiece } from './view'
export { inPlaceOf, type Candidate } from './inPlace'
export { firstMisfit, fits, type Misfit } from './fit'
