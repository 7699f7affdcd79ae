import { expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, equipment, job, plannedThrough } from '@/testing/jobs'
import { headEnd, pathway } from '@/testing/plans'
import { assess } from './assess'
import type { Finding } from './findings'
import type { Device, Job } from './job'
import type { Camera, Catalogue } from './parts'

/**
 * Where a finding turns from good to bad: looked for by halving, it must lie at the figure that its source
 * gives, typed here from that source and not from the program. At the figure itself it is still good.
 */

type Plans = Pick<Device, 'sight' | 'mount' | 'route' | 'terminate' | 'seal' | 'power'>
interface Case {
  readonly finding: string
  /** Good up to what is typed there, or from it on. */
  readonly good: 'up to' | 'from'
  readonly figure: number | 'its limit'
  /** Where the finding says something else than what was typed, as a length reckoned at 20 °C. */
  readonly said?: 'what was typed'
  /** Bad from this verdict on; any but good unless it says otherwise. */
  readonly bad?: 'stop'
  readonly between: readonly [number, number]
  readonly on: (x: number) => { readonly job: Job; readonly catalogue?: Catalogue }
  readonly source: string
}

const planned = plannedThrough(device())
const withPlans = (of: Device, change: { readonly [S in keyof Plans]?: object }): Device => ({
  ...of,
  ...Object.fromEntries(
    Object.entries(change).map(([stage, fields]) => [stage, { ...of[stage as keyof Plans], ...fields }]),
  ),
})
const one = (of: Device, on: Partial<Job> = {}) => job({ devices: [of], ...on })
const plans = (change: { readonly [S in keyof Plans]?: object }, of = planned) => ({
  job: one(withPlans(of, change)),
})
const withCamera = (of: Device, change: Partial<Camera>, on: Partial<Job> = {}) => ({
  job: one(of, on),
  catalogue: {
    ...CATALOGUE,
    cameras: new Map([
      ...CATALOGUE.cameras,
      [of.cameraId, { ...CATALOGUE.cameras.get(of.cameraId)!, ...change }],
    ]),
  },
})
const withCable = (of: Device, change: object, on: Partial<Job> = {}) => ({
  job: one(of, on),
  catalogue: {
    ...CATALOGUE,
    cables: new Map([...CATALOGUE.cables, [of.cableId, { ...CATALOGUE.cables.get(of.cableId)!, ...change }]]),
  },
})
const far = { level: 'detect', shutterS: 1 / 5000 } as const
const pole = { material: 'steel', diameterMm: 114.3, wallMm: 3.6, heightM: 6 } as const
const onPole = plannedThrough(device({ surfaceId: 'steel-pole', mountIds: ['pole-adapter', 'junction-box'] }))
/** Its lens at the beginning of 20 m of pathway, at the height at which the head end lies. */
const besideLane = withPlans(planned, {
  sight: { heightM: 1, place: { floor: 'ground', x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: false } },
})
const lane = (change: Parameters<typeof pathway>[1] = {}) => [
  pathway(
    [
      [0, 0],
      [20, 0],
    ],
    { heightM: 1, endM: 1, ...change },
  ),
  headEnd(20, 0),
]
/** A conduit from where the camera is to the head end. */
const tube = (...path: (readonly [number, number])[]) => ({
  things: [pathway(path, { space: 'conduit', heightM: 1, endM: 1 }), headEnd(...path.at(-1)!)],
})
const through = (...path: (readonly [number, number])[]) => ({ job: one(besideLane, tube(...path)) })
/** Three cameras through one conduit with a bore of so many millimetres. */
const threeIn = (boreMm: number) => {
  const segments = [stretch({ space: 'conduit', conduitId: 'metric-20', conduitName: 'yard' })]
  const of = withPlans(planned, { route: { segments } })
  const bore = { ...CATALOGUE.conduits.get('metric-20')!, boreAreaMm2: (Math.PI / 4) * boreMm ** 2 }
  return {
    job: job({ devices: [of, { ...of, id: 'second', mark: '02' }, { ...of, id: 'third', mark: '03' }] }),
    catalogue: { ...CATALOGUE, conduits: new Map([...CATALOGUE.conduits, ['metric-20', bore]]) },
  }
}
/** On a lead of so many metres, plain plugs at both ends, whose coil has no place. */
const onLead = (lengthM: number, ...segments: object[]) => {
  const lead = { lengthM, fedFrom: null, coilAt: null }
  const ends = { cameraEndId: 'plug-factory', headEndId: 'plug-factory' }
  return plans({ route: { segments, lead }, terminate: ends }, { ...planned, cableId: 'lead-thin' })
}
const twelve = { equipment: [equipment({ id: 'dc', name: 'Twelve volts', partId: 'dc-12-5' })] }
const onTwelve = plannedThrough(
  device({ cameraId: 'analogue-bullet-2mp', cableId: 'rg59-18-2' }),
  job(twelve),
)
/** Four cameras of so much on a supply of 12 V and 5 A. */
function fourOnTwelve(worstW: number) {
  const { power } = CATALOGUE.cameras.get('analogue-bullet-2mp')!
  const devices = ['a', 'b', 'c', 'd'].map((id) => ({ ...onTwelve, id, mark: id }))
  return withCamera(onTwelve, { power: { ...power, worstW } }, { ...twelve, devices })
}
const stretch = (change: object) => ({
  id: 'a',
  space: 'loft',
  lengthM: 20,
  riseM: 0,
  temperatureC: 20,
  conduitId: null,
  conduitName: '',
  ...change,
})
/** A device whose whole run is one stretch, without slack. */
const routed = (
  change: object,
  of = planned,
  on: Partial<Job> = {},
  route: object = {},
): { readonly job: Job } => ({
  job: one(withPlans(of, { route: { segments: [stretch(change)], ...route } }), {
    allowances: noSlack,
    ...on,
  }),
})
const noSlack = {
  deviceSlackM: 0,
  headEndSlackM: 0,
  dripLoopM: 0,
  serviceLoopM: 0,
  cutOffM: 0,
  terminationM: 0,
  wastePercent: 0,
}

