import { distanceM, type PlanPoint } from '@/core/geometry'
import type { Job, PlanThing, ThingName, ThingOf } from '@/core/job'

/** What can be drawn on the plan: an entry a drawing, from which tools, clicks and new things follow. */
interface Drawn {
  readonly label: string
  /** The tool's whole name, where the label is short. */
  readonly name: string
  readonly how: string
  /** Exactly so many clicks, or as many as one likes until it is ended. */
  readonly clicks: 1 | 2 | 'until ended'
  /** Goes on from its last corner once it is drawn. */
  readonly goesOn?: true
  /** The thing as it starts, beside its id and floor; its fields are checked after. */
  readonly start: (points: readonly PlanPoint[], on: Job) => object
}

export type DrawnKind = Exclude<ThingName, 'obstacle'> | 'block' | 'round'

/** Heights a new thing starts with. Common practice, no source: every one is a field after. */
const START = {
  wallHeightM: 3,
  obstacleHeightM: 2.5,
  undersideM: 3,
  soffitDepthM: 0.6,
  lipM: 0.1,
  faceM: 1.6,
} as const

const last = <K extends ThingName>({ things }: Job, of: K) =>
  things.findLast((thing): thing is Extract<PlanThing, ThingOf<K>> => thing.kind === of)
const numbered = (word: string, kind: ThingName, { things }: Job) =>
  `${word} ${things.filter((thing) => thing.kind === kind).length + 1}`
const wanted = ({ policies }: Job) => ({
  level: policies.edition === '2014' ? 'recognise' : 'perceive',
  targetHeightM: START.faceM,
})
const standing = { kind: 'obstacle', baseM: 0, heightM: START.obstacleHeightM } as const

export const DRAWN: Record<DrawnKind, Drawn> = {
  'wall': {
    label: 'Wall',
    name: 'Wall',
    how: 'Click from corner to corner; Enter or Escape ends.',
    clicks: 2,
    goesOn: true,
    start: ([from, to], on) => {
      const like = last(on, 'wall')
      const [baseM, heightM] = [like?.baseM ?? 0, like?.heightM ?? START.wallHeightM]
      return { kind: 'wall', from, to, baseM, heightM, openings: [] }
    },
  },
  'soffit': {
    label: 'Soffit',
    name: 'Soffit edge',
    how: 'Click both ends of the outer edge, the wall on its left.',
    clicks: 2,
    start: ([from, to], on) => {
      const like = last(on, 'soffit')
      return {
        kind: 'soffit',
        from,
        to,
        depthM: like?.depthM ?? START.soffitDepthM,
        undersideM: like?.undersideM ?? START.undersideM,
        lipM: like?.lipM ?? START.lipM,
      }
    },
  },
  'block': {
    label: 'Block',
    name: 'Block',
    how: 'Click the corners; click the first again, or Enter, to close.',
    clicks: 'until ended',
    start: (outline) => ({ ...standing, form: { is: 'block', outline } }),
  },
  'round': {
    label: 'Round',
    name: 'Round obstacle',
    how: 'A tree or pole: click its middle, then its rim.',
    clicks: 2,
    start: ([at, rim]) => ({
      ...standing,
      form: { is: 'round', at, radiusM: at && rim ? Math.max(0.05, distanceM(at, rim)) : 0 },
    }),
  },
  'premises': {
    label: 'Premises',
    name: 'Premises',
    how: 'Click round the ground that matters: blind spots count inside it.',
    clicks: 'until ended',
    start: (outline) => ({ kind: 'premises', outline }),
  },
  'area': {
    label: 'Area',
    name: 'Area of interest',
    how: 'Click the corners; click the first again, or Enter, to close.',
    clicks: 'until ended',
    start: (outline, on) => ({ kind: 'area', name: numbered('Area', 'area', on), outline, ...wanted(on) }),
  },
  'privacy': {
    label: 'Privacy',
    name: 'Privacy area',
    how: 'Click round what must not be seen.',
    clicks: 'until ended',
    start: (outline) => ({ kind: 'privacy', outline }),
  },
  'target': {
    label: 'Target',
    name: 'Target',
    how: 'Click where it stands.',
    clicks: 1,
    start: ([at], on) => ({ kind: 'target', name: numbered('Target', 'target', on), at, ...wanted(on) }),
  },
  'walk': {
    label: 'Walk',
    name: 'Walk',
    how: 'Click along the path; Enter ends it.',
    clicks: 'until ended',
    start: (path, on) => ({ kind: 'walk', name: numbered('Walk', 'walk', on), path }),
  },
  'head end': {
    label: 'Head end',
    name: 'Head end',
    how: 'Click where it is.',
    clicks: 1,
    start: ([at]) => ({ kind: 'head end', at }),
  },
}
