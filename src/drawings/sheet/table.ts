import type { Floor } from '@/core/job'
import { print, printReading } from '@/core/units'
import { placeOn } from '../plan'
import { UNIT_MM, type SheetMark } from './marks'
import { cutTo, line, words, type Frame } from './strokes'
import type { Measure, SheetOf } from './wish'

/** How wide a column of the table is at least, how high a row, and what its heading takes. */
export const TABLE = 74 / UNIT_MM
export const ROW = 40
export const TABLE_HEAD = 30

/** Columns of a table that fill a frame. */
export function columnsIn(frame: Frame): Frame[] {
  const across = Math.max(1, Math.floor((frame.right - frame.left) / TABLE))
  const wide = (frame.right - frame.left) / across
  return Array.from({ length: across }, (_, i) => ({
    ...frame,
    left: frame.left + i * wide,
    right: frame.left + (i + 1) * wide,
  }))
}

/** As many rows as each column takes, and what is left. */
export function spread(rows: readonly Row[], columns: readonly Frame[]) {
  const takes = columns.map(({ top, bottom }) => Math.max(0, Math.floor((bottom - top - TABLE_HEAD) / ROW)))
  let at = 0
  const first = takes.map((take) => rows.slice(at, (at += take))).filter(({ length }) => length > 0)
  return { first, rest: rows.slice(at) }
}

/** A device in the table. */
export interface Row {
  readonly head: string
  readonly lines: readonly string[]
}

/** What the table says of every device on the floor. */
export function rowsOf({ job, devices, cameraName }: SheetOf, floor: Floor): Row[] {
  const assessed = new Map(devices.map((one) => [one.deviceId, one]))
  const { units } = job
  return job.devices.flatMap((device) => {
    const placed = placeOn(device, floor)
    if (!placed) return []
    const { heightM, tiltDeg, focalMm, targetDistanceM } = device.sight!
    const state = assessed.get(device.id)?.stages?.sight
    const reached = state?.planned ? printReading(state.result.headline, units) : ''
    const pan = ((placed.panDeg % 360) + 360) % 360
    const length = (value: number) => print({ value, kind: 'length' }, units)
    const angle = (value: number) => print({ value, kind: 'angle' }, units)
    const tilt = tiltDeg < 0 ? `up ${angle(-tiltDeg)}` : `down ${angle(tiltDeg)}`
    return [
      {
        head: `${device.mark}  ${device.name}`,
        lines: [
          `${cameraName(device)}, lens ${print({ value: focalMm, kind: 'focal' }, units)}, ${length(heightM)} up`,
          `pan ${angle(pan)}, ${tilt}; at ${length(targetDistanceM)}: ${reached}`,
        ],
      },
    ]
  })
}

export function table(rows: readonly Row[], frame: Frame, heading: string, measure: Measure): SheetMark[] {
  const { left, top, right } = frame
  const [x, wide] = [left + 8, right - left - 16]
  return [
    words([x, top + 18], heading, 13, { bold: true }),
    line([left, top + 26], [right, top + 26]),
    ...rows.flatMap(({ head, lines }, i) => {
      const y = top + 26 + i * ROW
      return [
        words([x, y + 12], cutTo(head, wide, 11, true, measure), 11, { bold: true }),
        ...lines.map((one, n) =>
          words([x, y + 23 + n * 11], cutTo(one, wide, 9.5, false, measure), 9.5, { tint: 'soft' }),
        ),
      ]
    }),
  ]
}