const mains = { equipment: [equipment({ id: 'm', name: 'Lamps', partId: 'mains-circuit' })] }
const flood = plannedThrough(
  device({ cameraId: 'floodlight-4mp', mountIds: ['recessed-box'], cableId: 'mains-14-2' }),
  job(mains),
)
const boxOf = (volumeMl: number) => ({
  job: one(flood, mains),
  catalogue: {
    ...CATALOGUE,
    mounts: new Map([
      ...CATALOGUE.mounts,
      ['recessed-box', { ...CATALOGUE.mounts.get('recessed-box')!, volumeMl }],
    ]),
  },
})

const CASES: readonly Case[] = [
  {
    finding: 'power/surge',
    good: 'up to',
    figure: 30,
    between: [5, 80],
    on: (lengthM) => plans({ route: { segments: [stretch({ space: 'clipped outside', lengthM })] } }),
    source: 'common practice, no source',
  },
  {
    finding: 'power/box-fill',
    good: 'from',
    bad: 'stop',
    figure: 6 * 32.77,
    said: 'what was typed',
    between: [50, 400],
    on: boxOf,
    source: 'NEC 314.16(B), from memory: six times 2.00 cubic inches',
  },
  {
    finding: 'sight/face-angle',
    good: 'up to',
    figure: 30,
    between: [2, 8],
    on: (heightM) => plans({ sight: { heightM, targetDistanceM: 6, tiltDeg: 30, level: 'recognise' } }),
    source: 'common practice, no source',
  },
  {
    finding: 'sight/blur',
    good: 'up to',
    figure: 2,
    between: [1 / 1000, 1 / 20],
    on: (shutterS) => plans({ sight: { shutterS, level: 'recognise' } }),
    source: 'common practice, no source: two pixels at 1.4 m/s',
  },
  {
    finding: 'sight/infrared',
    good: 'up to',
    figure: 50,
    between: [10, 90],
    on: (targetDistanceM) => plans({ sight: { ...far, targetDistanceM } }),
    source: 'the reach that the part states',
  },
  {
    finding: 'sight/level',
    good: 'up to',
    bad: 'stop',
    figure: 125,
    between: [2, 40],
    on: (targetDistanceM) =>
      plans({ sight: { level: 'recognise', tiltDeg: 5, heightM: 2, targetHeightM: 1.6, targetDistanceM } }),
    source: 'EN 62676-4:2014: recognise 125 px/m',
  },
  {
    finding: 'sight/level',
    good: 'up to',
    bad: 'stop',
    figure: 250,
    between: [2, 40],
    on: (targetDistanceM) =>
      plans({ sight: { level: 'identify', tiltDeg: 5, heightM: 2, targetHeightM: 1.6, targetDistanceM } }),
    source: 'EN 62676-4:2014: identify 250 px/m',
  },
  {
    finding: 'sight/lens',
    good: 'up to',
    figure: 12,
    between: [6, 30],
    on: (focalMm) => plans({ sight: { focalMm } }),
    source: 'the lens that the part states',
  },
  {
    finding: 'sight/wish',
    good: 'up to',
    figure: 0.3,
    between: [0, 3],
    on: (x) =>
      plans({
        sight: {
          place: { floor: 'ground', x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: false },
          wish: { place: 'door', at: { x, y: 0 }, kept: true, reason: '', agreedBy: '' },
        },
      }),
    source: 'common practice, no source',
  },
  {
    finding: 'mount/ladder',
    good: 'up to',
    figure: 6,
    between: [3, 12],
    on: (heightM) => plans({ sight: { heightM } }),
    source: 'common practice, no source',
  },
  {
    finding: 'mount/two-people',
    good: 'up to',
    figure: 5,
    between: [1, 20],
    on: (massKg) => withCamera({ ...planned, mountIds: [] }, { massKg }),
    source: 'HSE INDG143, lifting filter: 5 kg at arm’s length above shoulder height (from memory)',
  },
  {
    finding: 'mount/edge',
    good: 'from',
    figure: 4 * 4.166,
    between: [1, 200],
    on: (edgeMm) => plans({ mount: { edgeMm } }),
    source: 'common practice, no source: four diameters of a no. 8 screw (0.164 in) in wood',
  },
  {
    finding: 'mount/thread',
    good: 'from',
    figure: 6 * 4.166,
    between: [1, 60],
    on: (threadInWoodMm) => plans({ mount: { threadInWoodMm } }),
    source: 'NDS 12.1.5: a wood screw holds from 6 diameters on (from memory)',
  },
  {
    finding: 'mount/slot',
    good: 'from',
    figure: 10 / 2 + 10,
    between: [0, 60],
    on: (slotMm) => plans({ mount: { slotMm } }),
    source: 'common practice, no source: 10 mm beside a hole of 10 mm',
  },
  {
    finding: 'terminate/room',
    good: 'up to',
    // 152 of 380 mL, less four tails of 350 mm and a plug of 60 mm, over the section of 6.2 mm: metres.
    figure: (152e3 - Math.PI * (4 * 350 * 2.5 ** 2 + 60 * 7.1 ** 2)) / (Math.PI * 3.1 ** 2) / 1000,
    said: 'what was typed',
    between: [0, 20],
    on: (deviceSlackM) => ({ job: one(planned, { allowances: { ...job().allowances, deviceSlackM } }) }),
    source: 'common practice, no source: 40 % of a box, as NEC chapter 9 table 1 has it of a conduit',
  },
  {
    finding: 'mount/hole-width',
    good: 'from',
    figure: 6.2 + 3,
    between: [1, 60],
    on: (holeMm) => plans({ mount: { hole: 'kept', holeMm } }),
    source: 'common practice, no source: a bare cable of 6.2 mm wants 3 mm round it',
  },
  {
    finding: 'mount/band',
    good: 'up to',
    figure: 170,
    between: [100, 400],
    on: (diameterMm) => plans({ mount: { pole: { ...pole, diameterMm } } }, onPole),
    source: 'the range that the band states',
  },
  {
    finding: 'mount/above-pole',
    good: 'from',
    figure: 'its limit',
    between: [1, 6],
    on: (heightM) => plans({ mount: { pole: { ...pole, heightM } } }, onPole),
    source: 'a camera hangs no higher than its pole',
  },
  {
    finding: 'mount/shake',
    good: 'from',
    figure: 3,
    between: [0.5, 50],
    on: (wallMm) =>
      plans(
        { sight: { focalMm: 12, heightM: 6 }, mount: { pole: { ...pole, diameterMm: 100, wallMm } } },
        onPole,
      ),
    source: 'common practice, no source: three pixels of lean',
  },
  {
    finding: 'mount/pole-foot',
    good: 'from',
    figure: 10,
    between: [60, 900],
    on: (diameterMm) => plans({ mount: { pole: { ...pole, heightM: 3.2, diameterMm } } }, onPole),
    source: 'common practice, no source: a tenth of the moment',
  },
  {
    finding: 'seal/grip:mount-0/entry',
    good: 'up to',
    figure: 12,
    between: [6, 30],
    on: (diameterMm) => withCable(planned, { diameterMm, fittingMm: diameterMm }),
    source: 'the range that the gland states',
  },
  {
    finding: 'terminate/jacket:camera',
    good: 'up to',
    figure: 6.5,
    said: 'what was typed',
    between: [5, 30],
    on: (diameterMm) => withCable(planned, { diameterMm, fittingMm: diameterMm }),
    source: 'the range that the plug states',
  },
  {
    finding: 'power/volts',
    good: 'up to',
    figure: 'its limit',
    between: [1, 100],
    on: (lengthM) => routed({ lengthM }, onTwelve, twelve),
    source: 'the least volts that the camera states',
  },
  {
    finding: 'power/over-volts',
    good: 'from',
    figure: 'its limit',
    between: [11, 15],
    on: (mostV) => {
      const { power } = CATALOGUE.cameras.get('analogue-bullet-2mp')!
      return withCamera(onTwelve, { power: { ...power, dcV: [10.8, mostV] } }, twelve)
    },
    source: 'the most volts that the camera states',
  },
  {
    finding: 'route/conduit-a',
    good: 'up to',
    figure: 53,
    between: [2, 30],
    on: (diameterMm) => {
      const segments = [stretch({ space: 'conduit', conduitId: 'emt-three-quarter' })]
      return withCable(withPlans(planned, { route: { segments } }), { diameterMm })
    },
    source: 'NEC chapter 9 table 1: one cable fills 53 %',
  },
  {
    finding: 'route/stray',
    good: 'from',
    figure: 18,
    between: [1, 40],
    on: (lengthM) => routed({ lengthM }, besideLane, { things: lane() }),
    source: 'common practice, no source: a tenth less than the 20 m that it lies',
  },
  {
    finding: 'route/narrow-1',
    good: 'from',
    figure: 6.2 + 3,
    between: [1, 40],
    on: (freeMm) => routed({ lengthM: 20 }, besideLane, { things: lane({ space: 'wall cavity', freeMm }) }),
    source: 'common practice, no source: 3 mm of room round what is drawn',
  },
  {
    finding: 'route/lead',
    good: 'up to',
    figure: Math.PI / 4,
    between: [0, 3],
    on: (leftM) => onLead(25 + leftM, stretch({})),
    source:
      'common practice, no source: a turn of a coil of 250 mm; 20 m of loft want 5 m of slack and loops',
  },
  {
    finding: 'route/lead-bore-a',
    good: 'from',
    figure: 14.2 + 0.8,
    between: [10, 30],
    on: (boreMm) => {
      const bore = { ...CATALOGUE.conduits.get('metric-20')!, boreAreaMm2: (Math.PI / 4) * boreMm ** 2 }
      return {
        ...onLead(25, stretch({ space: 'conduit', conduitId: bore.id })),
        catalogue: { ...CATALOGUE, conduits: new Map([...CATALOGUE.conduits, [bore.id, bore]]) },
      }
    },
    source: 'IEC 60603-7 from memory: a plug is 14.2 mm from corner to corner, and a little room',
  },
  {
    finding: 'route/lead-bore-a',
    good: 'from',
    figure: 14.2 + 0.8 + 7,
    between: [15.1, 30],
    bad: 'stop',
    on: (boreMm) => {
      const bore = { ...CATALOGUE.conduits.get('metric-20')!, boreAreaMm2: (Math.PI / 4) * boreMm ** 2 }
      const lies = { space: 'conduit', name: 'yard', lyingCables: 1, lyingMm: 7 } as const
      const on = onLead(25, stretch({ space: 'conduit', conduitId: bore.id, conduitName: 'yard' }))
      return {
        job: { ...on.job, things: [pathway([[0, 0], [20, 0]], lies)] }, // prettier-ignore
        catalogue: { ...CATALOGUE, conduits: new Map([...CATALOGUE.conduits, [bore.id, bore]]) },
      }
    },
    source: 'common practice, no source: the plug beside a cable of 7 mm that lies there',
  },
  {
    finding: 'route/slack',
    good: 'from',
    figure: 0.3,
    between: [0, 2],
    on: (headEndSlackM) =>
      routed({}, planned, { allowances: { ...noSlack, deviceSlackM: 3, headEndSlackM } }),
    source: 'common practice, no source: a foot of slack, to make it off again',
  },
  {
    finding: 'route/slack',
    good: 'from',
    figure: 0.3,
    between: [0, 2],
    on: (deviceSlackM) => routed({}, planned, { allowances: { ...noSlack, deviceSlackM, headEndSlackM: 3 } }),
    source: 'common practice, no source: the same at the camera',
  },
  {
    finding: 'route/drip',
    good: 'from',
    figure: 0.1,
    between: [0, 1],
    on: (dripLoopM) =>
      routed({ space: 'clipped outside' }, planned, { allowances: { ...noSlack, dripLoopM } }),
    source: 'common practice, no source: a loop that hangs a hand lower than the entry',
  },
  {
    finding: 'route/pull-length-1',
    good: 'up to',
    figure: 30,
    between: [5, 60],
    on: (lengthM) => through([0, 0], [lengthM, 0]),
    source: 'ANSI/TIA-569, from memory: 30 m from one pull point to the next',
  },
  {
    finding: 'route/pull-bends-1',
    good: 'up to',
    figure: 180,
    between: [91, 260],
    // Two right angles, and whatever is over.
    on: (bendsDeg) => {
      const turn = ((bendsDeg - 90) * Math.PI) / 180
      return through([0, 0], [4, 0], [4, 4], [4 - 4 * Math.sin(turn), 4 + 4 * Math.cos(turn)])
    },
    source: 'ANSI/TIA-569, from memory: two right angles from one pull point to the next',
  },
  {
    finding: 'route/pull-force-1',
    good: 'from',
    figure: 0.5 * 20 * 1.5 * 9.81 * Math.PI * 3.1 ** 2 * 1e-3,
    between: [0.5, 20],
    on: (pullN) => withCable(besideLane, { pullN }, tube([0, 0], [20, 0])),
    source: 'statics: friction of half its weight over 20 m level; TIA-568.0 has 110 N of four pairs',
  },
  {
    finding: 'route/jam-a',
    good: 'from',
    figure: 3.2 * 6.2,
    between: [18.5, 40],
    on: (boreMm) => threeIn(boreMm),
    source: 'NEC chapter 9, note to table 1: three wedge from 2.8 to 3.2 diameters of bore',
  },
  {
    finding: 'route/drum',
    good: 'up to',
    figure: 305,
    between: [200, 400],
    on: (lengthM) => routed({ lengthM }),
    source: 'boxes of pair cable hold 305 m (1,000 ft): common practice, no source',
  },
  {
    finding: 'route/length',
    good: 'up to',
    figure: 90,
    between: [40, 120],
    on: (lengthM) => routed({ lengthM }),
    source: 'ANSI/TIA-568.2-D: fixed link 90 m at 20 °C',
  },
  {
    finding: 'route/length',
    good: 'up to',
    figure: 79.5,
    said: 'what was typed',
    between: [40, 120],
    on: (lengthM) => routed({ lengthM, temperatureC: 50 }),
    source: 'ANSI/TIA-568.2-D annex, length by temperature: 79.5 m at 50 °C (from memory)',
  },
  {
    finding: 'route/heat',
    good: 'up to',
    figure: 60,
    between: [20, 90],
    on: (temperatureC) => plans({ route: { segments: [stretch({ temperatureC })] } }),
    source: 'ANSI/TIA-568.2-D: its table ends at 60 °C (from memory)',
  },
  {
    finding: 'route/cords',
    good: 'up to',
    figure: 10,
    between: [1, 40],
    on: (cordsM) => routed({ lengthM: 87 }, planned, {}, { cordsM }),
    source: 'ANSI/TIA-568.2-D: C = (102 − H)/(1 + 0.5) for 26 AWG: (102 − 87)/1.5 (from memory)',
  },
  {
    finding: 'power/budget',
    good: 'up to',
    bad: 'stop',
    figure: 60,
    between: [1, 29],
    on: fourOnTwelve,
    source: 'the power that the supply states: 12 V at 5 A',
  },
  {
    finding: 'power/budget',
    good: 'up to',
    figure: 48,
    between: [1, 14],
    on: fourOnTwelve,
    source: 'common practice, no source: four fifths of it',
  },
]

