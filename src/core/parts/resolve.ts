import type { Allowances, Device, Job, Policies, JobSupply } from '../job/job'
import type { PlanThing, Site } from '../job/plan'
import { EXPOSURES, type Exposure } from '../job/choices'
import { print, type QuantityKind, type UnitSystem } from '../units'
import type { Accessory, Cable, Camera, Catalogue, MountPart, Surface } from './parts'

/** What every stage sees: one device with its parts looked up, and the settings of its job. */
export interface DeviceContext {
  readonly device: Device
  readonly camera: Camera
  readonly surface: Surface
  readonly cable: Cable
  readonly mounts: readonly MountPart[]
  readonly accessories: readonly Accessory[]
  readonly exposure: Exposure
  /** Which way the camera's base faces at the end of its stack. */
  readonly facing: 'wall' | 'down'
  readonly units: UnitSystem
  readonly policies: Policies
  readonly allowances: Allowances
  readonly supplies: readonly JobSupply[]
  readonly windMS: number
  /** Where the site lies, and what stands on its plans. */
  readonly site: Site | null
  readonly things: readonly PlanThing[]
  readonly catalogue: Catalogue
  /** Prints a value in the job's units, for the sentences of findings and steps. */
  readonly say: (value: number, kind: QuantityKind) => string
}

/** What of a job its devices depend on. */
export type JobSettings = Pick<Job, 'units' | 'policies' | 'allowances' | 'supplies' | 'site' | 'things' | 'windMS'>

/** Looks up a device's parts. Returns the ids that the catalogue lacks instead, when there are any. */
export function resolve(device: Device, job: JobSettings, catalogue: Catalogue): DeviceContext | { readonly missing: readonly string[] } {
  const missing: string[] = []
  const find = <T>(table: ReadonlyMap<string, T>, id: string): T | undefined => {
    const part = table.get(id)
    if (part === undefined) missing.push(id)
    return part
  }
  const camera = find(catalogue.cameras, device.cameraId)
  const surface = find(catalogue.surfaces, device.surfaceId)
  const cable = find(catalogue.cables, device.cableId)
  const mounts = device.mountIds.map((id) => find(catalogue.mounts, id)).filter((part) => part !== undefined)
  const accessories = device.accessoryIds.map((id) => find(catalogue.accessories, id)).filter((part) => part !== undefined)
  const { mount, terminate, seal, route } = device
  if (mount) find(catalogue.fixings, mount.fixingId)
  if (mount?.woodId) find(catalogue.woods, mount.woodId)
  if (terminate) {
    find(catalogue.connectors, terminate.cameraEndId)
    find(catalogue.connectors, terminate.headEndId)
  }
  for (const { sealId } of seal?.choices ?? []) if (sealId) find(catalogue.seals, sealId)
  for (const { conduitId } of route?.segments ?? []) if (conduitId) find(catalogue.conduits, conduitId)
  if (!camera || !surface || !cable || missing.length > 0) return { missing }

  const { units, policies, allowances, supplies, site, things, windMS } = job
  const facing = surface.facing === 'down' || mounts.some(({ turns }) => turns === 'down') ? 'down' : 'wall'
  return {
    device, camera, surface, cable, mounts, accessories, exposure: EXPOSURES[device.exposure], facing, units, policies, allowances, supplies, site, things, windMS, catalogue,
    say: (value, kind) => print({ value, kind }, units),
  }
}
