'use client'

import { useEffect, useMemo, useState } from 'react'
import { Group, Image as KonvaImage, Line } from 'react-konva'
import type { Outline } from '@/core/geometry'
import type { Edition, FloorBackground } from '@/core/job'
import type { Grid, Survey } from '@/core/sight'
import { print, type UnitSystem } from '@/core/units'
import type { Shades } from '../kit/shades'
import { countBands, densityBands, paint } from './bands'
import type { Seen } from './layers'
import { onSpots, RANK, type Naming } from './naming'
import { flat, Hatch, type Inks } from './shapes/marks'
import { toScreen, type ViewBox } from './view'

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
export function SurveyPicture({ survey, seen, view, ink, shades, edition }: SurveyProps) {
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
}

/** So many blind spots are drawn, the largest; so large on the screen one carries its size, px. */
const BLIND_SPOTS = 60
const SIZED_PX = 30
/** So long on the screen a contour carries its value, px, and where along it that may stand. */
const VALUED_PX = 240
/** Values keep so far from each other and from words. */
const VALUES_APART_PX = 16
const ALONG = [0.5, 0.35, 0.65, 0.2, 0.8, 0.1, 0.9, 0.42, 0.58]

/** What is written on what cameras see: the values of contours, the most demanding first, or sizes. */
export function surveyNamings(survey: Survey, seen: Seen, view: ViewBox, units: UnitSystem): Naming[] {
  if (seen === 'blind')
    return survey.blindSpots.slice(0, BLIND_SPOTS).flatMap(({ middle, sizeM2 }, i) =>
      Math.sqrt(sizeM2) * view.perMetre > SIZED_PX
        ? [
            {
              id: `blind:${i}`,
              words: print({ value: sizeM2, kind: 'ground' }, units),
              ...onSpots([toScreen(view, middle)]),
              colour: 'ink' as const,
              rank: RANK.blind,
            },
          ]
        : [],
    )
  if (seen !== 'density') return []
  return [...survey.contours].reverse().flatMap(({ level, densityPxM, rings }) =>
    rings.flatMap((ring, i) => {
      const spots = ring.map((point) => toScreen(view, point))
      let long = 0
      for (const [k, [x, y]] of spots.entries()) {
        const [u, v] = spots[(k + 1) % spots.length]!
        long += Math.hypot(u - x, v - y)
      }
      if (long < VALUED_PX) return []
      return [
        {
          id: `contour:${level}:${i}`,
          words: print({ value: densityPxM, kind: 'density' }, units),
          ...onSpots(ALONG.map((share) => spots[Math.floor(spots.length * share)]!)),
          colour: 'ink' as const,
          rank: RANK.contours,
          apart: VALUES_APART_PX,
        },
      ]
    }),
  )
}

function Contours({ survey, view, ink }: Pick<SurveyProps, 'survey' | 'view' | 'ink'>) {
  return survey.contours.map(({ level, rings }) => (
    <Rings key={level} rings={rings} view={view} stroke={ink.ink} strokeWidth={0.6} opacity={0.65} />
  ))
}

function BlindSpots({ survey, view, ink }: Pick<SurveyProps, 'survey' | 'view' | 'ink'>) {
  return survey.blindSpots.slice(0, BLIND_SPOTS).map(({ rings }, i) => (
    <Group key={i}>
      <Hatch outline={rings[0]!} holes={rings.slice(1)} view={view} stroke={ink.ink} step={7} />
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
