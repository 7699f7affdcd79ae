import { z } from 'zod'
import { Name } from '../../job/fields'
import { Interface, Fastened } from './joining'
import { Fixings, named, number, oneOf, partKind, range, whole, type WithId } from './fields'
import { fastenedAsked, SCREWS_ASKED, SITS_ON, SIZE_ASKED } from './fastening'
import { Openings, OPENINGS_ASKED } from './opening'

/** Energy (J) of the blow that each class of IEC 62262 stands. */
export const IMPACT_J = { IK07: 2, IK08: 5, IK09: 10, IK10: 20 } as const

const focalMm = range(number('focal', 0.5, 500))

/** How a camera's angle range is counted: always from the normal of its own base. */
export const Camera = z
  .strictObject({
    name: Name,
    form: oneOf('bullet', 'dome', 'turret', 'box', 'ptz', 'panoramic', 'floodlight'),
    sensor: z.strictObject({
      widthMm: number('focal', 1, 60),
      heightMm: number('focal', 1, 60),
      widthPx: whole(100, 20_000),
      heightPx: whole(100, 20_000),
    }),
    /**
     * Rectilinear lenses follow the pinhole; a strongly distorting one is given by its field of view and
     * treated as f-theta.
     */
    lens: z.discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('rectilinear'), focalMm }),
      z.strictObject({
        kind: z.literal('f-theta'),
        horizontalFovDeg: number('angle', 10, 360),
        verticalFovDeg: number('angle', 10, 360),
        focalMm,
      }),
    ]),
    /** Angle between the lens axis and the normal of the camera's base, degrees. */
    axisFromBaseDeg: range(number('angle', -180, 180)),
    infraredReachM: number('length', 0, 1000),
    /** Protection against impact by IEC 62262; null when the maker gives none. */
    impact: z.enum(Object.keys(IMPACT_J) as [keyof typeof IMPACT_J, ...(keyof typeof IMPACT_J)[]]).nullable(),
    massKg: number('mass', 0.01, 100),
    /** Diameter or width of the base and depth from base to lens. */
    baseMm: number('size', 10, 1000),
    depthMm: number('size', 5, 2000),
    fixing: Fixings,
    needs: Interface,
    fastened: Fastened,
    /** What turns the picture of a camera, and so how it is aimed. */
    head: oneOf('three joints', 'ball', 'gimbal', 'slider', 'lamp joint', 'motors', 'none'),
    cable: oneOf('pair', 'coax and power', 'mains'),
    /** How the site cable meets the camera. */
    connection: oneOf('network tail', 'inside', 'coax and power tails', 'mains leads'),
    openings: Openings,
    power: z.strictObject({
      /** Worst hour: heater, infrared and motors on. */
      worstW: number('power', 0.1, 1000),
      poe: z.boolean(),
      dcV: range(number('voltage', 3, 60)).nullable(),
      mains: z.boolean(),
    }),
    /** Tails that are left over when the camera runs on PoE. */
    unusedTails: z.array(z.string().trim().min(1).max(40)).max(8),
    /** How long its tails are, each alike; absent where nobody said, or where it has none. */
    tailsMm: number('size', 0, 5000).optional(),
    /** What must be minded while fitting this form of camera. */
    notes: z.array(z.string().max(400)).max(12),
  })
  .refine(({ power: { poe, dcV, mains } }) => poe || dcV !== null || mains, {
    path: ['power', 'poe'],
    message: 'It runs on something: PoE, DC or mains.',
  })
  .refine(({ cable, connection }) => MET[cable]!.includes(connection), {
    path: ['connection'],
    message: 'Its cable does not meet it that way.',
  })
export type Camera = WithId<typeof Camera>
export type Head = Camera['head']

/** How each kind of cable can meet a camera. */
const MET: Readonly<Record<string, readonly string[]>> = {
  'pair': ['network tail', 'inside'],
  'coax and power': ['coax and power tails'],
  'mains': ['mains leads'],
}

const shape = Camera.shape

