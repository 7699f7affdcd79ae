import type { SealChain } from '@/core/seal'
import { print, type UnitSystem } from '@/core/units'
import { box, line, shape, words, type Drawing, type Mark } from './marks'

/**
 * Every opening as a link of one chain, in the order of the cable, with what closes it and what it must
 * withstand.
 */
export function sealDrawing(c: SealChain, units: UnitSystem, width: number): Drawing {
  const rowH = 44
  const top = 34
  const x = 22
  const marks: Mark[] = [
    words(
      [x - 10, 18],
      `${c.exposureName}, cable ${print({ value: c.cableMm, kind: 'size' }, units)} across`,
      { size: 'small', tone: 'soft' },
    ),
  ]
  c.links.forEach((link, index) => {
    const y = top + index * rowH
    const weakest = link.ref === c.weakest
    if (index > 0) marks.push(line([x + 15, y - rowH + 28], [x + 15, y], 'outline'))
    marks.push(box(x, y, 30, 28, link.holds ? 'sheet' : 'none', weakest ? 'outline' : 'object'))
    if (!link.holds)
      marks.push(line([x + 4, y + 4], [x + 26, y + 24], 'ray'), line([x + 26, y + 4], [x + 4, y + 24], 'ray'))
    else if (!link.old)
      marks.push(
        shape(
          [
            [x + 8, y + 14],
            [x + 13, y + 20],
            [x + 23, y + 8],
            [x + 13, y + 16],
          ],
          'good',
          'none',
        ),
      )
    const tone = link.holds ? 'ink' : 'stop'
    marks.push(words([x + 42, y + 11], `${link.openingName}${weakest ? ' · weakest' : ''}`, { tone }))
    marks.push(
      words(
        [x + 42, y + 25],
        `${link.sealName ?? 'nothing closes it'}${link.place ? `, ${link.place}` : ''}`,
        { size: 'small', tone: 'soft' },
      ),
    )
    const right = width - 10
    marks.push(
      words([right, y + 11], link.old ? `${link.rating} when new` : link.rating, { tone, anchor: 'end' }),
      words([right, y + 25], link.needs === 'no test' ? 'no test needed' : `needs ${link.needs}`, {
        size: 'small',
        tone: 'soft',
        anchor: 'end',
      }),
    )
  })
  const named = c.links.map((link) => `${link.openingName}, ${link.sealName ?? 'open'}, ${link.rating}`)
  return {
    width,
    height: top + Math.max(1, c.links.length) * rowH,
    marks,
    says: `Openings: ${named.join('; ') || 'none'}.`,
  }
}
