import type { CableEnds } from '@/core/terminate'
import { box, circle, line, shape, words, type Drawing, type Mark } from './marks'

/**
 * The camera end of the cable: what is threaded on, in order, the plug, and the contacts of the job's
 * scheme.
 */
export function cableEndsDrawing(c: CableEnds, width: number): Drawing {
  const marks: Mark[] = []
  const y = 56
  const plugW = 64
  const pieces = c.threadOn.length
  const plugX = Math.min(width - plugW - 16, 120 + pieces * 92)
  marks.push(line([10, y], [plugX, y], 'outline'), line([10, y + 9], [plugX, y + 9], 'outline'))
  marks.push(words([12, y - 12], 'from the building', { size: 'small', tone: 'soft' }))
  const gap = pieces === 0 ? 0 : (plugX - 110) / pieces
  c.threadOn.forEach((piece, index) => {
    const x = 84 + gap * (index + 0.5)
    marks.push(
      shape(
        [
          [x - 14, y - 10],
          [x + 14, y - 6],
          [x + 14, y + 15],
          [x - 14, y + 19],
        ],
        'sheet',
        'object',
      ),
    )
    marks.push(words([x, y + 9], String(index + 1), { anchor: 'middle' }))
    marks.push(words([x, y + 36 + (index % 2) * 14], piece.piece, { size: 'small', anchor: 'middle' }))
  })
  marks.push(
    box(plugX, y - 12, plugW, 33, 'soft', 'outline'),
    words([plugX + plugW / 2, y - 20], c.cameraEnd, {
      size: 'small',
      anchor: plugX > width - 140 ? 'middle' : 'middle',
    }),
  )
  let height = y + 66
  if (c.pins) {
    const top = y + 84
    const step = Math.min(54, (width - 40) / 8)
    marks.push(
      words([20, top - 14], `${c.scheme}, contacts toward you, cable below`, { size: 'small', tone: 'soft' }),
    )
    c.pins.forEach((pin, index) => {
      const x = 20 + step * index
      marks.push(box(x, top, step - 4, 54, pin.striped ? 'white' : pin.colour, 'object'))
      if (pin.striped) marks.push(box(x + step * 0.3, top, step * 0.3, 54, pin.colour, 'none'))
      marks.push(
        circle([x + (step - 4) / 2, top + 66], 8, 'sheet', 'thin'),
        words([x + (step - 4) / 2, top + 70], String(pin.pin), { size: 'small', anchor: 'middle' }),
      )
      const [first, second] = pin.striped ? ['white', pin.colour] : [pin.colour, '']
      marks.push(
        words([x + (step - 4) / 2, top + 88], first, { size: 'small', anchor: 'middle' }),
        words([x + (step - 4) / 2, top + 100], second, { size: 'small', anchor: 'middle' }),
      )
    })
    height = top + 110
  }
  const threaded =
    pieces === 0
      ? 'Nothing is threaded on before the plug'
      : `On the cable in order: ${c.threadOn.map(({ piece }) => piece).join(', ')}`
  return {
    width,
    height,
    marks,
    says:
      `${threaded}; ` +
      `then ${c.cameraEnd}. ` +
      `${c.pins ? `${c.scheme}: ${c.pins.map(({ pin, wire }) => `${pin} ${wire}`).join(', ')}.` : c.strip}`,
  }
}
