import { SPACES, type SpaceId, type ToolId } from '../job/spaces'
import type { PlanThing } from '../plan'
import { limit, type Limit } from '../sources'
import { conduitPulls, type ConduitPull } from './conduits'
import type { Lane } from './network'
import { isPullPoint, partedBy, type Stretch } from './sections'
import type { CableWithPulls } from './led'

/** What a cable is brought through a closed space with, and how far that reaches, m. */
export const TOOLS = {
  rods: { name: 'Rods', reachM: limit('Rods reach through a void', 10, 'm', 'practice') },
  magnet: {
    name: 'Rods with a magnet',
    reachM: limit('A magnet is led along a wall cavity', 6, 'm', 'practice'),
  },
  pole: { name: 'Extending pole', reachM: limit('An extending pole reaches', 7.6, 'm', 'practice') },
  tape: { name: 'Fish tape', reachM: limit('A fish tape reaches through a conduit', 30, 'm', 'practice') },
  line: {
    name: 'Line blown or drawn in by vacuum',
    reachM: limit('A line goes through a conduit by air', 60, 'm', 'practice'),
  },
} as const satisfies Record<ToolId, { readonly name: string; readonly reachM: Limit }>

/** How cables are brought through one closed pathway, or from one pull point to the next. */
export interface Reach {
  readonly name: string
  readonly marks: readonly string[]
  /** The longest stretch from one place where it is open to the next, m. */
  readonly longestM: number
  /** All of it, m: a string of this length goes in with the cables, and stays for the next. */
  readonly throughM: number
  readonly tool: string
  /** Access ports, or pull boxes in a conduit, that are wanted beside what is drawn. */
  readonly ports: number
  /** One feeds and one draws where several go together, or through a conduit; common practice, no source. */
  readonly people: number
}

/** What the longest stretch asks for: the handiest tool that reaches, or the longest with ports between. */
export function toolFor(space: SpaceId, stretchesM: readonly number[]): Pick<Reach, 'tool' | 'ports'> | null {
  const tools = SPACES[space].tools?.map((id) => TOOLS[id])
  if (!tools) return null
  const longestM = Math.max(0, ...stretchesM)
  const reaching = tools.find(({ reachM }) => longestM <= reachM.value + SLIP_M)
  if (reaching) return { tool: reaching.name, ports: 0 }
  const farthest = tools.reduce((one, other) => (other.reachM.value > one.reachM.value ? other : one))
  const ports = stretchesM.reduce(
    (sum, m) => sum + Math.max(0, Math.ceil(m / farthest.reachM.value - SLIP_M) - 1),
    0,
  )
  return { tool: farthest.name, ports }
}
const SLIP_M = 1e-6

/**
 * How cables are brought through every closed pathway that they take: through conduits and ducts from one
 * pull point to the next, through the others from end to end of what is used of them, open at pull points
 * too.
 */
export function reachesOn(things: readonly PlanThing[], cables: readonly CableWithPulls[]): readonly Reach[] {
  return [...voidsOn(things.filter(isPullPoint), cables), ...conduitPulls(cables).map(throughConduit)]
}

function throughConduit({ through, marks, lengthM, pointsAt }: ConduitPull): Reach {
  const { tool, ports } = toolFor('conduit', [lengthM])!
  return {
    name: through.join(', '),
    marks,
    longestM: lengthM,
    throughM: lengthM,
    tool,
    ports: Math.max(ports, pointsAt?.length ?? 0),
    people: 2,
  }
}

function voidsOn(
  points: Parameters<typeof partedBy>[1],
  cables: readonly CableWithPulls[],
): readonly Reach[] {
  const used = new Map<Lane, { readonly marks: Set<string>; from: number; to: number }>()
  for (const { mark, found } of cables)
    for (const { on } of 'way' in found ? found.way.traces : []) {
      if (!on || SPACES[on.lane.pathway.space].tube) continue
      const known = used.get(on.lane) ?? { marks: new Set(), from: on.from, to: on.from }
      known.marks.add(mark)
      known.from = Math.min(known.from, on.from, on.to)
      known.to = Math.max(known.to, on.from, on.to)
      used.set(on.lane, known)
    }
  return [...used].flatMap(([lane, { marks, from, to }]): Reach[] => {
    const stretchesM = partedBy({ lane, from, to }, points).map(longM)
    const found = toolFor(lane.pathway.space, stretchesM)
    if (!found) return []
    const { pathway } = lane
    const name = pathway.name === '' ? SPACES[pathway.space].name : pathway.name
    return [
      {
        ...found,
        name,
        marks: [...marks],
        longestM: Math.max(...stretchesM),
        throughM: stretchesM.reduce((sum, m) => sum + m, 0),
        people: marks.size > 1 ? 2 : 1,
      },
    ]
  })
}

const longM = ({ lane, from, to }: Stretch): number =>
  Math.abs(to - from) * (lane.lengthM + Math.abs(lane.riseM))
