'use client'

import { memo, useEffect, useMemo, useState } from 'react'
import { Group, Image as KonvaImage, Line } from 'react-konva'
import type { Outline } from '@/core/geometry'
import type { Edition, FloorBackground } from '@/core/job'
import type { Grid, Survey } from '@/core/sight'
import {
  BLIND_SPOTS,
  countBands,
  densityBands,
  spotsOf,
  toScreen,
  type Seen,
  type Shades,
  type ViewBox,
} from '@/drawings/plan'
import { paint } from './paint'
import { flat, type Inks } from './shapes/marks'
import { Hatch } from './shapes/PlanMarks'

/** The picture under the plan, where and how large it was laid. */
export function BackgroundPicture({
  background,
  view,
  shades,
}: {
  background: FloorBackground
  view: ViewBox
  shades: Shades
}) {
  const [picture, setPicture] = useState<HTMLCanvasElement | null>(null)
  const { sha256 } = background
  useEffect(() => {
    const image = new window.Image()
    image.onload = () => setPicture(inTheme(image, shades))
    image.src = `/api/photos/${sha256}?size=original`
    return () => {
      image.onload = null
    }
  }, [sha256, shades])
  if (!picture) return null
  const [x, y] = toScreen(view, background.at)
  const k = background.metresPerPx * view.perMetre
  return (
    <KonvaImage
      image={picture}
      x={x}
      y={y}
      width={background.widthPx * k}
      height={background.heightPx * k}
      rotation={background.turnDeg}
      opacity={0.55}
      listening={false}
    />
  )
}

/** Drawings come on white paper: by head torch they are turned to light lines on dark. */
function inTheme(image: HTMLImageElement, shades: Shades): HTMLCanvasElement {
  const canvas = document.createElement('canvas')
  canvas.width = image.naturalWidth
  canvas.height = image.naturalHeight
  const context = canvas.getContext('2d')!
  if (shades === 'loft') context.filter = 'invert(0.88) hue-rotate(180deg)'
  context.drawImage(image, 0, 0)
  return canvas
}

/** Cells as a picture over the plan. */
export function Cells({ grid, canvas, view }: { grid: Grid; canvas: HTMLCanvasElement; view: ViewBox }) {
  const [x, y] = toScreen(view, { x: grid.left, y: grid.bottom + grid.rows * grid.cellM })
  return (
    <KonvaImage
      image={canvas}
      x={x}
      y={y}
      width={grid.columns * grid.cellM * view.perMetre}
      height={grid.rows * grid.cellM * view.perMetre}
      listening={false}
      imageSmoothingEnabled={false}
    />
  )
}

interface SurveyProps {
  readonly survey: Survey
  readonly seen: Seen
  readonly view: ViewBox
  readonly ink: Inks
  readonly shades: Shades
  readonly edition: Edition
}

/** What cameras see: bands of density with their contours, how many see it, or the blind spots. */
export const SurveyPicture = memo(function SurveyPicture(props: SurveyProps) {
  const { survey, seen, view, ink, shades, edition } = props
  const canvas = useMemo(() => {
    if (seen === 'density') return paint(survey.grid, survey.best, densityBands(edition, shades), 0.72)
    if (seen === 'count') return paint(survey.grid, survey.count, countBands(shades), 0.72)
    return null
  }, [survey, seen, edition, shades])
  return (
    <Group listening={false}>
      {canvas ? <Cells grid={survey.grid} canvas={canvas} view={view} /> : null}
      {seen === 'density' ? <Contours survey={survey} view={view} ink={ink} /> : null}
      {seen === 'blind' ? <BlindSpots survey={survey} view={view} ink={ink} /> : null}
    </Group>
  )
})

function Contours({ survey, view, ink }: Pick<SurveyProps, 'survey' | 'view' | 'ink'>) {
  return survey.contours.map(({ level, rings }) => (
    <Rings key={level} rings={rings} view={view} stroke={ink.ink} strokeWidth={0.6} opacity={0.65} />
  ))
}

function BlindSpots({ survey, view, ink }: Pick<SurveyProps, 'survey' | 'view' | 'ink'>) {
  return survey.blindSpots.slice(0, BLIND_SPOTS).map(({ rings }, i) => (
    <Group key={i}>
      <Hatch rings={rings.map((ring) => spotsOf(view, ring))} stroke={ink.ink} step={7} />
      <Rings rings={rings} view={view} stroke={ink.ink} strokeWidth={1.2} />
    </Group>
  ))
}

interface RingsProps {
  readonly rings: readonly Outline[]
  readonly view: ViewBox
  readonly stroke: string
  readonly strokeWidth: number
  readonly opacity?: number
}

const Rings = ({ rings, view, ...look }: RingsProps) =>
  rings.map((ring, i) => <Line key={i} points={flat(view, ring)} closed {...look} />)
