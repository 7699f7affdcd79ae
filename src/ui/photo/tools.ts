import type { PhotoMark, Spot } from '@/core/photo'

/** What a finger on a photo does. */
export type Tool = 'arrow' | 'ring' | 'line' | 'words' | 'known' | 'length' | 'blur'

export interface Area {
  readonly from: Spot
  readonly to: Spot
}

/** What is drawn from the first touch to the last; null for what is none, or too short to be meant. */
export function strokeOf(tool: Tool, way: readonly Spot[], knownMm: number): PhotoMark | null {
  const [from, to] = [way[0]!, way.at(-1)!]
  if (tool === 'line') return way.length < 2 ? null : { kind: 'line', points: thinned(way) }
  if (apart(from, to) < SHORTEST) return null
  if (tool === 'known') return { kind: 'known', from, to, mm: knownMm }
  if (tool === 'arrow' || tool === 'ring' || tool === 'length') return { kind: tool, from, to }
  return null
}

/** The area between the first touch and the last; null where it is none. */
export function areaOf(way: readonly Spot[]): Area | null {
  const [from, to] = [way[0]!, way.at(-1)!]
  const least = Math.min(Math.abs(to.x - from.x), Math.abs(to.y - from.y))
  return least < SHORTEST ? null : { from, to }
}

/** A slip of the finger is shorter, widths of the picture. */
const SHORTEST = 0.02
const MOST_POINTS = 200

export const apart = (a: Spot, b: Spot): number => Math.hypot(a.x - b.x, a.y - b.y)

/** No more points of a stroke than are kept. */
function thinned(way: readonly Spot[]): Spot[] {
  if (way.length <= MOST_POINTS) return [...way]
  const step = (way.length - 1) / (MOST_POINTS - 1)
  return Array.from({ length: MOST_POINTS }, (_, i) => way[Math.round(i * step)]!)
}

/** The marks with one more: a photo has one known length, the newer one. */
export const withMark = (marks: readonly PhotoMark[], mark: PhotoMark): PhotoMark[] => [
  ...(mark.kind === 'known' ? marks.filter(({ kind }) => kind !== 'known') : marks),
  mark,
]

/** The marks with an end of one of them elsewhere. */
export const withEnd = (
  marks: readonly PhotoMark[],
  index: number,
  end: 'from' | 'to',
  at: Spot,
): PhotoMark[] => marks.map((mark, i) => (i === index && end in mark ? { ...mark, [end]: at } : mark))
