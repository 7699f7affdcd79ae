import type { MountSection } from '@/core/mount'
import { inSentence, print, type UnitSystem } from '@/core/units'
import {
  circle,
  dimensionAcross,
  dimensionUp,
  line,
  polyline,
  shape,
  words,
  type Drawing,
  type Mark,
  type Spot,
} from './marks'

const ROOM = { left: 58, top: 44, right: 30, bottom: 30 }
const TUBE_MM = 42
const PLATE_MM = 22
/** How far the parts are drawn apart, mm: exploded, so that each joint and its order can be seen. */
const APART_MM = 24
const VERDICT_LINE = 16

/**
 * A block of the section in millimetres from where the stack meets the surface: x away from a wall, y
 * downwards.
 */
interface Block {
  readonly spots: readonly Spot[]
  readonly middle: Spot
  readonly number: number | null
  readonly camera: boolean
}

/** What the weight pulls, what one fixing holds, and how much of it all that acts on it uses up. */
function heldWords({ facing, pullN, capacityN, used, stays }: MountSection, units: UnitSystem): string {
  const force = (value: number) => print({ value, kind: 'force' }, units)
  const which = facing === 'wall' ? 'each top fixing' : 'each fixing'
  const holds = capacityN > 0 ? force(capacityN) : 'nothing here'
  const one = stays > 0 ? 'one like it, new, holds' : 'one holds'
  const share = used === null ? '' : `: ${print({ value: 100 * used, kind: 'share' }, units)} used up`
  return `× 4 pulls ${which} with ${force(pullN)}; ${one} ${holds}${share}`
}

/** Of what was there before nobody knows that it holds. */
function toneOf({ used, stays }: MountSection): 'stop' | 'good' | 'soft' {
  if (used === null || used > 1) return 'stop'
  return stays > 0 ? 'soft' : 'good'
}

/**
 * An exploded section through the stack, parts to scale: surface, fixings, cable hole, parts in order of
 * assembly, the load and the pull.
 */
export function mountDrawing(m: MountSection, units: UnitSystem, width: number): Drawing {
  const wall = m.facing === 'wall'
  const blocks = stackBlocks(m)
  const surfaceMm = Math.max(40, Math.min(90, m.threadMm + 20))
  const reachMm = Math.max(...m.parts.map(({ baseMm }) => baseMm), m.spacingMm + 30) * 0.62
  const surface: Spot[] = wall
    ? [
        [-surfaceMm, -reachMm],
        [0, -reachMm],
        [0, reachMm],
        [-surfaceMm, reachMm],
      ]
    : [
        [-reachMm, -surfaceMm],
        [reachMm, -surfaceMm],
        [reachMm, 0],
        [-reachMm, 0],
      ]
  const all = [...surface, ...blocks.flatMap(({ spots }) => spots)]
  const [minX, maxX] = [Math.min(...all.map(([x]) => x)), Math.max(...all.map(([x]) => x))]
  const [minY, maxY] = [Math.min(...all.map(([, y]) => y)), Math.max(...all.map(([, y]) => y))]

  const beside = width > 520
  const listW = beside ? 250 : 0
  const notes = m.parts.map(({ before }) =>
    before === null ? [] : wrapped(before, beside ? 38 : Math.floor((width - 40) / 5.8)),
  )
  const listH = beside ? 0 : m.parts.length * 17 + notes.flat().length * 14 + 8
  const listed = m.parts.length * 19 + notes.flat().length * 14
  const perMm = Math.min((width - ROOM.left - ROOM.right - listW) / (maxX - minX), 330 / (maxY - minY), 1.6)
  const sheet = ([x, y]: Spot): Spot => [ROOM.left + (x - minX) * perMm, ROOM.top + (y - minY) * perMm]
  const bottom = ROOM.top + (maxY - minY) * perMm
  const verdict = wrapped(heldWords(m, units), Math.floor((width - 28) / 6.8))
  const drawn = Math.max(bottom + 36, beside ? ROOM.top + listed : 0, 150)
  const height = Math.round(drawn + ROOM.bottom + listH + VERDICT_LINE * (verdict.length - 1))
  /** Along the surface by offset and into it by depth, both mm. */
  const at = (depth: number, offset: number): Spot => sheet(wall ? [depth, offset] : [offset, depth])
  const block = (depth: number, thick: number, wide: number, middle = 0): Spot[] => [
    at(depth, middle - wide / 2),
    at(depth, middle + wide / 2),
    at(depth + thick, middle + wide / 2),
    at(depth + thick, middle - wide / 2),
  ]

  const marks: Mark[] = [
    shape(surface.map(sheet), m.holding === 'wood' ? 'soft' : 'hatch', 'outline'),
    shape(block(-surfaceMm, surfaceMm, m.holeMm), 'sheet', 'thin'),
  ]
  // The axis along which the parts come together.
  marks.push(polyline([at(0, 0), ...blocks.map(({ middle }) => sheet(middle))], 'axis'))
  for (const one of blocks) marks.push(shape(one.spots.map(sheet), one.camera ? 'none' : 'sheet', 'object'))
  const rows = m.fixingCount > 1 ? [-m.spacingMm / 2, m.spacingMm / 2] : [m.holeMm / 2 + 10]
  for (const offset of rows)
    marks.push(
      line(at(5, offset), at(-Math.max(6, m.threadMm), offset), 'outline'),
      shape(block(1, 6, 10, offset), 'ink', 'none'),
    )
  for (const { middle, number } of blocks)
    if (number !== null)
      marks.push(
        circle(sheet(middle), 9, 'sheet', 'thin'),
        words([sheet(middle)[0], sheet(middle)[1] + 4.5], String(number), { anchor: 'middle' }),
      )

  const load = sheet(blocks[blocks.length - 1]!.middle)
  const loadEnd: Spot = [load[0], load[1] + 52]
  marks.push(
    ...arrow([load[0], load[1] + 11], loadEnd),
    words([loadEnd[0] + 8, loadEnd[1] + 4], print({ value: m.weightN, kind: 'force' }, units), {
      tone: 'copper',
    }),
  )
  const pulled = at(8, rows[0]!)
  marks.push(...arrow(pulled, wall ? [pulled[0] + 34, pulled[1]] : [pulled[0], pulled[1] + 34]))

  // The width of a hole that was there is told once it is measured.
  const hole = `hole ${print({ value: m.holeMm, kind: 'size' }, units)}`
  if (m.holeKnown)
    marks.push(
      ...(wall
        ? dimensionUp(at(-surfaceMm, 0)[0] - 12, at(0, -m.holeMm / 2)[1], at(0, m.holeMm / 2)[1], hole)
        : dimensionAcross(
            at(0, -m.holeMm / 2)[0],
            at(0, m.holeMm / 2)[0],
            at(-surfaceMm, 0)[1] - 10,
            hole,
            width,
          )),
    )
  marks.push(words([14, 18], m.surfaceName, { size: 'small', tone: 'soft' }))
  let y = beside ? ROOM.top + 8 : height - listH - 2
  const x = beside ? width - listW + 20 : 14
  m.parts.forEach((part, index) => {
    marks.push(
      words([x, y], `${index + 1}  ${part.name}${index < m.stays ? ', stays' : ''}`, { size: 'small' }),
    )
    for (const note of notes[index]!)
      marks.push(words([x + 14, (y += 14)], note, { size: 'small', tone: 'copper' }))
    y += beside ? 19 : 17
  })
  verdict.forEach((line, i) =>
    marks.push(
      words([14, height - listH - 22 - VERDICT_LINE * (verdict.length - 1 - i)], line, { tone: toneOf(m) }),
    ),
  )
  return {
    width,
    height,
    marks,
    says:
      `Section through the mount: ${m.parts.map(({ name }) => name).join(', ')} on ` +
      `${inSentence(m.surfaceName)}, ${m.fixingCount} ${m.fixingName}. ${heldWords(m, units)}.`,
  }
}

