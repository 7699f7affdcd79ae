import type { PlanPoint } from '@/core/geometry'
import type { Device, Sight } from '@/core/job'
import type { Camera } from '@/core/parts'
import type { Editor, Picked } from '../editor'
import type { OnEdge, Snapped } from '../snap'
import type { DrawnKind } from './drawn'

/** What the hand does on the plan. */
export type Tool =
  | { readonly does: 'select' }
  | { readonly does: 'draw'; readonly kind: DrawnKind }
  | { readonly does: 'place'; readonly deviceId: string }
  | { readonly does: 'wish'; readonly deviceId: string }
  | { readonly does: 'scale' }
  | { readonly does: 'measure' }

/** What a tool has to work with: the editor, what draws a spot to itself, and who else wants to know. */
export interface Sheet {
  readonly editor: Editor
  readonly snapped: (at: PlanPoint, from?: PlanPoint, before?: PlanPoint, except?: string) => Snapped
  /** The edge that a device would hang on; null when none is near, or nothing is to be drawn to. */
  readonly edgeAt: (at: PlanPoint) => OnEdge | null
  /** How far apart two points are on the screen, px. */
  readonly apartPx: (a: PlanPoint, b: PlanPoint) => number
  readonly sightOf: (device: Device) => Sight | null
  readonly cameraOf: (device: Device) => Camera | null
  /** What lies wholly between two corners of a frame and is not selected yet. */
  readonly framed: (a: PlanPoint, b: PlanPoint) => readonly Picked[]
  readonly onAsk: (at: PlanPoint, pinned: boolean) => void
  readonly onScale: (from: PlanPoint, to: PlanPoint) => void
}

/** One tool: what it says, what it shows under the pointer, and what a click does. */
export interface Handling<T extends Tool> {
  readonly how: (tool: T) => string
  readonly cursor: 'default' | 'crosshair'
  /** Where the pointer's spot goes; null where it stays free. */
  readonly hover: (tool: T, at: PlanPoint, sheet: Sheet) => Snapped | null
  /** `empty` when nothing lies under it. */
  readonly click: (tool: T, at: PlanPoint, sheet: Sheet, empty: boolean) => void
}