export const cameraKind = partKind({
  one: 'Camera',
  schema: Camera,
  flat: false,
  asks: [
    {
      path: 'form',
      label: 'Form',
      way: { as: 'choice', options: named(...shape.form.options) },
      stages: ['sight', 'mount'],
      costs: 'what it fits on and what is to be minded',
    },
    {
      path: 'sensor/widthPx',
      label: 'Picture width',
      way: { as: 'quantity', kind: 'pixels' },
      stages: ['sight'],
      costs: 'the pixels on the target',
    },
    {
      path: 'sensor/heightPx',
      label: 'Picture height',
      way: { as: 'quantity', kind: 'pixels' },
      stages: ['sight'],
      costs: 'how far up and down it sees',
    },
    {
      path: 'sensor/widthMm',
      label: 'Sensor width',
      way: { as: 'quantity', kind: 'focal' },
      hint: 'Of the part that makes the picture. From an angle h at focal length f: 2 f tan(h/2).',
      stages: ['sight'],
      costs: 'the angle of view, and the pixels on the target',
    },
    {
      path: 'sensor/heightMm',
      label: 'Sensor height',
      way: { as: 'quantity', kind: 'focal' },
      stages: ['sight'],
      costs: 'how near and how high it sees',
    },
    {
      path: 'lens/focalMm',
      label: 'Focal length',
      way: { as: 'range', kind: 'focal' },
      hint: 'Twice the same where it is fixed.',
      stages: ['sight'],
      costs: 'the angle of view, and which lens setting to plan',
    },
    {
      path: 'lens/horizontalFovDeg',
      label: 'Angle of view across',
      way: { as: 'quantity', kind: 'angle' },
      stages: ['sight'],
      costs: 'how far round it sees',
    },
    {
      path: 'lens/verticalFovDeg',
      label: 'Angle of view up and down',
      way: { as: 'quantity', kind: 'angle' },
      stages: ['sight'],
      costs: 'how far up and down it sees',
    },
    {
      path: 'axisFromBaseDeg',
      label: 'Lens axis from the normal of its base',
      way: { as: 'range', kind: 'angle' },
      hint: '0° looks straight out of the base, 90° along the surface.',
      stages: ['sight', 'mount'],
      costs: 'whether it can be aimed where it hangs',
    },
    {
      path: 'infraredReachM',
      label: 'Infrared reach',
      way: { as: 'quantity', kind: 'length' },
      hint: '0 where it has none.',
      stages: ['sight'],
      costs: 'whether the target is lit at night',
    },
    {
      path: 'impact',
      label: 'Impact class',
      way: { as: 'choice', options: named(...Object.keys(IMPACT_J)) },
      none: 'The sheet gives none',
      stages: ['mount'],
      costs: 'whether it stands a blow within reach',
    },
    ...SIZE_ASKED,
    {
      path: 'depthMm',
      label: 'Depth, base to lens',
      way: { as: 'quantity', kind: 'size' },
      stages: ['mount'],
      costs: 'the lever of wind and weight',
    },
    ...SCREWS_ASKED,
    SITS_ON,
    fastenedAsked(Fastened.options),
    {
      path: 'head',
      label: 'The picture turns by',
      way: { as: 'choice', options: named(...shape.head.options) },
      stages: ['sight'],
      costs: 'how it is aimed',
    },
    {
      path: 'cable',
      label: 'Runs on',
      way: {
        as: 'choice',
        options: { 'pair': 'Pair cable', 'coax and power': 'Coax and power', 'mains': 'Mains' },
      },
      stages: ['route', 'terminate'],
      costs: 'which cable it wants',
    },
    {
      path: 'connection',
      label: 'The cable meets it',
      way: { as: 'choice', options: named(...shape.connection.options) },
      stages: ['terminate'],
      costs: 'how its end is made, and where it is sealed',
    },
    OPENINGS_ASKED,
    {
      path: 'power/worstW',
      label: 'Power in the worst hour',
      way: { as: 'quantity', kind: 'power' },
      hint: 'Heater, infrared and motors on.',
      stages: ['power'],
      costs: 'class, budget and voltage drop',
    },
    {
      path: 'power/poe',
      label: 'Takes PoE',
      way: { as: 'yes or no' },
      stages: ['power'],
      costs: 'what can feed it',
    },
    {
      path: 'power/dcV',
      label: 'Takes DC, from least to most',
      way: { as: 'range', kind: 'voltage' },
      none: 'No DC',
      stages: ['power'],
      costs: 'how much the cable may drop',
    },
    {
      path: 'power/mains',
      label: 'Takes mains',
      way: { as: 'yes or no' },
      stages: ['power'],
      costs: 'what can feed it',
    },
    {
      path: 'unusedTails',
      label: 'Tails left over',
      way: { as: 'list' },
      hint: 'Like 12 V tail, alarm tail; empty where it has none',
      stages: ['seal'],
      costs: 'which tails must be capped',
    },
    {
      path: 'tailsMm',
      label: 'Length of its tails',
      way: { as: 'quantity', kind: 'size' },
      none: 'It has none, or not known',
      absent: true,
      stages: ['terminate'],
      costs: 'whether joint and slack find room in their box',
    },
  ],
})
