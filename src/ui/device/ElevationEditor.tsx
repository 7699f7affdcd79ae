'use client'

import { chakra } from '@chakra-ui/react'
import { useDrag } from '@use-gesture/react'
import { useRef, useState, type KeyboardEvent } from 'react'
import type { Sight } from '@/core/job'
import type { Elevation } from '@/core/sight'
import { print, type UnitSystem } from '@/core/units'
import { elevationDrawing, elevationFrame, elevationHandles, type Frame, type Spot } from '@/drawings'
import { DrawingView } from '../kit/DrawingView'

const clamp = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value))
const round = (value: number, step: number) => Math.round(value / step) * step

interface ElevationEditorProps {
  readonly elevation: Elevation
  readonly units: UnitSystem
  readonly width: number
  readonly onTry: (change: Partial<Sight>) => void
  readonly onKeep: (change: Partial<Sight>) => void
}

type Which = 'camera' | 'target' | 'axis'
const CURSORS: Record<Which, string> = { camera: 'ns-resize', axis: 'grab', target: 'move' }

/**
 * The side elevation with three handles: the camera's height, the target's place, the axis' tilt. Mouse,
 * finger or keys.
 */
export function ElevationEditor({ elevation, units, width, onTry, onKeep }: ElevationEditorProps) {
  const svg = useRef<SVGSVGElement>(null)
  const [held, hold] = useState<Frame | null>(null) // the scale stands still while something is dragged
  const frame = held ?? elevationFrame(elevation, width)
  const drawing = elevationDrawing(elevation, units, frame)
  const handles = elevationHandles(elevation, frame)

  const changeAt = (which: Which, [x, y]: Spot, on: Frame): Partial<Sight> => {
    if (which === 'camera') return { heightM: clamp(round((on.groundY - y) / on.perMetre, 0.05), 0.3, 60) }
    if (which === 'target')
      return {
        targetDistanceM: clamp(round((x - on.cameraX) / on.perMetre, 0.05), 0.3, 500),
        targetHeightM: clamp(round((on.groundY - y) / on.perMetre, 0.05), 0, 20),
      }
    const [cameraX, cameraY] = elevationHandles(elevation, on).camera
    return {
      tiltDeg: clamp(
        round((Math.atan2(y - cameraY, Math.max(1, x - cameraX)) * 180) / Math.PI, 0.5),
        -90,
        90,
      ),
    }
  }

  const place = (clientX: number, clientY: number): Spot | null => {
    const matrix = svg.current?.getScreenCTM()
    if (!matrix) return null
    const point = new DOMPoint(clientX, clientY).matrixTransform(matrix.inverse())
    return [point.x, point.y]
  }

  const drag = useDrag(
    ({ args: [which], xy: [x, y], first, last, event }) => {
      event.preventDefault()
      const on = first ? frame : (held ?? frame)
      if (first) hold(frame)
      const spot = place(x, y)
      if (!spot) return
      const change = changeAt(which as Which, spot, on)
      if (last) {
        hold(null)
        onKeep(change)
      } else onTry(change)
    },
    { pointer: { touch: true }, filterTaps: true, keyboardDisplacement: 0 },
  )

  const keys = (which: Which) => (event: KeyboardEvent) => {
    const far = event.shiftKey ? 10 : 1
    const by = { ArrowUp: [0, 1], ArrowDown: [0, -1], ArrowLeft: [-1, 0], ArrowRight: [1, 0] }[event.key]
    if (!by) return
    event.preventDefault()
    const [dx, dy] = [by[0]! * far * 0.1, by[1]! * far * 0.1]
    if (which === 'camera') onKeep({ heightM: clamp(round(elevation.heightM + dy + dx, 0.05), 0.3, 60) })
    else if (which === 'target')
      onKeep({
        targetDistanceM: clamp(round(elevation.targetDistanceM + dx, 0.05), 0.3, 500),
        targetHeightM: clamp(round(elevation.targetHeightM + dy, 0.05), 0, 20),
      })
    else onKeep({ tiltDeg: clamp(elevation.tiltDeg - (dy + dx) * 5, -90, 90) })
  }

  const says = (value: number, kind: 'length' | 'angle') => print({ value, kind }, units)
  const grips: { which: Which; label: string; now: number; least: number; most: number; words: string }[] = [
    {
      which: 'camera',
      label: 'Lens height',
      now: elevation.heightM,
      least: 0.3,
      most: 60,
      words: says(elevation.heightM, 'length'),
    },
    {
      which: 'axis',
      label: 'Tilt below level',
      now: elevation.tiltDeg,
      least: -90,
      most: 90,
      words: says(elevation.tiltDeg, 'angle'),
    },
    {
      which: 'target',
      label: 'Target distance',
      now: elevation.targetDistanceM,
      least: 0.3,
      most: 500,
      words: says(elevation.targetDistanceM, 'length'),
    },
  ]
  return (
    <DrawingView drawing={drawing} svgRef={svg}>
      {grips.map(({ which, label, now, least, most, words }) => {
        const [x, y] = handles[which]
        return (
          <chakra.g
            key={which}
            {...drag(which)}
            tabIndex={0}
            role="slider"
            aria-label={`${label}, in the drawing`}
            aria-valuenow={Number(now.toFixed(3))}
            aria-valuemin={least}
            aria-valuemax={most}
            aria-valuetext={words}
            data-handle={which}
            onKeyDown={keys(which)}
            cursor={CURSORS[which]}
            css={{
              'touchAction': 'none',
              '& .dot': { opacity: which === 'axis' ? 1 : 0.25 },
              '&:hover .dot, &:focus-visible .dot': { opacity: 1 },
              'outline': 'none',
            }}
          >
            <circle cx={x} cy={y} r={23} fill="transparent" />
            <circle
              className="dot"
              cx={x}
              cy={y}
              r={which === 'axis' ? 5 : 13}
              fill={which === 'axis' ? 'var(--chakra-colors-sheet)' : 'none'}
              stroke="var(--chakra-colors-copper-fg)"
              strokeWidth={1.6}
            />
          </chakra.g>
        )
      })}
    </DrawingView>
  )
}
