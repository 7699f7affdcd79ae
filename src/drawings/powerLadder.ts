import type { PowerLadder } from '@/core/power'
import { print, type UnitSystem } from '@/core/units'
import { box, dimensionAcross, line, words, type Drawing, type Mark } from './marks'

/** Supply, cable and camera with the volts stepping down between them, on one voltage scale. */
export function powerDrawing(p: PowerLadder, units: UnitSystem, width: number): Drawing {
  const volts = (v: number) => print({ value: v, kind: 'voltage' }, units)
  const [left, right, top, tall] = [104, width - 104, 34, 150]
  const lowest = Math.min(p.atCameraV ?? p.leastV, p.leastV) * 0.92
  const yOf = (v: number) => top + tall * (1 - (v - lowest) / Math.max(1e-6, p.sourceV * 1.02 - lowest))
  const marks: Mark[] = [
    line([left, top], [left, top + tall], 'thin'),
    line([right, top], [right, top + tall], 'thin'),
  ]
  marks.push(
    box(8, top + tall + 8, 92, 34, 'soft', 'object'),
    words([54, top + tall + 29], p.port === null ? 'supply' : `port ${p.port}`, { anchor: 'middle' }),
  )
  marks.push(
    box(width - 100, top + tall + 8, 92, 34, 'soft', 'object'),
    words([width - 54, top + tall + 29], 'camera', { anchor: 'middle' }),
  )
  marks.push(line([100, top + tall + 25], [width - 100, top + tall + 25], 'outline'))
  marks.push(
    ...dimensionAcross(
      left,
      right,
      top + tall + 58,
      `${print({ value: p.lengthM, kind: 'length' }, units)}, ` +
        `${print({ value: p.circuitOhm, kind: 'resistance' }, units)}`,
    ),
  )
  marks.push(words([8, 18], `${p.supplyName}: ${p.partName}`, { size: 'small', tone: 'soft' }))
  marks.push(words([left - 8, yOf(p.sourceV) + 4], volts(p.sourceV), { anchor: 'end' }))
  if (p.atCameraV !== null) {
    marks.push(
      line([left, yOf(p.sourceV)], [right, yOf(p.atCameraV)], 'ray'),
      words([right + 8, yOf(p.atCameraV) + 4], volts(p.atCameraV), {
        tone: p.atCameraV >= p.leastV ? 'ink' : 'stop',
      }),
    )
  } else
    marks.push(
      words([(left + right) / 2, top + tall / 2], 'cannot start', {
        tone: 'stop',
        anchor: 'middle',
        size: 'figure',
      }),
    )
  if (p.leastV > 0)
    marks.push(
      line([left, yOf(p.leastV)], [right, yOf(p.leastV)], 'axis'),
      words([left + 6, yOf(p.leastV) + 14], `least ${volts(p.leastV)}`, { size: 'small', tone: 'copper' }),
    )
  return {
    width,
    height: top + tall + 70,
    marks,
    says:
      `${p.supplyName} gives ${volts(p.sourceV)}; over ` +
      `${print({ value: p.lengthM, kind: 'length' }, units)} the camera gets ` +
      `${p.atCameraV === null ? 'too little to start' : volts(p.atCameraV)}; it needs ` +
      `${volts(p.leastV)}.`,
  }
}
