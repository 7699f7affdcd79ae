import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { PAPERS, templateMarks, templateSvg } from '@/drawings'
import { resolve } from '../parts'
import { device, job } from '@/testing/jobs'
import { mountTemplate } from '.'
import { proposeMount } from './mount'

const templateOf = (change: Parameters<typeof device>[0] = {}) => {
  const of = device(change)
  const found = resolve(of, job(), CATALOGUE)
  if ('missing' in found) throw new Error(found.missing.join())
  return mountTemplate(found, proposeMount(found), of)
}
const spread = (points: readonly { x: number; y: number }[]) => ({
  across: Math.max(...points.map(({ x }) => x)) - Math.min(...points.map(({ x }) => x)),
  up: Math.max(...points.map(({ y }) => y)) - Math.min(...points.map(({ y }) => y)),
})

describe('hole patterns', () => {
  it.each<[string, Parameters<typeof device>[0], number, number]>([
    ['four in a square', {}, 4, 90],
    ['three on a circle', { cameraId: 'turret-5mp-2.8', mountIds: [] }, 3, 70],
    ['two above each other', { surfaceId: 'steel-pole', mountIds: ['pole-adapter'] }, 2, 110],
  ])('%s, top and bottom as far apart as the load reckons with', (_, change, count, spacing) => {
    const { fixings } = templateOf(change)
    expect(fixings).toHaveLength(count)
    expect(spread(fixings).up).toBeCloseTo(spacing, 9)
    expect(fixings.reduce((sum, { x }) => sum + x, 0)).toBeCloseTo(0, 9)
  })
  it('stay on the base of every part that meets a surface', () => {
    const parts = [...CATALOGUE.mounts.values(), ...CATALOGUE.cameras.values()].filter(
      ({ needs, fixing }) => needs === 'surface' && fixing.holes > 0,
    )
    for (const part of parts) {
      const { fixings, baseMm, outline } = templateOf(
        'kind' in part ? { mountIds: [part.id] } : { cameraId: part.id, mountIds: [] },
      )
      for (const { x, y } of fixings)
        expect([
          part.id,
          outline === 'square'
            ? Math.max(Math.abs(x), Math.abs(y)) < baseMm / 2
            : Math.hypot(x, y) < baseMm / 2,
        ]).toEqual([part.id, true])
    }
  })
})

describe('the sheet at 1:1', () => {
  it.each(['a4', 'letter'] as const)(
    'on %s fits every base’s holes and carries both check scales',
    (paper) => {
      const { width, height } = PAPERS[paper]
      for (const mount of CATALOGUE.mounts.values()) {
        if (mount.needs !== 'surface' || mount.fixing.holes === 0) continue
        for (const mark of templateMarks(templateOf({ mountIds: [mount.id] }), paper)) {
          if (mark.kind === 'circle' && mark.hole)
            expect([
              mount.id,
              mark.x > 5 && mark.x < width - 5 && mark.y > 30 && mark.y < height - 35,
            ]).toEqual([mount.id, true])
        }
      }
      const lines = templateMarks(templateOf(), paper)
        .filter((mark) => mark.kind === 'line' && mark.y1 === mark.y2 && !mark.dash)
        .map((mark) => (mark.kind === 'line' ? Math.abs(mark.x2 - mark.x1) : 0))
      expect(lines).toContain(100)
      expect(lines.some((length) => Math.abs(length - 101.6) < 1e-9)).toBe(true)
    },
  )
  it('prints no size over the edge of the base', () => {
    const marks = templateMarks(templateOf(), 'a4')
    const edges = marks.flatMap((mark) =>
      mark.kind === 'line' && mark.dash && mark.x1 === mark.x2 ? [mark.x1] : [],
    )
    const sizes = marks.flatMap((mark) =>
      mark.kind === 'words' && /^[\d.]+ mm \(/.test(mark.words) ? [mark] : [],
    )
    expect([edges.length, sizes.length]).toEqual([2, 4])
    for (const { x, words, sizeMm, anchor } of sizes) {
      const wide = words.length * sizeMm * 0.6
      const [left, right] = anchor === 'end' ? [x - wide, x] : [x, x + wide]
      expect(edges.filter((edge) => edge > left && edge < right)).toEqual([])
    }
  })
  it('as SVG is in real millimetres, holes where the template says', () => {
    const template = { ...templateOf(), name: 'Gate <A> & B' }
    const svg = templateSvg(template, 'a4')
    expect(svg).toContain('width="210mm" height="297mm" viewBox="0 0 210 297"')
    expect(svg).toContain('Gate &lt;A&gt; &amp; B')
    const at = [...svg.matchAll(/<circle cx="([\d.]+)" cy="([\d.]+)" r="[\d.]+"[^>]*class="fixing"/g)].map(
      ([, x, y]) => ({ x: Number(x), y: Number(y) }),
    )
    expect(spread(at)).toEqual({ across: 90, up: 90 })
  })
})
