import type { DeviceChoice } from '../job/job'
import type { SourceId } from '../sources'
import type { Accessory } from './kinds/accessory'
import type { Cable } from './kinds/cable'
import type { Camera } from './kinds/camera'
import type { Conduit } from './kinds/conduit'
import type { Connector } from './kinds/connector'
import type { EquipmentPart } from './kinds/equipment'
import type { Fixing, Holding } from './kinds/fixing'
import type { MountPart } from './kinds/mount'
import type { Seal } from './kinds/seal'

/**
 * The kinds of part a job is made of. The data stands in the catalogue; this is its contract with the
 * computation. What is entered from a maker's sheet has its form in `kinds`.
 */

interface Part {
  readonly id: string
  readonly name: string
}

export interface Surface extends Part {
  /** What it is called beside a camera: one stands on a wall, hangs under a soffit or a ceiling. */
  readonly called: 'wall' | 'soffit' | 'ceiling' | 'pole' | 'box'
  readonly facing: 'wall' | 'down'
  readonly holding: Holding
  readonly watch: string
  readonly caution: string
}

export interface Wood extends Part {
  /** What is taken for wood that nobody has looked at yet. */
  readonly usual?: true
  readonly specificGravity: number
  readonly source: SourceId
}

/** A ready assembly: what a device is added as, with what differs changed. */
export interface Kit extends Part {
  /** What is peculiar to it, in a sentence. */
  readonly says: string
  /** What usually lies in the camera's box, and what is brought beside cable and tools. */
  readonly supplied: readonly string[]
  readonly bring: readonly string[]
  readonly choice: Pick<DeviceChoice, 'cameraId' | 'surfaceId' | 'exposure' | 'cableId'> & {
    readonly mountIds: readonly string[]
    readonly accessoryIds: readonly string[]
  }
}

export type Table<T> = ReadonlyMap<string, T>

/** All parts that a job may name, by id. */
export interface Catalogue {
  readonly cameras: Table<Camera>
  readonly mounts: Table<MountPart>
  readonly surfaces: Table<Surface>
  readonly fixings: Table<Fixing>
  readonly woods: Table<Wood>
  readonly cables: Table<Cable>
  readonly connectors: Table<Connector>
  readonly seals: Table<Seal>
  readonly conduits: Table<Conduit>
  readonly equipment: Table<EquipmentPart>
  readonly accessories: Table<Accessory>
}
