import { z } from 'zod'
import { PHOTO_LIMITS } from './limits'

/**
 * What is drawn on a photo: a layer of its own, the picture under it stays as it was taken. Places count in
 * widths of the picture from its top left corner, so that lengths are alike in every direction.
 */
const Spot = z.strictObject({ x: z.number().min(0).max(1), y: z.number().min(0).max(20) })
export type Spot = z.infer<typeof Spot>

const between = { from: Spot, to: Spot }

export const PhotoMark = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('arrow'), ...between }),
  /** The ring that fits between two corners. */
  z.strictObject({ kind: z.literal('ring'), ...between }),
  z.strictObject({ kind: z.literal('line'), points: z.array(Spot).min(2).max(400) }),
  z.strictObject({ kind: z.literal('words'), at: Spot, words: z.string().trim().min(1).max(120) }),
  /** Something in the picture whose length is known: it gives the picture its scale. */
  z.strictObject({ kind: z.literal('known'), ...between, mm: z.number().min(1).max(10_000) }),
  z.strictObject({ kind: z.literal('length'), ...between }),
])
export type PhotoMark = z.infer<typeof PhotoMark>

export const MOST_MARKS = 60
export const PhotoMarks = z
  .array(PhotoMark)
  .max(MOST_MARKS, `At most ${MOST_MARKS} marks on a photo.`)
  .refine((marks) => marks.filter(({ kind }) => kind === 'known').length <= 1, {
    message: 'A photo has one known length.',
  })

/**
 * What two people drew on one photo without knowing of each other, all of it: of two known lengths the newer
 * counts. Null where it is too much for one photo, or where one has everything already.
 */
export function bothMarks(newer: readonly PhotoMark[], older: readonly PhotoMark[]): PhotoMark[] | null {
  const [inNewer, inOlder] = [newer, older].map((marks) => new Set(marks.map((mark) => JSON.stringify(mark))))
  const known = newer.some(({ kind }) => kind === 'known')
  const more = older.filter(
    (mark) => !inNewer!.has(JSON.stringify(mark)) && !(known && mark.kind === 'known'),
  )
  const alsoNew = newer.some((mark) => !inOlder!.has(JSON.stringify(mark)))
  return more.length > 0 && alsoNew && newer.length + more.length <= MOST_MARKS ? [...newer, ...more] : null
}

export interface MeasuredLength {
  readonly mm: number
  /** What the aim at the four ends leaves open, at about 95 % (twice the standard deviation). */
  readonly uncertainMm: number
}

const widths = ({ from, to }: { from: Spot; to: Spot }): number => Math.hypot(to.x - from.x, to.y - from.y)

/**
 * What a length in the picture comes to by the known length in it, where both lie at the same distance and
 * face the camera; null where none is known. The ends' errors add up as independent ones do (JCGM 100:2008,
 * 5.1.2 and 6.2, from memory).
 */
export function measuredLength(
  length: { readonly from: Spot; readonly to: Spot },
  marks: readonly PhotoMark[],
): MeasuredLength | null {
  const known = marks.find((mark) => mark.kind === 'known')
  if (!known) return null
  const [long, scale] = [widths(length), widths(known)]
  if (scale === 0) return null
  const mm = (long / scale) * known.mm
  // Along a line, the errors of its two ends: √2 of one.
  const uncertainMm =
    (2 * Math.SQRT2 * PHOTO_LIMITS.aim.value * known.mm * Math.hypot(1, long / scale)) / scale
  return { mm, uncertainMm }
}
