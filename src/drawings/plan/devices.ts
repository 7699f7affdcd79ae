import { along, type PlanPoint } from '@/core/geometry'
import type { Device, Floor, Place } from '@/core/job'
import type { Spot } from '../labels/place'
import { square, tintOf, type PlanMark, type Tint } from './marks'
import { MARK_PX, placeOn } from './placed'
import { toScreen, type ViewBox } from './view'

/** How a device stands on the plan. */
export interface StandingDevice {
  readonly device: Device
  readonly place: Place
  readonly view: ViewBox
  /** Where its mark stands: on its spot, or beside it where that is covered; null where it has no room. */
  readonly stands: Spot | null
  /** Half the picture's width, degrees. */
  readonly half: number
  readonly selected: boolean
  /** Whether its whole picture is drawn anyway: then it needs no sign of the way it looks. */
  readonly aimed: boolean
  readonly verdict: 'good' | 'check' | 'stop'
  /** Open faults. */
  readonly faults: number
  /** How far its infrared reaches, m; nought where that is not shown. */
  readonly infraredM: number
}

/** Wider than this a picture is drawn as if it ended here, degrees to either side. */
export const WIDEST_DRAWN = 88
/** How long the sign of the way it looks is, px. */
const LOOK_PX = 26

const line = (spots: readonly Spot[], stroke: Tint, wide: number, dash?: readonly number[]): PlanMark => ({
  is: 'line',
  spots,
  stroke,
  wide,
  ...(dash ? { dash } : {}),
})

/** A device: its mark, the way it looks, what it was wished for, and what else is to be known of it. */
export function deviceMarks(standing: StandingDevice): PlanMark[] {
  const { device, place, view, stands, selected, aimed, infraredM } = standing
  const at = toScreen(view, place)
  if (!stands) return [dotOf(standing, at)]
  const half = Math.min(standing.half, WIDEST_DRAWN)
  const tint = tintOf(selected)
  const look = (turn: number, reachM: number) => toScreen(view, along(place, place.panDeg + turn, reachM))
  const wish = device.sight!.wish.at
  const lookM = LOOK_PX / view.perMetre
  const aside = isAside(stands, at)
  const reach = Array.from({ length: 13 }, (_, i) => look(-half + (half * i) / 6, infraredM))
  return [
    ...(wish ? wished(device, wish, standing) : []),
    ...(aimed ? [] : [line([look(-half, lookM), at, look(half, lookM)], 'ink', 1)]),
    ...(infraredM > 0 ? [line(reach, 'soft', 1, [2, 4])] : []),
    ...(aside
      ? [
          line([at, stands], tint, 1),
          { is: 'circle', at, radius: 2.5, fill: tint } as const satisfies PlanMark,
        ]
      : []),
    {
      is: 'circle',
      id: `device:${device.id}`,
      at: stands,
      radius: MARK_PX,
      fill: tint,
      stroke: 'sheet',
      wide: 1.5,
      grip: 16,
    },
    { is: 'letters', at: stands, words: device.mark, size: 11, tint: 'sheet' },
    ...badges(standing, stands),
  ]
}

/** A device among so many that its mark has no room: the sign of its verdict, or a dot. */
function dotOf({ device: { id }, verdict }: StandingDevice, at: Spot): PlanMark {
  const gripped = { id: `device:${id}`, stroke: 'sheet', wide: 1, grip: 8 } as const
  return verdict === 'good'
    ? { is: 'circle', at, radius: 4, fill: 'ink', ...gripped }
    : { is: 'line', spots: signOf(verdict, at), closed: true, taken: 'inside', fill: verdict, ...gripped }
}

/** The customer's wish: an open ring, joined to where the device stands instead. */
function wished(device: Device, at: PlanPoint, { view, place, selected }: StandingDevice): PlanMark[] {
  const spot = toScreen(view, at)
  return [
    line([spot, toScreen(view, place)], 'soft', 1, [3, 4]),
    {
      is: 'circle',
      id: `wish:${device.id}`,
      at: spot,
      radius: 9,
      stroke: tintOf(selected, 'soft'),
      wide: 1.6,
      dash: [4, 3],
      grip: 16,
      fill: 'sheet',
    },
  ]
}

/** What else a mark says, at its shoulder: its verdict, its open faults. */
function badges({ verdict, faults }: StandingDevice, [x, y]: Spot): PlanMark[] {
  const [above, below]: readonly Spot[] = [
    [x + 9, y - 10],
    [x + 9, y + 10],
  ]
  const sign: PlanMark[] =
    verdict === 'good'
      ? []
      : [
          { is: 'circle', at: above!, radius: 7, fill: 'sheet' },
          { is: 'line', spots: signOf(verdict, above!), closed: true, fill: verdict },
        ]
  const count: PlanMark[] =
    faults === 0
      ? []
      : [
          { is: 'circle', at: below!, radius: 7, fill: 'sheet', stroke: 'stop', wide: 1.4 },
          { is: 'letters', at: below!, words: String(faults), size: 10, tint: 'stop' },
        ]
  return [...sign, ...count]
}

/** A square for Stop, a triangle for Check: told apart without colour. */
const signOf = (verdict: 'check' | 'stop', [x, y]: Spot): readonly Spot[] =>
  verdict === 'stop'
    ? square([x, y], 4)
    : [
        [x, y - 5],
        [x + 5, y + 4],
        [x - 5, y + 4],
      ]

/** Whether a mark stands beside its spot. */
const isAside = ([x, y]: Spot, [u, v]: Spot): boolean => Math.hypot(x - u, y - v) > 1

type Standing = Pick<StandingDevice, 'device' | 'place' | 'stands'>

/**
 * The devices of a floor in the order in which they are drawn: dots, then marks beside their spots, on top
 * the marks on their own, so that no line that leads to another lies over them.
 */
export function standingOn(
  devices: readonly Device[],
  floor: Floor,
  view: ViewBox,
  stand: ReadonlyMap<string, Spot>,
): readonly Standing[] {
  const placed = devices.flatMap((device): Standing[] => {
    const place = placeOn(device, floor)
    return place ? [{ device, place, stands: stand.get(device.id) ?? null }] : []
  })
  const height = ({ place, stands }: Standing) => {
    if (!stands) return 0
    return isAside(stands, toScreen(view, place)) ? 1 : 2
  }
  return placed.toSorted((a, b) => height(a) - height(b))
}
