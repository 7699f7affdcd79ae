'use client'

import type { KonvaEventObject } from 'konva/lib/Node'
import { useRef, useState } from 'react'
import { Circle, Group, Image as Picture, Layer, Line, Rect, Stage, Text } from 'react-konva'
import type { PhotoMark, Spot } from '@/core/photo'
import type { UnitSystem } from '@/core/units'
import { OVER_PHOTO, photoDrawing, type Mark } from '@/drawings'
import { areaOf, strokeOf, withEnd, withMark, type Area, type Tool } from './tools'

interface PhotoStageProps {
  readonly image: HTMLImageElement
  /** Pixels across; as tall as the picture is then. */
  readonly width: number
  readonly marks: readonly PhotoMark[]
  readonly blurs: readonly Area[]
  readonly units: UnitSystem
  /** Null where nothing is drawn: it is looked at. */
  readonly tool: Tool | null
  readonly knownMm: number
  readonly onMarks: (marks: PhotoMark[]) => void
  readonly onBlur: (area: Area) => void
  /** Where words are to stand. */
  readonly onWords: (at: Spot) => void
}

/** A photo and what is drawn on it; a finger draws. */
export function PhotoStage(props: PhotoStageProps) {
  const { image, width, marks, blurs, units, tool, knownMm, onMarks, onBlur, onWords } = props
  const height = (width * image.naturalHeight) / image.naturalWidth
  const way = useRef<Spot[] | null>(null)
  const [drawing, setDrawing] = useState<PhotoMark | Area | null>(null)
  const [moved, setMoved] = useState<PhotoMark[] | null>(null)
  const [finger, setFinger] = useState<Spot | null>(null)
  const spotOf = (event: KonvaEventObject<Event>): Spot => {
    const { x, y } = event.target.getStage()!.getPointerPosition()!
    return { x: fine(clamp(x / width, 1)), y: fine(clamp(y / width, height / width)) }
  }
  const strokeNow = (): PhotoMark | Area | null => {
    const points = way.current
    if (!points || !tool) return null
    return tool === 'blur' ? areaOf(points) : strokeOf(tool, points, knownMm)
  }
  const begin = (event: KonvaEventObject<Event>) => {
    if (!tool || event.target.draggable()) return
    if (tool === 'words') return onWords(spotOf(event))
    way.current = [spotOf(event)]
  }
  const move = (event: KonvaEventObject<Event>) => {
    if (!way.current) return
    const at = spotOf(event)
    way.current.push(at)
    setFinger(at)
    setDrawing(strokeNow())
  }
  const end = () => {
    const stroke = strokeNow()
    way.current = null
    setDrawing(null)
    setFinger(null)
    if (stroke === null) return
    if ('kind' in stroke) onMarks(withMark(marks, stroke))
    else onBlur(stroke)
  }
  const stroke = drawing && 'kind' in drawing ? drawing : null
  const area = drawing && !('kind' in drawing) ? drawing : null
  const shown = moved ?? (stroke ? withMark(marks, stroke) : marks)
  return (
    <Stage
      width={width}
      height={height}
      onPointerDown={begin}
      onPointerMove={move}
      onPointerUp={end}
      onPointerLeave={end}
      style={{ touchAction: 'none' }}
    >
      <Layer>
        <Picture image={image} width={width} height={height} />
        {[...blurs, ...(area ? [area] : [])].map(({ from, to }, i) => (
          <Rect
            key={i}
            x={Math.min(from.x, to.x) * width}
            y={Math.min(from.y, to.y) * width}
            width={Math.abs(to.x - from.x) * width}
            height={Math.abs(to.y - from.y) * width}
            fill="rgba(20, 24, 28, 0.75)"
            stroke={OVER_PHOTO.mark}
            dash={[6, 4]}
            listening={false}
          />
        ))}
        <Group listening={false}>
          {photoDrawing(shown, { width, height, units }).marks.map((mark, i) => (
            <Drawn key={i} mark={mark} />
          ))}
        </Group>
        {tool
          ? endsOf(shown).map(({ index, end: which, at }) => (
              <Circle
                key={`${index} ${which}`}
                x={at.x * width}
                y={at.y * width}
                radius={7}
                hitStrokeWidth={34}
                stroke={OVER_PHOTO.halo}
                strokeWidth={2}
                fill={OVER_PHOTO.mark}
                draggable
                onDragMove={(event) => {
                  const to = spotOf(event)
                  setFinger(to)
                  setMoved(withEnd(marks, index, which, to))
                }}
                onDragEnd={(event) => {
                  setFinger(null)
                  setMoved(null)
                  onMarks(withEnd(marks, index, which, spotOf(event)))
                }}
              />
            ))
          : null}
        {finger && tool !== 'line' ? <Loupe image={image} width={width} at={finger} /> : null}
      </Layer>
    </Stage>
  )
}

