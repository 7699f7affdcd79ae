import { z } from 'zod'
import { Name } from '../../job/fields'
import { Fastened, Interface } from './joining'
import { Fixings, named, number, oneOf, partKind, yes, type WithId } from './fields'
import { fastenedAsked, SCREWS_ASKED, SITS_ON, SIZE_ASKED } from './fastening'
import { Openings, OPENINGS_ASKED } from './opening'

/** What stands between a surface and a camera. */
export const MountPart = z.strictObject({
  name: Name,
  kind: oneOf(
    'junction box',
    'back box',
    'electrical box',
    'wall arm',
    'ceiling plate',
    'rod',
    'hood',
    'pole adapter',
    'corner adapter',
    'plate',
    'housing',
    'bracket',
  ),
  needs: Interface,
  offers: Interface,
  /** Which way the next part faces: as before, or turned down. */
  turns: oneOf('same', 'down'),
  massKg: number('mass', 0, 100),
  baseMm: number('size', 5, 1000),
  depthMm: number('size', 1, 3000),
  /** How far it carries the load away from the surface. */
  reachMm: number('size', 0, 3000),
  fixing: Fixings,
  fastened: Fastened.exclude(['inside its support']),
  /** Its back is open: what sits on it is reached from behind until it is up. */
  openBehind: yes,
  /** It is let into the surface, through an opening that is cut for it. */
  cutIn: yes,
  /** Its middle is open and flat: a joint behind it is made in front of it and pushed through. */
  passesJoint: yes,
  /** What it holds, mL, where a joint is made in it. */
  volumeMl: number('volume', 10, 20_000).optional(),
  /** True when a tail and its joint fit inside. */
  enclosesJoint: z.boolean(),
  openings: Openings,
  /** What must be done before this part is closed or goes up. */
  before: z.string().max(300).nullable(),
  /** The only way a surface may face under it; either when it is left out. */
  onlyOn: oneOf('wall', 'down').optional(),
  /** The camera sits inside it: the wind meets this part and not the camera. */
  coversCamera: yes,
  /** It spreads the load over a ceiling tile. */
  spreadsTile: yes,
})
export type MountPart = WithId<typeof MountPart>

const shape = MountPart.shape

export const mountKind = partKind({
  one: 'Mount, box or arm',
  schema: MountPart,
  flat: false,
  asks: [
    {
      path: 'kind',
      label: 'What it is',
      way: { as: 'choice', options: named(...shape.kind.options) },
      stages: ['mount'],
      costs: 'which steps it takes',
    },
    SITS_ON,
    {
      path: 'offers',
      label: 'Carries what needs',
      way: { as: 'choice', options: named(...Interface.options) },
      stages: ['mount'],
      costs: 'what fits on it',
    },
    {
      path: 'turns',
      label: 'The next part faces',
      way: { as: 'choice', options: { same: 'As before', down: 'Down' } },
      stages: ['sight', 'mount'],
      costs: 'which way the camera looks',
    },
    ...SIZE_ASKED,
    {
      path: 'depthMm',
      label: 'Depth',
      way: { as: 'quantity', kind: 'size' },
      stages: ['mount'],
      costs: 'the wind on it',
    },
    {
      path: 'reachMm',
      label: 'Carries the load away from the surface by',
      way: { as: 'quantity', kind: 'size' },
      stages: ['mount'],
      costs: 'the lever of wind and weight',
    },
    ...SCREWS_ASKED,
    fastenedAsked(shape.fastened.options),
    {
      path: 'enclosesJoint',
      label: 'A tail and its joint fit inside',
      way: { as: 'yes or no' },
      stages: ['seal', 'terminate'],
      costs: 'where the joint lies, and how it is sealed',
    },
    {
      path: 'volumeMl',
      label: 'Volume inside',
      way: { as: 'quantity', kind: 'volume' },
      none: 'No joint in it, or not known',
      absent: true,
      stages: ['terminate'],
      costs: 'whether a joint and its slack find room',
    },
    OPENINGS_ASKED,
  ],
})
