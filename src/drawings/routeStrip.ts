import type { RouteStrip } from '@/core/route'
import { print, type UnitSystem } from '@/core/units'
import { box, circle, dimensionAcross, line, words, type Drawing, type Mark } from './marks'

/**
 * The run as a strip in proportion, near end at the left, far end at the right, with the limit marked on the
 * same scale.
 */
export function routeDrawing(r: RouteStrip, units: UnitSystem, width: number): Drawing {
  const cut = (m: number) => print({ value: m, kind: 'cut' }, units)
  const [left, right, y, tall] = [16, 16, 74, 30]
  const longest = r.cutM ?? Math.max(r.wayM, r.installedM)
  const whole = Math.max(longest, Math.min(r.limitM ?? 0, longest * 1.6), 0.1)
  const perM = (width - left - right) / whole
  const at = (m: number) => left + m * perM
  const marks: Mark[] = [
    words([left, 20], r.ends[0].called, { size: 'small', tone: 'soft' }),
    words([width - right, 20], r.ends[1].called, { size: 'small', tone: 'soft', anchor: 'end' }),
  ]
  let m = 0
  const place = (
    lengthM: number,
    fill: Parameters<typeof box>[4],
    label: string | null,
    note: string | null,
  ) => {
    if (lengthM <= 0) return
    marks.push(box(at(m), y, lengthM * perM, tall, fill, 'object'))
    const roomy = lengthM * perM
    if (label && roomy > label.length * 6 + 6)
      marks.push(words([at(m + lengthM / 2), y + 19], label, { size: 'small', anchor: 'middle' }))
    if (note && roomy > note.length * 5.6 + 2)
      marks.push(words([at(m + lengthM / 2), y - 8], note, { size: 'small', tone: 'soft', anchor: 'middle' }))
    m += lengthM
  }
  const item = (start: string) => r.items.find(({ label }) => label.startsWith(start))?.lengthM ?? 0
  place(r.ends[0].leftM, 'soft', null, null)
  for (const stretch of r.stretches)
    place(
      stretch.lengthM,
      stretch.temperatureC > 40 ? 'seen' : 'sheet',
      stretch.name,
      `${cut(stretch.lengthM)}, ${print({ value: stretch.temperatureC, kind: 'temperature' }, units)}`,
    )
  place(item('Service'), 'soft', null, null)
  place(r.ends[1].leftM, 'soft', null, null)
  if (r.cutM !== null) place(r.cutM - r.installedM, 'hatch', null, null)
  marks.push(circle([left, y + tall / 2], 5, 'ink', 'none'))
  const lengths: [lengthM: number, says: string][] =
    r.cutM === null
      ? [[r.wayM, `way ${cut(r.wayM)}`], ...(r.lead ? [leadSaid(r.lead, cut)] : [])]
      : [
          [r.installedM, `installed ${cut(r.installedM)}`],
          [r.cutM, `cut ${cut(r.cutM)}`],
        ]
  lengths.forEach(([lengthM, says], i) =>
    marks.push(...dimensionAcross(at(0), at(lengthM), y + tall + 22 + 24 * i, says, width)),
  )
  if (r.limitM !== null && at(r.limitM) <= width - right + 1) {
    marks.push(
      line([at(r.limitM), y - 26], [at(r.limitM), y + tall + 10], 'ray'),
      words([at(r.limitM) - 4, y - 30], `limit ${cut(r.limitM)}`, { tone: 'copper', anchor: 'end' }),
    )
  }
  marks.push(
    words(
      [left, y + tall + 76],
      `grey: slack, loops · tinted: above 40 °C${r.cutM === null ? '' : ' · hatched: cut off, waste'}`,
      { size: 'small', tone: 'soft' },
    ),
  )
  return {
    width,
    height: y + tall + 88,
    marks,
    says:
      'The run in proportion: ' +
      `${r.stretches.map(({ name, lengthM }) => `${name} ${cut(lengthM)}`).join(', ') || 'no stretches'}; ` +
      `${lengths.map(([, says]) => says).join(', ')}.`,
  }
}

const leadSaid = (
  { lengthM, coil }: NonNullable<RouteStrip['lead']>,
  cut: (m: number) => string,
): [number, string] => [lengthM, `lead ${cut(lengthM)}${coil ? `, coiled ${coil}` : ''}`]