/** Finer than any finger, and no longer than it must be. */
const fine = (value: number): number => Math.round(value * 1e4) / 1e4
const clamp = (value: number, most: number): number => Math.min(Math.max(value, 0), most)

/** The ends of the mark that was drawn last: they can be set right. */
function endsOf(marks: readonly PhotoMark[]) {
  const index = marks.length - 1
  const mark = marks[index]
  if (!mark || !('from' in mark)) return []
  return (['from', 'to'] as const).map((end) => ({ index, end, at: mark[end] }))
}

const FONT = { small: 11.5, label: 13, figure: 16 }

/** A mark of the drawing over the photo; it has no other pens, fills and kinds than these. */
function Drawn({ mark }: { mark: Mark }) {
  if (mark.kind === 'words')
    return (
      <Text
        x={mark.at[0] - 150}
        width={300}
        align="center"
        y={mark.at[1] - FONT[mark.size]}
        text={mark.words}
        fontSize={FONT[mark.size]}
        fontStyle="600"
        fill={OVER_PHOTO.mark}
      />
    )
  const stroke = mark.pen === 'none' ? {} : { stroke: OVER_PHOTO[mark.pen === 'halo' ? 'halo' : 'mark'] }
  const strokeWidth = mark.pen === 'halo' ? 6.5 : 3
  if (mark.kind === 'circle') return null
  const spots = mark.kind === 'line' ? [mark.from, mark.to] : mark.spots
  const closed = mark.kind === 'shape' && !mark.open
  const fill = mark.kind === 'shape' && mark.fill === 'halo' ? { fill: OVER_PHOTO.halo } : {}
  return (
    <Line
      points={spots.flat()}
      closed={closed}
      strokeWidth={strokeWidth}
      lineJoin="round"
      {...stroke}
      {...fill}
    />
  )
}

const LOUPE = 52
const TIMES = 3

/** What is under the finger, in the corner farthest from it. */
function Loupe({ image, width, at }: { image: HTMLImageElement; width: number; at: Spot }) {
  const x = at.x < 0.5 ? width - LOUPE - 8 : LOUPE + 8
  const y = LOUPE + 8
  const height = (width * image.naturalHeight) / image.naturalWidth
  return (
    <Group listening={false}>
      <Group x={x} y={y} clipFunc={(context) => context.arc(0, 0, LOUPE, 0, 2 * Math.PI)}>
        <Picture
          image={image}
          x={-at.x * width * TIMES}
          y={-at.y * width * TIMES}
          width={width * TIMES}
          height={height * TIMES}
        />
        <Line points={[-LOUPE, 0, LOUPE, 0]} stroke={OVER_PHOTO.mark} strokeWidth={1} />
        <Line points={[0, -LOUPE, 0, LOUPE]} stroke={OVER_PHOTO.mark} strokeWidth={1} />
      </Group>
      <Circle x={x} y={y} radius={LOUPE} stroke={OVER_PHOTO.halo} strokeWidth={3} />
    </Group>
  )
}
