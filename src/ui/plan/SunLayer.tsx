'use client'

import { Shape } from 'react-konva'
import { signedAreaM2 } from '@/core/geometry'
import type { SunOnPlan } from '@/core/sight'
import { toScreen, type ViewBox } from '@/drawings/plan'

/** The shade that everything throws on the ground, one tint however much lies over each other. */
export function Shade({ sun, view, colour }: { sun: SunOnPlan; view: ViewBox; colour: string }) {
  return (
    <Shape
      listening={false}
      opacity={0.2}
      sceneFunc={(context) => {
        context.beginPath()
        for (const outline of sun.shades) {
          const ring = signedAreaM2(outline) < 0 ? [...outline].reverse() : outline
          ring.forEach((point, i) => {
            const [x, y] = toScreen(view, point)
            if (i === 0) context.moveTo(x, y)
            else context.lineTo(x, y)
          })
          context.closePath()
        }
        context.setAttr('fillStyle', colour)
        context.fill()
      }}
    />
  )
}
