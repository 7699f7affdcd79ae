import { longM, type Branch, type Tree } from '@/core/pathway'
import { marksWords } from '@/core/pull'
import { print, type UnitSystem } from '@/core/units'
import { bundleWidth } from './plan/bundles'
import { box, circle, polyline, widthOf, words, type Drawing, type Mark } from './marks'

/** One drawing of cables along the site, with what stands above it. */
export interface Along {
  readonly title: string
  readonly drawing: Drawing
}

/** What the ends of cables at one place are called: what they are led to once, and each device. */
export type Called = (ends: Tree['ends']) => readonly string[]

/** So many rows are on one drawing, on screen and on paper; what is more is drawn on one of its own. */
const MOST_ROWS = 30
const ROW = 24
const TOP = 26
/** A bundle is no thicker, px: where one would be, all are as much thinner, and one cable still shows. */
const [MOST_THICK, LEAST_THICK] = [14, 1.2]
/** Shorter pieces are drawn longer: room for the number of a pull, and to be seen at all. */
const LEAST = { bundle: 34, alone: 10 } as const

/**
 * Bundles as they lie along the site, from where they end outwards: in proportion, parted where they part,
 * with the number of every pull, and the mark at every end.
 */
export function bundleDrawings(
  trees: readonly Tree[],
  called: Called,
  units: UnitSystem,
  width: number,
): readonly Along[] {
  const said = (ends: Tree['ends']) => called(ends).join('; ') || 'Where they part'
  return trees
    .flatMap(({ ends, parts }) => sheetsOf(parts, `From ${said(ends)}`, width * LINES_SHARE - LEFT))
    .map((sheet) => ({ title: sheet.title, drawing: drawingOf(sheet, called, units, width) }))
}

interface Sheet {
  readonly title: string
  readonly parts: readonly Branch[]
  /** Branches that are drawn on sheets of their own, by what these are called. */
  readonly folded: ReadonlyMap<Branch, string>
}

function sheetsOf(parts: readonly Branch[], title: string, widthPx: number): readonly Sheet[] {
  if (parts.length > MOST_ROWS)
    return [
      ...sheetsOf(parts.slice(0, MOST_ROWS), title, widthPx),
      ...sheetsOf(parts.slice(MOST_ROWS), title, widthPx),
    ]
  // Each with the least width that leads up to its end.
  const folded = new Map(parts.map((branch) => [branch, leastPx(branch)]))
  let rows = parts.length
  for (;;) {
    const roomy = [...folded].filter(
      ([branch, toPx]) =>
        rows + moreRows(branch) <= MOST_ROWS && toPx + Math.max(0, ...branch.parts.map(leastPx)) <= widthPx,
    )
    if (roomy.length === 0) break
    const [next, toPx] = roomy.reduce((one, other) => (cables(other[0]) > cables(one[0]) ? other : one))
    rows += moreRows(next)
    folded.delete(next)
    for (const part of next.parts) folded.set(part, toPx + leastPx(part))
  }
  const called = [...folded.keys()].map((branch) => [branch, bundleName(branch)] as const)
  return [
    { title, parts, folded: new Map(called.map(([branch, name]) => [branch, `${name} goes on below`])) },
    ...called.flatMap(([branch, name]) => sheetsOf(branch.parts, `From the end of ${name}`, widthPx)),
  ]
}

const leastPx = ({ order }: Branch): number => (order === null ? LEAST.alone : LEAST.bundle)
const cables = ({ pull }: Branch): number => pull.marks.length
const bundleName = ({ order, pull }: Branch): string => (order === null ? pull.marks[0]! : `pull ${order}`)

/** What goes on in its row needs none; everything else one each. */
const moreRows = ({ parts, ends }: Branch): number =>
  Math.max(0, parts.length - 1) + (parts.length > 0 && ends.length > 0 ? 1 : 0)

/** A branch with its row and where it begins and ends, px. */
interface Laid {
  readonly branch: Branch
  readonly row: number
  readonly from: number
  readonly to: number
  /** The rows below its own of what goes on from its end. */
  readonly on: readonly { readonly row: number; readonly count: number }[]
}

interface Label {
  readonly row: number
  readonly x: number
  readonly said: string
}

const LEFT = 8
/** What the lines take of the width; the rest is for what is called at their ends. */
const LINES_SHARE = 0.68

