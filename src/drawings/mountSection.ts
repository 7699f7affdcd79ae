import type { MountSection } from '@/core/mount'
import { print, type UnitSystem } from '@/core/units'
import { dimensionAcross, dimensionUp, line, shape, words, type Drawing, type Mark, type Spot } from './marks'

/** A section through the stack, to scale: surface, fixings, cable hole, parts in order, the load and the pull. */
export function mountDrawing(m: MountSection, units: UnitSystem, width: number): Drawing {
  const size = (mm: number) => print({ value: mm, kind: 'size' }, units)
  const depthMm = m.parts.reduce((sum, part) => sum + part.depthMm, 0)
  const widestMm = Math.max(...m.parts.map(({ baseMm }) => baseMm), m.spacingMm + 30)
  const surfaceMm = Math.max(40, Math.min(90, m.threadMm + 20))
  const upright = m.facing === 'down'
  const namesW = 190
  const along = (upright ? 330 : Math.max(220, width - namesW - 60)) / (depthMm + surfaceMm)
  const across = (upright ? Math.max(160, width - namesW - 70) : 250) / (widestMm * 1.35)
  const perMm = Math.min(along, across, 2.2)
  const height = Math.round(upright ? (depthMm + surfaceMm) * perMm + 110 : Math.max(250, widestMm * 1.35 * perMm + 90 + m.parts.length * 6))
  /** From depth behind the surface's face and offset from the middle, both mm, to the sheet. */
  const [originX, originY] = upright ? [Math.min(width * 0.36, 60 + widestMm * perMm * 0.6), 46 + surfaceMm * perMm] : [46 + surfaceMm * perMm, height / 2 - 14]
  const spot = (depth: number, offset: number): Spot => (upright ? [originX + offset * perMm, originY + depth * perMm] : [originX + depth * perMm, originY + offset * perMm])
  const block = (depth: number, thick: number, wide: number, middle = 0): Spot[] => [spot(depth, middle - wide / 2), spot(depth, middle + wide / 2), spot(depth + thick, middle + wide / 2), spot(depth + thick, middle - wide / 2)]

  const reach = widestMm * 0.675
  const marks: Mark[] = [shape(block(-surfaceMm, surfaceMm, reach * 2), m.holding === 'wood' ? 'soft' : 'hatch', 'outline')]
  marks.push(shape(block(-surfaceMm, surfaceMm, m.holeMm), 'sheet', 'thin'))
  const rows = m.fixingCount > 1 ? [-m.spacingMm / 2, m.spacingMm / 2] : [0]
  for (const offset of rows) {
    const at = m.fixingCount === 1 ? m.holeMm / 2 + 10 : offset
    marks.push(line(spot(6, at), spot(-Math.max(6, m.threadMm), at), 'outline'), shape(block(2, 5, 9, at), 'ink', 'none'))
  }
  let depth = 0
  m.parts.forEach((part, index) => {
    const last = index === m.parts.length - 1
    marks.push(shape(block(depth, part.depthMm, part.baseMm * (last ? 0.86 : 1)), last ? 'none' : 'sheet', 'object'))
    const [x, y] = spot(depth + part.depthMm / 2, upright ? part.baseMm / 2 : -part.baseMm / 2)
    const label: Spot = upright ? [Math.max(x + 16, width - namesW), y + 4] : [width - namesW, 30 + index * 19]
    marks.push(line([x, y], [label[0] - 5, label[1] - 4], 'leader'), words(label, `${index + 1} ${part.name}`, { size: 'small' }))
    depth += part.depthMm
  })
  const middle = spot(depth - (m.parts[m.parts.length - 1]?.depthMm ?? 0) / 2, 0)
  marks.push(...arrow(middle, [middle[0], middle[1] + 58], print({ value: m.weightN, kind: 'force' }, units), 'copper'))
  const pulled = spot(2, rows[0]!)
  const pull = print({ value: m.pullN, kind: 'force' }, units)
  marks.push(...(upright ? arrow([pulled[0], pulled[1] + 8], [pulled[0], pulled[1] + 40], `× 4: ${pull} each`, 'copper', 'end') : arrow([pulled[0] + 8, pulled[1]], [pulled[0] + 44, pulled[1]], `× 4: ${pull} each`, 'copper')))
  const face = spot(0, 0)
  if (upright) marks.push(...dimensionAcross(spot(0, -m.holeMm / 2)[0], spot(0, m.holeMm / 2)[0], originY - surfaceMm * perMm - 10, `hole ${size(m.holeMm)}`))
  else marks.push(...dimensionUp(originX - surfaceMm * perMm - 12, spot(0, -m.holeMm / 2)[1], spot(0, m.holeMm / 2)[1], `hole ${size(m.holeMm)}`))
  marks.push(words([upright ? 14 : face[0] - surfaceMm * perMm, upright ? 16 : 18], m.surfaceName, { size: 'small', tone: 'soft' }))
  marks.push(words([14, height - 10], `${m.fixingCount} × ${m.fixingName}, each holds ${m.capacityN > 0 ? print({ value: m.capacityN, kind: 'force' }, units) : 'nothing here'}`, { tone: m.capacityN >= m.pullN ? 'good' : 'stop' }))
  return { width, height, marks, says: `Section through the mount: ${m.parts.map(({ name }) => name).join(', ')} on ${m.surfaceName.toLowerCase()}, ${m.fixingCount} ${m.fixingName}. Four times the weight pulls each by ${pull}.` }
}

function arrow(from: Spot, to: Spot, said: string, tone: 'copper', anchor: 'start' | 'end' = 'start'): Mark[] {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]]
  const l = Math.hypot(dx, dy)
  const [ux, uy] = [dx / l, dy / l]
  const barb = (side: number): Spot => [to[0] - ux * 9 - uy * 4 * side, to[1] - uy * 9 + ux * 4 * side]
  const room = anchor === 'start' ? 7 : -7
  return [line(from, to, 'ray'), shape([to, barb(1), barb(-1)], 'copper', 'none'), words([to[0] + room, to[1] + 4], said, { tone, anchor })]
}

