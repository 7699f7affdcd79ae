'use client'

import { Fragment } from 'react'
import { Line } from 'react-konva'
import type { Bundle } from '@/core/pathway'
import type { Inks } from './shapes/marks'
import type { Floor } from '@/core/job'
import { bundleWidth, toScreen, type ViewBox } from '@/drawings/plan'

/** Every piece of the cables' ways, as thick as what lies in it. */
export function CableLayer({
  bundles,
  floor,
  view,
  ink,
}: {
  bundles: readonly Bundle[]
  floor: Floor
  view: ViewBox
  ink: Inks
}) {
  const here = bundles.filter((bundle) => bundle.floor === floor)
  // A light tube with a thin rim: told from walls without colour. All rims first, so that tubes run on.
  return [RIM_PX, 0].map((rim) => (
    <Fragment key={rim}>
      {here.map(({ points, count }, i) => (
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
}

const RIM_PX = 1