function drawingOf({ parts, folded }: Sheet, called: Called, units: UnitSystem, width: number): Drawing {
  const perM = scaleFor(parts, folded, width * LINES_SHARE - LEFT)
  const thinner = Math.min(1, MOST_THICK / Math.max(...parts.map((part) => bundleWidth(cables(part)))))
  const thick = (count: number) => Math.max(LEAST_THICK, thinner * bundleWidth(count))
  const clipped = (said: string, x: number) => {
    const most = Math.floor((width - x - 8) / widthOf('0', 'small'))
    return said.length <= most ? said : `${said.slice(0, Math.max(1, most - 1)).trimEnd()}…`
  }
  const laid: Laid[] = []
  const labels: Label[] = []
  const lay = (branch: Branch, row: number, from: number): number => {
    const to = from + pxOf(branch, perM)
    const goesOn = !folded.has(branch) && branch.parts.length > 0
    const said = branch.meets ? 'to where others lead' : called(branch.ends).join('; ')
    const other = folded.get(branch)
    const on: { row: number; count: number }[] = []
    laid.push({ branch, row, from, to, on })
    let next = row
    for (const part of goesOn ? branch.parts : []) {
      if (next > row) on.push({ row: next, count: cables(part) })
      next = lay(part, next, to)
    }
    if (goesOn && branch.ends.length === 0) return next
    if (goesOn) on.push({ row: next, count: 1 })
    labels.push({ row: next, x: to, said: [said, other].filter(Boolean).join('; ') })
    return next + 1
  }
  const rows = parts.reduce((row, part) => lay(part, row, LEFT), 0)
  return {
    width,
    height: yOf(rows),
    marks: [
      ...(parts.length > 1
        ? [upright(LEFT, 0, laid.findLast(({ from }) => from === LEFT)!.row, thick(1))]
        : []),
      ...laid.flatMap(({ row, to, on }) => on.map((one) => upright(to, row, one.row, thick(one.count)))),
      ...laid.flatMap((one) => lineOf(one, thick(cables(one.branch)), units)),
      ...labels.map(({ row, x, said }) => words([x + 7, yOf(row) + 4], clipped(said, x), { size: 'small' })),
    ],
    says: laid.map(({ branch }) => saysOf(branch, called, units)).join(' '),
  }
}

const yOf = (row: number): number => TOP + row * ROW

/** Down from where something parts. */
const upright = (x: number, from: number, to: number, wide: number): Mark =>
  box(x - wide / 2, yOf(from), wide, yOf(to) - yOf(from), 'copper', 'none')

/** A pull in its thickness, with its number and the way it is pulled; above it what there is room for. */
function lineOf({ branch, row, from, to }: Laid, wide: number, units: UnitSystem): Mark[] {
  const { pull, order, back } = branch
  const y = yOf(row)
  const marks: Mark[] = [box(from - wide / 2, y - wide / 2, to - from + wide, wide, 'copper', 'none')]
  const said = [
    `${pull.marks.length} × ${print({ value: pull.togetherM, kind: 'cut' }, units)}`,
    ...pull.through,
  ]
  if (order !== null) {
    marks.push(
      circle([from + 13, y], order > 99 ? 12 : 9, 'sheet', 'object'),
      words([from + 13, y + 4], String(order), { size: 'small', anchor: 'middle' }),
    )
    const roomPx = to - from - 24
    const most = said.findLastIndex((_, i) => widthOf(said.slice(0, i + 1).join(', '), 'small') <= roomPx)
    if (most >= 0)
      marks.push(
        words([from + 25, y - wide / 2 - 3], said.slice(0, most + 1).join(', '), {
          size: 'small',
          tone: 'soft',
        }),
      )
  }
  const [tip, way] = back ? [from + (order === null ? 2 : 23), 1] : [to - 3, -1]
  marks.push(
    polyline(
      [
        [tip + 4 * way, y - 4],
        [tip, y],
        [tip + 4 * way, y + 4],
      ],
      'leader',
    ),
  )
  return marks
}

function saysOf({ pull, order, ends }: Branch, called: Called, units: UnitSystem): string {
  const name = order === null ? pull.marks[0]! : `Pull ${order}: ${marksWords(pull.marks)}`
  const through = pull.through.length > 0 ? ` through ${pull.through.join(', ')}` : ''
  const to = called(ends).length > 0 ? `, to ${called(ends).join('; ')}` : ''
  return `${name}${through}, ${print({ value: pull.togetherM, kind: 'cut' }, units)}${to}.`
}

const pxOf = (branch: Branch, perM: number): number => Math.max(leastPx(branch), branch.pull.togetherM * perM)

/** So many px a metre that the farthest end comes just to the width; none where it is too narrow for any. */
function scaleFor(parts: readonly Branch[], folded: Sheet['folded'], widthPx: number): number {
  const reach = (branch: Branch, perM: number): number => {
    const on = folded.has(branch) ? [] : branch.parts.map((part) => reach(part, perM))
    return pxOf(branch, perM) + Math.max(0, ...on)
  }
  let [low, high] = [0, widthPx / Math.max(0.1, ...parts.map(longM))]
  for (let i = 0; i < 30; i++) {
    const middle = (low + high) / 2
    if (Math.max(0, ...parts.map((part) => reach(part, middle))) <= widthPx) low = middle
    else high = middle
  }
  return low
}
