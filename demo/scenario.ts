import { CATALOGUE } from '@/catalogue'
import { allAssessed, assess, assessDevice } from '@/core/assess'
import {
  RECORD_VERSION,
  NO_DETAILS,
  UNKNOWN_HEIGHTS,
  USUAL_ALLOWANCES,
  USUAL_EQUIPMENT,
  USUAL_POLICIES,
  USUAL_RUN,
  USUAL_WIND_MS,
  type Device,
  type DeviceChoice,
  type Equipment,
  type Fault,
  type FaultFacts,
  type Fix,
  type Job,
  type JobFile,
  type Photo,
  type Run,
  type StepRecord,
} from '@/core/job'
import type { PlannedStage } from '@/core/findings'
import type { PhotoMark } from '@/core/photo'
import type { Step } from '@/core/procedure'
import { picture, type Picture, type Scene } from './pictures'

/**
 * What of a device's plan is written down; the rest is taken as the product proposes it. Null: not planned.
 */
export type Plan = { readonly [S in PlannedStage]?: Partial<NonNullable<Device[S]>> | null }

/** What of a choice is usual where nothing is said. */
type Unsaid = 'accessoryIds' | 'mountIds' | 'partsKept' | 'state' | 'replaces'

type Led = Partial<Run> & Pick<Run, 'id' | 'name' | 'carries' | 'cableId' | 'fromId' | 'toId'>
type Piece = Partial<Equipment> & Pick<Equipment, 'id' | 'name' | 'partId'>

export interface Placed {
  readonly choice: Omit<DeviceChoice, Unsaid> & Partial<Pick<DeviceChoice, Unsaid>>
  readonly plan?: Plan
  /** How many of the steps are recorded: a number, or all. */
  readonly recorded?: number | 'all'
  /** Values, choices and notes that differ from what was planned, by step. */
  readonly readings?: Readonly<Record<string, { value?: number; choice?: string; note?: string }>>
  readonly details?: Partial<Device['details']>
}

const STAGES = ['sight', 'mount', 'route', 'seal', 'terminate', 'power'] as const

/** Builds a job file of the invented scenario, one person's day after another. */
export class Scenario {
  private readonly photos = new Map<string, Picture>()
  private job: Job
  private minutes = 0

  constructor(
    private readonly start: string,
    facts: Partial<Job> & Pick<Job, 'id' | 'name' | 'address' | 'headEnd'>,
  ) {
    this.job = {
      units: 'metric',
      windMS: USUAL_WIND_MS,
      terrain: 'open',
      mainsV: 230,
      keepPhotoPlace: false,
      floorHeightsM: UNKNOWN_HEIGHTS,
      policies: USUAL_POLICIES,
      allowances: USUAL_ALLOWANCES,
      createdAt: this.now(0),
      createdBy: 'Lead',
      site: null,
      backgrounds: [],
      things: [],
      ownParts: [],
      runs: [],
      equipment: [],
      devices: [],
      boxes: [],
      records: [],
      handed: [],
      photos: [],
      faults: [],
      conflicts: [],
      signed: [],
      ...facts,
    }
  }

  /** Adds a device, plans it, records its steps and photographs what should be photographed. */
  async place(placed: Placed): Promise<void> {
    const { choice, plan = {}, recorded = 0, readings = {}, details } = placed
    let device: Device = {
      id: `device-${choice.mark}`,
      mountIds: [],
      partsKept: 0,
      accessoryIds: [],
      state: 'new',
      replaces: null,
      ...choice,
      sight: null,
      mount: null,
      route: null,
      terminate: null,
      seal: null,
      power: null,
      details: { ...NO_DETAILS, ...details },
    }
    for (const stage of STAGES) {
      const said = plan[stage]
      const proposed =
        said === null ? undefined : assessDevice(device, this.job, CATALOGUE).stages?.[stage]?.input
      if (proposed) device = { ...device, [stage]: { ...proposed, ...said } }
    }
    this.job = { ...this.job, devices: [...this.job.devices, device] }
    const { steps } = assessDevice(device, this.job, CATALOGUE)
    const count = recorded === 'all' ? steps.length : recorded
    for (const { step } of steps.slice(0, count)) {
      this.record(device, step, readings[step.id] ?? {})
      if (step.photo !== null)
        await this.photograph(sceneOf(step), step.title, { deviceId: device.id, stepId: step.id })
    }
  }

  /** Puts equipment in its place, before what is fed from it. */
  equip(...pieces: readonly Piece[]): void {
    const equipment = pieces.map(
      (piece, i): Equipment => ({
        mark: `E${i + 1}`,
        ...USUAL_EQUIPMENT,
        details: NO_DETAILS,
        ...piece,
      }),
    )
    this.job = { ...this.job, equipment }
  }

  /** Leads runs between what is there. */
  lead(...runs: readonly Led[]): void {
    const led = runs.map((run, i): Run => ({ mark: `R${i + 1}`, ...USUAL_RUN, ...run }))
    this.job = { ...this.job, runs: led }
  }

  /** Records the first steps of equipment or of a run, with photos, once what hangs on it is planned. */
  async install(id: string, recorded: number | 'all', readings: Placed['readings'] = {}): Promise<void> {
    const { steps } = allAssessed(assess(this.job, CATALOGUE)).find(({ deviceId }) => deviceId === id)!
    for (const { step } of steps.slice(0, recorded === 'all' ? steps.length : recorded)) {
      this.record({ id }, step, readings[step.id] ?? {})
      if (step.photo !== null)
        await this.photograph(sceneOf(step), step.title, { deviceId: id, stepId: step.id })
    }
  }