const bisected = (
  bad: (x: number) => boolean,
  [low, high]: readonly [number, number],
): readonly [number, number] => {
  const turned = bad(low)
  expect(bad(high)).toBe(!turned)
  let [a, b] = [low, high]
  for (let i = 0; i < 60; i++) {
    const middle = (a + b) / 2
    if (bad(middle) === turned) a = middle
    else b = middle
  }
  return turned ? [b, a] : [a, b] // the good side first
}

const findingsOf = ({ job: on, catalogue = CATALOGUE }: ReturnType<Case['on']>): readonly Finding[] => {
  const { devices, equipment: pieces } = assess(on, catalogue)
  return [...devices, ...pieces].flatMap(({ findings }) => findings)
}

it.each(CASES)(
  '$finding is good $good $figure: $source',
  ({ finding: id, figure, said, bad, between, good, on }) => {
    const found = (x: number) => findingsOf(on(x)).find((one) => one.id === id)
    const isBad = (x: number) => {
      const { verdict } = found(x) ?? { verdict: 'good' }
      return bad === undefined ? verdict !== 'good' : verdict === bad
    }
    const [better, worse] = bisected(isBad, between)
    expect(worse > better ? 'up to' : 'from').toBe(good)
    const { figure: read, limit } = found(worse)!
    if (said) return expect(worse).toBeCloseTo(figure as number, 5)
    const expected = figure === 'its limit' ? (limit as { value: number }).value : figure
    expect(read).toMatchObject({ value: expect.closeTo(expected, 5) as number })
  },
)
