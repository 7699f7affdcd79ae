import type { Outline, PlanPoint } from '../geometry'
import type { LevelId } from '../job/choices'
import type { Policies } from '../job/job'
import { USUAL_HEIGHTS, usualPathway, type PlanThing, type ThingName, type ThingOf } from '../plan'

/** What bounds a thing, whatever its kind is. */
export type Form =
  | { readonly is: 'path'; readonly points: readonly PlanPoint[] }
  | { readonly is: 'ring'; readonly points: Outline }
  | { readonly is: 'point'; readonly at: PlanPoint }
  | { readonly is: 'round'; readonly at: PlanPoint; readonly radiusM: number }

/** How a kind of thing goes out to other programs and comes in from them. */
interface Bounded<K extends ThingName> {
  readonly form: (thing: ThingOf<K>) => Form
  /** The fields that say where it is, from its points; `radiusM` where that was told. */
  readonly placed: (points: readonly PlanPoint[], radiusM: number | null) => object
  /** What a file does not say of it. */
  readonly usual: (wanted: Wanted) => object
}

/** What is wanted of an area or a target of which nobody said more. */
interface Wanted {
  readonly level: LevelId
  readonly targetHeightM: number
}

/** How thick a post is that nobody gave a radius, m. Common practice, no source. */
const POST_M = 0.1

const edge = {
  form: ({ from, to }: { from: PlanPoint; to: PlanPoint }): Form => ({ is: 'path', points: [from, to] }),
  placed: ([from, to]: readonly PlanPoint[]) => ({ from, to }),
}
const ring = {
  form: ({ outline }: { outline: Outline }): Form => ({ is: 'ring', points: outline }),
  placed: (outline: readonly PlanPoint[]) => ({ outline }),
}
const point = {
  form: ({ at }: { at: PlanPoint }): Form => ({ is: 'point', at }),
  placed: ([at]: readonly PlanPoint[]) => ({ at }),
}
/** A path that may be a single point. */
const line = {
  form: ({ path }: { path: readonly PlanPoint[] }): Form =>
    path.length === 1 ? { is: 'point', at: path[0]! } : { is: 'path', points: path },
  placed: (path: readonly PlanPoint[]) => ({ path }),
}
const { wallM, obstacleM, undersideM, soffitDepthM, lipM, faceM, pathwayM, equipmentM } = USUAL_HEIGHTS
const nothing = () => ({})

const BOUNDED: { readonly [K in ThingName]: Bounded<K> } = {
  'wall': { ...edge, usual: () => ({ baseM: 0, heightM: wallM, thicknessM: 0, openings: [] }) },
  'soffit': { ...edge, usual: () => ({ depthM: soffitDepthM, undersideM, lipM }) },
  'obstacle': {
    form: ({ form }) =>
      form.is === 'round'
        ? { is: 'round', at: form.at, radiusM: form.radiusM }
        : { is: 'ring', points: form.outline },
    placed: (points, radiusM) => ({
      form:
        points.length === 1
          ? { is: 'round', at: points[0], radiusM: radiusM ?? POST_M }
          : { is: 'block', outline: points },
    }),
    usual: () => ({ baseM: 0, heightM: obstacleM }),
  },
  'premises': { ...ring, usual: nothing },
  'area': { ...ring, usual: (wanted) => wanted },
  'privacy': { ...ring, usual: nothing },
  'target': { ...point, usual: (wanted) => wanted },
  'walk': {
    form: ({ path }) => ({ is: 'path', points: path }),
    placed: (path) => ({ path }),
    usual: nothing,
  },
  'head end': { ...point, usual: nothing },
  'pull point': { ...point, usual: () => ({ is: 'pull box', heightM: pathwayM }) },
  'equipment': { ...point, usual: () => ({ heightM: equipmentM, equipmentId: null }) },
  'slab': { ...ring, usual: nothing },
  'ground level': {
    ...line,
    usual: () => ({ groundM: 0, endM: 0 }),
  },
  'pathway': { ...line, usual: () => usualPathway('clipped outside') },
}
const boundedAs = (kind: ThingName) => BOUNDED[kind] as unknown as Bounded<ThingName>

/** What bounds a thing. */
export const formOf = (thing: PlanThing): Form => boundedAs(thing.kind).form(thing)

/** What of a thing its form does not say. */
export function besideForm(thing: PlanThing): Readonly<Record<string, unknown>> {
  const said = boundedAs(thing.kind).placed([], null)
  return Object.fromEntries(
    Object.entries(thing).filter(([key]) => key !== 'id' && !Object.hasOwn(said, key)),
  )
}

/** The fields that say where a thing of a kind is. */
export const placedBy = (kind: ThingName, points: readonly PlanPoint[], radiusM: number | null): object =>
  boundedAs(kind).placed(points, radiusM)

/** What a file does not say of a thing of a kind. */
export function usualOf(kind: ThingName, { edition }: Pick<Policies, 'edition'>): object {
  const level: LevelId = edition === '2014' ? 'recognise' : 'perceive'
  return { locked: false, ...boundedAs(kind).usual({ level, targetHeightM: faceM }) }
}