  /** Lays a drawing under a floor's plan. */
  lay(
    floor: 'ground',
    drawing: Picture,
    background: Omit<Job['backgrounds'][number], 'floor' | 'sha256'>,
  ): void {
    this.photos.set(drawing.sha256, drawing)
    this.job = {
      ...this.job,
      backgrounds: [...this.job.backgrounds, { floor, ...background, sha256: drawing.sha256 }],
    }
  }

  /** Draws on the photo of a step. */
  draw(deviceId: string, stepId: string, ...marks: readonly PhotoMark[]): void {
    const photos = this.job.photos.map((photo) =>
      photo.deviceId === deviceId && photo.stepId === stepId ? { ...photo, marks: [...marks] } : photo,
    )
    this.job = { ...this.job, photos }
  }

  /** Leaves a step that is not recorded yet to a colleague. */
  leave(deviceId: string, stepId: string, colleague: string, note: string): void {
    const device = this.job.devices.find(({ id }) => id === deviceId)!
    const { steps } = assessDevice(device, this.job, CATALOGUE)
    const { title } = steps.find(({ step }) => step.id === stepId)!.step
    const left = { deviceId, stepId, title, colleague, note, at: this.now(1), by: 'Installer 1' }
    this.job = { ...this.job, handed: [...this.job.handed, left] }
  }

  async photograph(
    scene: Scene,
    caption: string,
    on: Partial<Pick<Photo, 'deviceId' | 'stepId' | 'faultId'>>,
  ): Promise<void> {
    const seed = this.job.photos.length * 37 + this.job.name.length
    const drawn = await picture(scene, seed)
    this.photos.set(drawn.sha256, drawn)
    this.job = {
      ...this.job,
      photos: [
        ...this.job.photos,
        {
          id: `photo-${this.job.photos.length + 1}`,
          sha256: drawn.sha256,
          deviceId: null,
          stepId: null,
          faultId: null,
          caption,
          marks: [],
          at: this.now(1),
          by: 'Installer 1',
          ...on,
        },
      ],
    }
  }

  /** Raises a fault and leads it as far as the fixes and re-checks say. */
  async fault(
    facts: Partial<FaultFacts> & Pick<FaultFacts, 'title' | 'cause'>,
    happened: readonly (Fix | 're-check passed' | 're-check failed')[] = [],
    scenes: readonly Scene[] = [],
  ): Promise<void> {
    const id = `fault-${this.job.faults.length + 1}`
    let state: Fault['state'] = 'open'
    const raisedAt = this.now(20)
    const events: Fault['events'] = happened.map((one) => {
      const done = { at: this.now(60 * 24), by: 'Installer 2' }
      if (typeof one === 'string') {
        state = one === 're-check passed' ? 'closed' : 'open'
        return { event: 're-check', ...done, by: 'Lead', passed: one === 're-check passed', note: '' }
      }
      state = one.kind === 'temporary' ? 'temporary fix' : 'fixed'
      return { event: 'fix', ...done, fix: one }
    })
    const fault: Fault = {
      id,
      deviceId: null,
      stage: null,
      origin: null,
      severity: 'below standard',
      note: '',
      due: null,
      ...facts,
      state,
      raisedAt,
      raisedBy: 'Installer 1',
      events,
    }
    this.job = { ...this.job, faults: [...this.job.faults, fault] }
    for (const [index, scene] of scenes.entries())
      await this.photograph(scene, `${index === 0 ? 'Before' : 'After'}: ${fault.title}`, {
        deviceId: fault.deviceId,
        faultId: id,
      })
  }

  file(): JobFile {
    return {
      format: 'neat-bracket-job',
      version: RECORD_VERSION,
      job: this.job,
      photos: [...this.photos.values()].map(({ sha256, base64 }) => ({ sha256, base64 })),
    }
  }

  private record(
    device: Pick<Device, 'id'> & Partial<Device>,
    step: Step,
    reading: { value?: number; choice?: string; note?: string },
  ): void {
    const { entry } = step
    const value =
      entry.kind === 'measure'
        ? (reading.value ??
          (step.id === 'seal/cable'
            ? CATALOGUE.cables.get(device.cableId ?? '')!.diameterMm
            : usual(entry.least, entry.most, step.id === 'terminate/loop' ? 0.72 : 0.35)))
        : null
    const choice = entry.kind === 'choice' ? (reading.choice ?? entry.good[0]!) : null
    const record: StepRecord = {
      deviceId: device.id,
      stepId: step.id,
      title: step.title,
      state: 'done',
      value,
      choice,
      note: reading.note ?? '',
      at: this.now(6),
      by: this.job.records.length % 5 === 4 ? 'Installer 2' : 'Installer 1',
    }
    this.job = { ...this.job, records: [...this.job.records, record] }
  }

  private now(minutesLater: number): string {
    this.minutes += minutesLater
    return new Date(Date.parse(this.start) + this.minutes * 60_000).toISOString()
  }
}

/** A value well inside its limits, with the digits a person would read off. */
function usual(least: number | null, most: number | null, share: number): number {
  const value =
    least !== null && most !== null
      ? least + (most - least) * (least === 0 ? share : 0.52)
      : (least ?? most ?? 0)
  return Math.round(value * 100) / 100
}

function sceneOf(step: Step): Scene {
  if (step.id === 'test/picture-night') return 'night'
  if (step.stage === 'sight' || step.id === 'test/picture-day') return 'view'
  if (step.stage === 'terminate') return 'ends'
  if (step.stage === 'seal') return 'gasket'
  return step.stage === 'route' ? 'run' : 'box'
}