/** Lays the parts out: away from a wall, or down; after a part that turns, down. */
function stackBlocks(m: MountSection): Block[] {
  const blocks: Block[] = []
  let down = m.facing === 'down'
  let [x, y] = down ? [0, APART_MM] : [APART_MM, 0]
  const put = (thick: number, wide: number, number: number | null, camera = false) => {
    const half = wide / 2
    const spots: Spot[] = down
      ? [
          [x - half, y],
          [x + half, y],
          [x + half, y + thick],
          [x - half, y + thick],
        ]
      : [
          [x, y - half],
          [x + thick, y - half],
          [x + thick, y + half],
          [x, y + half],
        ]
    blocks.push({ spots, middle: down ? [x, y + thick / 2] : [x + thick / 2, y], number, camera })
    if (down) y += thick
    else x += thick
  }
  m.parts.forEach((part, index) => {
    const camera = index === m.parts.length - 1
    if (part.turns === 'down' && !down) {
      put(PLATE_MM, part.baseMm, null)
      put(Math.max(TUBE_MM, part.reachMm - PLATE_MM), TUBE_MM, index + 1)
      ;[x, y] = [x - TUBE_MM / 2, y + TUBE_MM / 2]
      down = true
    } else put(part.depthMm, part.baseMm * (camera ? 0.86 : 1), index + 1, camera)
    if (down) y += APART_MM
    else x += APART_MM
  })
  return blocks
}

function arrow(from: Spot, to: Spot): Mark[] {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]]
  const l = Math.hypot(dx, dy)
  const [ux, uy] = [dx / l, dy / l]
  const barb = (side: number): Spot => [to[0] - ux * 9 - uy * 4 * side, to[1] - uy * 9 + ux * 4 * side]
  return [line(from, to, 'ray'), shape([to, barb(1), barb(-1)], 'copper', 'none')]
}

/** Words in lines of at most so many signs. */
function wrapped(said: string, most: number): string[] {
  return said.split(' ').reduce<string[]>((lines, word) => {
    const last = lines.at(-1)
    if (last !== undefined && last.length + 1 + word.length <= most)
      return [...lines.slice(0, -1), `${last} ${word}`]
    return [...lines, word]
  }, [])
}
