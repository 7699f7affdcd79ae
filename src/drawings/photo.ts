import { measuredLength, type MeasuredLength, type PhotoMark, type Spot as InPhoto } from '@/core/photo'
import { MM_PER_INCH, print, type UnitSystem } from '@/core/units'
import {
  box,
  line,
  polyline,
  shape,
  widthOf,
  words,
  type Drawing,
  type Mark,
  type Pen,
  type Spot,
} from './marks'

interface Over {
  /** The picture that it lies over, drawing units. */
  readonly width: number
  readonly height: number
  readonly units: UnitSystem
}

const HEAD = 16
const TICK = 9
const TAG = 20

/** What is drawn on a photo, to lie over the picture. */
export function photoDrawing(marks: readonly PhotoMark[], { width, height, units }: Over): Drawing {
  const at = ({ x, y }: InPhoto): Spot => [x * width, y * width]
  const drawn = marks.map((mark) => ({ mark, said: saidOf(mark, marks, units) }))
  const lines = (pen: Pen) => drawn.flatMap(({ mark }) => linesOf(mark, at, pen))
  const tags = drawn.flatMap(({ mark, said }) =>
    said === null ? [] : tag(tagAt(mark, at), said, { width, height }),
  )
  const says = drawn.map(({ mark, said }) => said ?? mark.kind)
  return {
    width,
    height,
    marks: [...lines('halo'), ...lines('mark'), ...tags],
    says: `Drawn on the photo: ${says.join(', ') || 'nothing'}`,
  }
}

/** What stands beside a mark; null where it says nothing. */
function saidOf(mark: PhotoMark, all: readonly PhotoMark[], units: UnitSystem): string | null {
  if (mark.kind === 'words') return mark.words
  if (mark.kind === 'known') return `${print({ value: mark.mm, kind: 'size' }, units)}, known`
  if (mark.kind !== 'length') return null
  const length = measuredLength(mark, all)
  if (!length) return 'no known length'
  return lengthWords(length, units)
}

/** What sizes are printed to. */
const STEP_MM: Readonly<Record<UnitSystem, number>> = { metric: 0.1, imperial: MM_PER_INCH / 64 }

/** "43.2 mm ± 0.9 mm". */
export function lengthWords({ mm, uncertainMm }: MeasuredLength, units: UnitSystem): string {
  const size = (value: number) => print({ value, kind: 'size' }, units)
  // Never said to be surer than it is.
  const step = STEP_MM[units]
  return `${size(mm)} ± ${size(Math.ceil(uncertainMm / step) * step)}`
}

function linesOf(mark: PhotoMark, at: (spot: InPhoto) => Spot, pen: Pen): Mark[] {
  switch (mark.kind) {
    case 'line':
      return [polyline(mark.points.map(at), pen)]
    case 'ring':
      return [shape(ellipse(at(mark.from), at(mark.to)), 'none', pen)]
    case 'words':
      return []
    case 'arrow':
      return [line(at(mark.from), at(mark.to), pen), polyline(headOf(at(mark.from), at(mark.to)), pen)]
    default:
      return [line(at(mark.from), at(mark.to), pen), ...ticksOf(at(mark.from), at(mark.to), pen)]
  }
}

function ellipse([x1, y1]: Spot, [x2, y2]: Spot): Spot[] {
  const [cx, cy, rx, ry] = [(x1 + x2) / 2, (y1 + y2) / 2, Math.abs(x2 - x1) / 2, Math.abs(y2 - y1) / 2]
  return Array.from({ length: 48 }, (_, i): Spot => {
    const turn = (i / 48) * 2 * Math.PI
    return [cx + rx * Math.cos(turn), cy + ry * Math.sin(turn)]
  })
}

function headOf([x1, y1]: Spot, [x2, y2]: Spot): Spot[] {
  const along = Math.atan2(y2 - y1, x2 - x1)
  const wing = (turn: number): Spot => [
    x2 - HEAD * Math.cos(along + turn),
    y2 - HEAD * Math.sin(along + turn),
  ]
  return [wing(0.45), [x2, y2], wing(-0.45)]
}

function ticksOf(from: Spot, to: Spot, pen: Pen): Mark[] {
  const along = Math.atan2(to[1] - from[1], to[0] - from[0])
  const [dx, dy] = [TICK * Math.sin(along), -TICK * Math.cos(along)]
  return [from, to].map(([x, y]) => line([x - dx, y - dy], [x + dx, y + dy], pen))
}

/** Where the middle of a tag would stand. */
function tagAt(mark: PhotoMark, at: (spot: InPhoto) => Spot): Spot {
  if (mark.kind === 'words') return at(mark.at)
  if (mark.kind === 'line') return at(mark.points[0]!)
  const [[x1, y1], [x2, y2]] = [at(mark.from), at(mark.to)]
  // Beside the line, not on it.
  const across = Math.atan2(y2 - y1, x2 - x1) + Math.PI / 2
  return [(x1 + x2) / 2 + 22 * Math.cos(across), (y1 + y2) / 2 + 22 * Math.sin(across)]
}

/** Words on dark ground, within the picture as far as they fit. */
function tag([x, y]: Spot, said: string, { width, height }: Pick<Over, 'width' | 'height'>): Mark[] {
  const wide = widthOf(said) + 12
  const left = Math.max(0, Math.min(x - wide / 2, width - wide))
  const top = Math.max(0, Math.min(y - TAG / 2, height - TAG))
  return [
    box(left, top, wide, TAG, 'halo', 'none'),
    words([left + wide / 2, top + TAG - 6], said, { tone: 'mark', anchor: 'middle' }),
  ]
}
