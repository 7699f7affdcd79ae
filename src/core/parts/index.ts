export { PART_KINDS, PART_TABLES, type PartTable } from './kinds'
export type { Accessory } from './kinds/accessory'
export type { Cable } from './kinds/cable'
export { IMPACT_J, type Camera, type Head } from './kinds/camera'
export type { Conduit } from './kinds/conduit'
export { isFactoryMade, type Connector } from './kinds/connector'
export {
  EQUIPMENT_KINDS,
  PURPOSES,
  type EquipmentKind,
  type EquipmentPart,
  type Port,
  type Purpose,
  type Supply,
} from './kinds/equipment'
export type { Asked, Value, Way } from './kinds/fields'
export type { Fixing, Holding } from './kinds/fixing'
export type { Interface } from './kinds/joining'
export type { MountPart } from './kinds/mount'
export type { Opening } from './kinds/opening'
export type { Seal, SealPiece } from './kinds/seal'
export { MOST_OWN_PARTS, ownId, ownIdsIn, OwnPart, withOwn } from './own'
export {
  asksOf,
  entriesOf,
  NONE,
  readSheet,
  rowsIn,
  understood,
  valueAt,
  wordsFor,
  type Begun,
  type Entries,
  type Sheet,
} from './sheet'
export { fedLead, otherEnd, type FedLead } from './lead'
export { supplyOf } from './supply'
export type * from './parts'
export { portsFor, portWords } from './ports'
export { remembered } from './remembered'
export {
  besideOf,
  neighboursOf,
  NOT_MEASURED,
  resolve,
  type Alike,
  type BareEdge,
  type Beside,
  type DeviceContext,
  type JobSettings,
  type Neighbours,
  type ConduitGrowth,
  type Narrow,
  type TubePull,
  type OnPlan,
  type PullSpot,
  type PlaceContext,
} from './resolve'
export { wordsBefore } from './runContext'
export type { Before, EndPlace, Measured, RunContext } from './runContext'
