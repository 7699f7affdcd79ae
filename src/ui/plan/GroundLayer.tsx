'use client'

import { useEffect, useMemo, useState } from 'react'
import { Group, Image as KonvaImage, Line } from 'react-konva'
import type { Edition, FloorBackground } from '@/core/job'
import type { Grid, Survey } from '@/core/sight'
import { print, type UnitSystem } from '@/core/units'
import type { Ink } from '../theme'
import type { Shades } from '../kit/shades'
import { countBands, densityBands, labelSpots, paint } from './bands'
import { Hatch, Label } from './shapes/marks'
import { toPlan, toScreen, type ViewBox } from './view'

type Inks = Readonly<Record<Ink, string>>

export const SURVEY_LAYERS = {
  density: 'Density',
  count: 'Seen by',
  blind: 'Blind spots',
  none: 'Plain',
} as const
export type SurveyLayer = keyof typeof SURVEY_LAYERS

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
  readonly layer: SurveyLayer
  readonly view: ViewBox
  readonly ink: Inks
  readonly shades: Shades
  readonly edition: Edition
  readonly units: UnitSystem
  /** Screen spots that labels keep off: devices, names. */
  readonly taken: readonly (readonly [number, number])[]
  /** Whether there is room for values on the contours. */
  readonly valued: boolean
}

/**
 * One layer of the survey: bands of density with contours and printed values, cameras that see, or blind
 * spots.
 */
export function SurveyPicture({
  survey,
  layer,
  view,
  ink,
  shades,
  edition,
  units,
  taken,
  valued,
}: SurveyProps) {
  const canvas = useMemo(() => {
    if (layer === 'density') return paint(survey.grid, survey.best, densityBands(edition, shades), 0.72)
    if (layer === 'count') return paint(survey.grid, survey.count, countBands(shades), 0.72)
    return null
  }, [survey, layer, edition, shades])
  return (
    <Group listening={false}>
      {canvas ? <Cells grid={survey.grid} canvas={canvas} view={view} /> : null}
      {layer === 'density' ? (
        <Contours survey={survey} view={view} ink={ink} units={units} taken={taken} valued={valued} />
      ) : null}
      {layer === 'blind' ? <BlindSpots survey={survey} view={view} ink={ink} units={units} /> : null}
    </Group>
  )
}

function Contours({
  survey,
  view,
  ink,
  units,
  taken,
  valued,
}: Pick<SurveyProps, 'survey' | 'view' | 'ink' | 'units' | 'taken' | 'valued'>) {
  const spots = !valued
    ? []
    : labelSpots(survey.contours, (ring) => ring.map((p) => toScreen(view, p)), taken)
  return (
    <Group>
      {survey.contours.map((line) => (
        <Group key={line.level}>
          {line.rings.map((ring, i) => (
            <Line
              key={i}
              points={ring.flatMap((p) => toScreen(view, p))}
              closed
              stroke={ink.ink}
              strokeWidth={0.6}
              opacity={0.65}
            />
          ))}
        </Group>
      ))}
      {spots.map(({ x, y, line }, i) => (
        <Label
          key={i}
          at={toPlan(view, [x, y])}
          words={print({ value: line.densityPxM, kind: 'density' }, units)}
          view={view}
          ink={ink}
          colour={ink.soft}
        />
      ))}
    </Group>
  )
}

function BlindSpots({
  survey,
  view,
  ink,
  units,
}: {
  survey: Survey
  view: ViewBox
  ink: Inks
  units: UnitSystem
}) {
  return (
    <Group>
      {survey.blindSpots.slice(0, 60).map(({ rings, middle, sizeM2 }, i) => (
        <Group key={i}>
          <Hatch outline={rings[0]!} holes={rings.slice(1)} view={view} stroke={ink.ink} step={7} />
          {rings.map((ring, k) => (
            <Line
              key={k}
              points={ring.flatMap((p) => toScreen(view, p))}
              closed
              stroke={ink.ink}
              strokeWidth={1.2}
            />
          ))}
          {Math.sqrt(sizeM2) * view.perMetre > 30 ? (
            <Label
              at={middle}
              words={print({ value: sizeM2, kind: 'ground' }, units)}
              view={view}
              ink={ink}
            />
          ) : null}
        </Group>
      ))}
    </Group>
  )
}
