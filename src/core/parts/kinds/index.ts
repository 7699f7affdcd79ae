import { accessoryKind } from './accessory'
import { cableKind } from './cable'
import { cameraKind } from './camera'
import { conduitKind } from './conduit'
import { connectorKind } from './connector'
import { equipmentKind } from './equipment'
import { fixingKind } from './fixing'
import { mountKind } from './mount'
import { sealKind } from './seal'

/** Every kind of part that can be entered from a maker's sheet, by its table. */
export const PART_KINDS = {
  cameras: cameraKind,
  mounts: mountKind,
  fixings: fixingKind,
  cables: cableKind,
  connectors: connectorKind,
  seals: sealKind,
  conduits: conduitKind,
  equipment: equipmentKind,
  accessories: accessoryKind,
} as const
export type PartTable = keyof typeof PART_KINDS
export const PART_TABLES = Object.keys(PART_KINDS) as PartTable[]
