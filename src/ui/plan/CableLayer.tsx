'use client'

import { Fragment, memo } from 'react'
import { Line } from 'react-konva'
import type { Bundle } from '@/core/pathway'
import { bundleWidth, toScreen, type ViewBox } from '@/drawings/plan'
import type { Inks } from './shapes/marks'

/** Every piece of the cables' ways, as thick as what lies in it. */
export const CableLayer = memo(function CableLayer({
  bundles,
  view,
  ink,
}: {
  bundles: readonly Bundle[]
  view: ViewBox
  ink: Inks
}) {
  // A light tube with a thin rim: told from walls without colour. All rims first, so that tubes run on.
  return [RIM_PX, 0].map((rim) => (
    <Fragment key={rim}>
      {bundles.map(({ points, count }, i) => (
        <Line
          key={i}
          points={points.flatMap((point) => toScreen(view, point))}
          stroke={rim > 0 ? ink.ink : ink.sheet}
          strokeWidth={bundleWidth(count) + 2 * rim}
          lineCap="round"
          lineJoin="round"
          listening={false}
        />
      ))}
    </Fragment>
  ))
})

const RIM_PX = 1
