import { PLACE_OF, portUses, type PortUse } from '../equipment'
import { byId } from '../job/byId'
import { EXPOSURES, type State } from '../job/choices'
import type { Job, Run } from '../job/job'
import type { Place } from '../order'
import {
  isFactoryMade,
  NOT_MEASURED,
  portWords,
  type Camera,
  type Catalogue,
  type EndPlace,
  type EquipmentPart,
  type Measured,
  type Neighbours,
  type RunContext,
} from '../parts'
import type { Route } from '../route/plan'
import { print } from '../units'

/** One end of a run: what is there, and what is made at it. */
export interface RunEnd extends EndPlace {
  readonly key: 'from' | 'to'
  readonly id: string
  readonly mark: string
  readonly name: string
  readonly state: State
  readonly place: Place
  /** What it ends at; the other is null. */
  readonly part: EquipmentPart | null
  readonly camera: Camera | null
  /** As it is recorded, and in words. */
  readonly port: string | null
  readonly portName: string | null
  /** Other cables at the same port. */
  readonly shared: readonly PortUse[]
}

/** What the way, the ends, the steps and the findings of a run rest on. */
export interface RunOf extends RunContext {
  readonly run: Run
  readonly ends: readonly [from: RunEnd, to: RunEnd]
  readonly mainsV: number
  /** Mark and name of what it replaces; null where it replaces nothing. */
  readonly replaced: string | null
}

const NOT_BEFORE: RunOf['before'] = new Map()

type Of = Pick<Job, 'devices' | 'equipment' | 'runs' | 'policies' | 'allowances' | 'mainsV' | 'units'>

/** A run with its parts looked up. Returns what the catalogue lacks instead, when there is anything. */
export function runContext(
  run: Run,
  job: Of,
  catalogue: Catalogue,
  installedM: Measured['installedM'],
  { conduits, before }: Pick<Neighbours, 'conduits' | 'before'>,
): RunOf | { readonly missing: readonly string[] } {
  const missing: string[] = []
  const find = <T>(table: ReadonlyMap<string, T>, id: string): T | undefined => {
    const part = table.get(id)
    if (part === undefined) missing.push(id)
    return part
  }
  const cable = find(catalogue.cables, run.cableId)
  for (const { conduitId } of run.segments) if (conduitId) find(catalogue.conduits, conduitId)
  const from = endOf('from', run, job, catalogue, find)
  const to = endOf('to', run, job, catalogue, find)
  if (!cable || !from || !to || missing.length > 0) return { missing }
  const old = run.replaces === null ? undefined : byId(job.runs, run.replaces)
  return {
    run,
    cable,
    cableMm: cable.diameterMm,
    ends: withSlack(from, to, job.allowances),
    allowances: job.allowances,
    policies: job.policies,
    measured: { ...NOT_MEASURED, installedM },
    conduits,
    before: before?.get(run.id) ?? NOT_BEFORE,
    replaced: old ? `${old.mark} ${old.name}` : null,
    mainsV: job.mainsV,
    catalogue,
    printed: (value, kind) => print({ value, kind }, job.units),
  }
}

type Find = <T>(table: ReadonlyMap<string, T>, id: string) => T | undefined

function endOf(key: RunEnd['key'], run: Run, job: Of, catalogue: Catalogue, find: Find): Bare | null {
  const [id, port, connectorId] =
    key === 'from' ? [run.fromId, run.fromPort, run.fromEndId] : [run.toId, run.toPort, run.toEndId]
  const there = equipmentAt(id, job, catalogue, find) ?? cameraAt(id, job, catalogue, find)
  if (!there) return null
  const portName = port && portWords(port, there.part ?? undefined)
  const uses = portUses(job, catalogue).get(id) ?? []
  return {
    ...there,
    key,
    id,
    called: there.mark,
    port,
    portName,
    connector: connectorId === null ? null : (find(catalogue.connectors, connectorId) ?? null),
    shared: portName === null ? [] : uses.filter((use) => use.port === portName && use.deviceId !== run.id),
  }
}

type Bare = Omit<RunEnd, 'slackM' | 'patched'>

/** Slack by where an end is; from one thing to its neighbour at the head end none is left over. */
function withSlack(from: Bare, to: Bare, { deviceSlackM, headEndSlackM }: Job['allowances']): RunOf['ends'] {
  const patched = from.place === 'head end' && to.place === 'head end'
  const inside = patched ? 0 : headEndSlackM
  const slack = ({ place }: Bare) => (place === 'head end' ? inside : deviceSlackM)
  return [
    { ...from, slackM: slack(from), patched },
    { ...to, slackM: slack(to), patched },
  ]
}

function equipmentAt(id: string, { equipment }: Of, catalogue: Catalogue, find: Find) {
  const piece = byId(equipment, id)
  const part = piece && find(catalogue.equipment, piece.partId)
  if (!part) return null
  const { mark, name, state, stands, exposure } = piece
  const { outdoors } = EXPOSURES[exposure]
  return {
    mark,
    name,
    state,
    part,
    camera: null,
    place: PLACE_OF[stands],
    outdoors,
    onPole: part.held === 'on the pole',
    boxed: part.kind === 'box',
  }
}

function cameraAt(id: string, { devices }: Of, catalogue: Catalogue, find: Find) {
  const device = byId(devices, id)
  const camera = device && find(catalogue.cameras, device.cameraId)
  const surface = device && find(catalogue.surfaces, device.surfaceId)
  if (!camera || !surface) return null
  const { mark, name, state, exposure } = device
  const { outdoors } = EXPOSURES[exposure]
  return {
    mark,
    name,
    state,
    part: null,
    camera,
    place: 'at the device',
    outdoors,
    onPole: surface.called === 'pole',
    boxed: device.mountIds.some((one) => catalogue.mounts.get(one)?.enclosesJoint),
  } as const
}

/** The run's way, as a stage reads it. */
export const routeOf = ({ state, segments, cordsM, lead, forced }: Run): Route => ({
  laid: state === 'kept' ? 'kept' : 'new',
  segments,
  cordsM,
  lead,
  forced,
})

/** An end that the factory has made. */
export const isFinished = ({ connector }: Pick<RunEnd, 'connector'>): boolean =>
  connector !== null && isFactoryMade(connector)
