'use client'

import { Circle, Group, Line, Rect, RegularPolygon, Text } from 'react-konva'
import { distanceM, middleOf, type Outline, type PlanPoint } from '@/core/geometry'
import { LEVELS, type PlanThing } from '@/core/job'
import { obstacleOutline, pointsOf, soffitBoard } from '@/core/sight'
import { print, type UnitSystem } from '@/core/units'
import type { Ink } from '../theme'
import { corners } from './move'
import { toScreen, type ViewBox } from './view'

type Inks = Readonly<Record<Ink, string>>

export const FONT = 'Barlow, sans-serif'
const flat = (view: ViewBox, points: readonly PlanPoint[]) => points.flatMap((p) => toScreen(view, p))

interface ThingsProps {
  readonly things: readonly PlanThing[]
  readonly view: ViewBox
  readonly ink: Inks
  readonly selectedId: string | null
  /** Whether there is room for names. */
  readonly named: boolean
}

/** Everything drawn on the plan, heaviest lines for what blocks the view. */
export function Things({ things, view, ink, selectedId, named }: ThingsProps) {
  const order: readonly PlanThing['kind'][] = [
    'premises',
    'area',
    'privacy',
    'soffit',
    'obstacle',
    'wall',
    'walk',
    'target',
    'head end',
  ]
  return order
    .flatMap((kind) => things.filter((thing) => thing.kind === kind))
    .map((thing) => (
      <Thing
        key={thing.id}
        thing={named || thing.id === selectedId ? thing : { ...thing, name: '' }}
        view={view}
        ink={ink}
        selected={thing.id === selectedId}
        named={named}
      />
    ))
}

function Thing({
  thing,
  view,
  ink,
  selected,
  named,
}: {
  thing: PlanThing
  view: ViewBox
  ink: Inks
  selected: boolean
  named: boolean
}) {
  const id = `thing:${thing.id}`
  const own = selected ? ink.copper : ink.ink
  switch (thing.kind) {
    case 'wall':
      return <Wall thing={thing} view={view} colour={own} ink={ink} />
    case 'soffit':
      return (
        <Group>
          <Line id={id} points={flat(view, soffitBoard(thing))} closed fill={ink.part} opacity={0.45} />
          <Line
            points={flat(view, soffitBoard(thing))}
            closed
            stroke={own}
            strokeWidth={0.8}
            dash={[6, 4]}
            listening={false}
          />
          <Line
            id={id}
            points={flat(view, [thing.from, thing.to])}
            stroke={own}
            strokeWidth={thing.lipM > 0 ? 2.4 : 1.2}
            hitStrokeWidth={14}
          />
        </Group>
      )
    case 'obstacle':
      return (
        <Group>
          {thing.form.is === 'round' ? (
            <Circle
              id={id}
              x={toScreen(view, thing.form.at)[0]}
              y={toScreen(view, thing.form.at)[1]}
              radius={Math.max(3, thing.form.radiusM * view.perMetre)}
              fill={ink.hatch}
              stroke={own}
              strokeWidth={1.5}
              hitStrokeWidth={12}
            />
          ) : (
            <Line
              id={id}
              points={flat(view, obstacleOutline(thing))}
              closed
              fill={ink.hatch}
              stroke={own}
              strokeWidth={1.5}
              hitStrokeWidth={10}
            />
          )}
          <Label at={labelPoint(thing)} words={thing.name} view={view} ink={ink} below />
        </Group>
      )
    case 'premises':
      return (
        <Outlined
          id={id}
          outline={thing.outline}
          view={view}
          stroke={selected ? ink.copper : ink.soft}
          dash={[14, 5, 3, 5]}
          width={1.2}
          hitFill={false}
        />
      )
    case 'area':
      return (
        <Group>
          <Outlined
            id={id}
            outline={thing.outline}
            view={view}
            stroke={ink.copper}
            width={selected ? 2.6 : 1.6}
            hitFill
          />
          <Label
            at={topOf(thing.outline)}
            words={named || selected ? `${thing.name}: ${LEVELS[thing.level].name.toLowerCase()}` : ''}
            view={view}
            ink={ink}
            colour={ink.copper}
            above
          />
        </Group>
      )
    case 'privacy':
      return (
        <Group>
          <Outlined
            id={id}
            outline={thing.outline}
            view={view}
            stroke={selected ? ink.copper : ink.ink}
            dash={[3, 3]}
            width={1.4}
            hitFill
          />
          <Hatch outline={thing.outline} view={view} stroke={ink.ink} />
          <Label
            at={topOf(thing.outline)}
            words={named ? thing.name || 'Private' : thing.name}
            view={view}
            ink={ink}
            above
          />
        </Group>
      )
    case 'target': {
      const [x, y] = toScreen(view, thing.at)
      return (
        <Group>
          <Circle
            id={id}
            x={x}
            y={y}
            radius={7}
            stroke={ink.copper}
            strokeWidth={selected ? 2.6 : 1.6}
            fill={ink.sheet}
            hitStrokeWidth={14}
          />
          <Line points={[x - 10, y, x + 10, y]} stroke={ink.copper} strokeWidth={1} listening={false} />
          <Line points={[x, y - 10, x, y + 10]} stroke={ink.copper} strokeWidth={1} listening={false} />
          <Label at={thing.at} words={thing.name} view={view} ink={ink} colour={ink.copper} below gap={10} />
        </Group>
      )
    }
    case 'walk':
      return (
        <Group>
          <Line
            id={id}
            points={flat(view, thing.path)}
            stroke={own}
            strokeWidth={1.6}
            dash={[2, 6]}
            lineCap="round"
            hitStrokeWidth={16}
          />
          {thing.path.slice(-1).map((end) => (
            <RegularPolygon
              key="end"
              x={toScreen(view, end)[0]}
              y={toScreen(view, end)[1]}
              sides={4}
              radius={5}
              fill={own}
              listening={false}
            />
          ))}
          <Label at={thing.path[0]!} words={thing.name} view={view} ink={ink} below />
        </Group>
      )
    case 'head end': {
      const [x, y] = toScreen(view, thing.at)
      return (
        <Group>
          <Rect
            id={id}
            x={x - 8}
            y={y - 8}
            width={16}
            height={16}
            fill={own}
            cornerRadius={2}
            hitStrokeWidth={12}
          />
          <Text
            text="H"
            x={x - 8}
            y={y - 7}
            width={16}
            align="center"
            fontSize={14}
            fontStyle="600"
            fontFamily={FONT}
            fill={ink.sheet}
            listening={false}
          />
          <Label
            at={thing.at}
            words={named ? thing.name || 'Head end' : thing.name}
            view={view}
            ink={ink}
            below
            gap={8}
          />
        </Group>
      )
    }
  }
}

/** Where a thing's name stands: under what is solid, over the upper edge of what is only outlined. */
export function labelPoint(thing: PlanThing): PlanPoint {
  if (thing.kind === 'obstacle') {
    const outline = obstacleOutline(thing)
    return { x: middleOf(outline).x, y: Math.min(...outline.map(({ y }) => y)) }
  }
  return 'outline' in thing ? topOf(thing.outline) : pointsOf(thing)[0]!
}

const topOf = (outline: Outline): PlanPoint =>
  outline.reduce((best, p) =>
    p.y > best.y + 1e-9 || (Math.abs(p.y - best.y) < 1e-9 && p.x < best.x) ? p : best,
  )

/** A wall without its openings heavy, its openings thin. */
function Wall({
  thing,
  view,
  colour,
  ink,
}: {
  thing: Extract<PlanThing, { kind: 'wall' }>
  view: ViewBox
  colour: string
  ink: Inks
}) {
  const lengthM = distanceM(thing.from, thing.to)
  const at = (m: number): PlanPoint => ({
    x: thing.from.x + ((thing.to.x - thing.from.x) * m) / lengthM,
    y: thing.from.y + ((thing.to.y - thing.from.y) * m) / lengthM,
  })
  const line = (
    <Line
      id={`thing:${thing.id}`}
      points={flat(view, [thing.from, thing.to])}
      stroke={colour}
      strokeWidth={3}
      lineCap="square"
      hitStrokeWidth={14}
      perfectDrawEnabled={false}
      {...(thing.heightM + thing.baseM < 2 ? { dash: [12, 3] } : {})}
    />
  )
  if (thing.openings.length === 0) return line
  return (
    <Group>
      {line}
      {thing.openings.map(({ id, alongM, widthM }) => (
        <Group key={id} listening={false}>
          <Line points={flat(view, [at(alongM), at(alongM + widthM)])} stroke={ink.sheet} strokeWidth={4} />
          <Line points={flat(view, [at(alongM), at(alongM + widthM)])} stroke={colour} strokeWidth={0.8} />
        </Group>
      ))}
    </Group>
  )
}

function Outlined({
  id,
  outline,
  view,
  stroke,
  width,
  dash = [],
  hitFill,
}: {
  id: string
  outline: Outline
  view: ViewBox
  stroke: string
  width: number
  dash?: number[]
  hitFill: boolean
}) {
  return (
    <Line
      id={id}
      points={flat(view, outline)}
      closed
      stroke={stroke}
      strokeWidth={width}
      dash={dash}
      hitStrokeWidth={12}
      fillEnabled={hitFill}
      {...(hitFill ? { fill: 'rgba(0,0,0,0.001)' } : {})}
    />
  )
}

/** Slanted lines over an outline: told apart without colour. */
export function Hatch({
  outline,
  view,
  stroke,
  step = 9,
  holes = [],
}: {
  outline: Outline
  view: ViewBox
  stroke: string
  step?: number
  holes?: readonly Outline[]
}) {
  const rings = [outline, ...holes].map((ring) => ring.map((p) => toScreen(view, p)))
  const xs = rings[0]!.map(([x]) => x)
  const ys = rings[0]!.map(([, y]) => y)
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  return (
    <Group
      listening={false}
      clipFunc={(context) => {
        context.beginPath()
        for (const ring of rings) {
          ring.forEach(([x, y], i) => (i === 0 ? context.moveTo(x, y) : context.lineTo(x, y)))
          context.closePath()
        }
        return ['evenodd']
      }}
    >
      {Array.from({ length: Math.min(400, Math.ceil((x1 - x0 + y1 - y0) / step)) }, (_, i) => (
        <Line
          key={i}
          points={[x0 + i * step, y0, x0 + i * step - (y1 - y0), y1]}
          stroke={stroke}
          strokeWidth={0.7}
        />
      ))}
    </Group>
  )
}

/** Words on the plan with the paper left clear round them. */
export function Label({
  at,
  words,
  view,
  ink,
  colour = ink.ink,
  above = false,
  below = false,
  gap = 0,
}: {
  at: PlanPoint
  words: string
  view: ViewBox
  ink: Inks
  colour?: string
  above?: boolean
  below?: boolean
  gap?: number
}) {
  if (words === '') return null
  const [x, y] = toScreen(view, at)
  const dy = above ? -16 : below ? 4 + gap : -6
  const text = {
    text: words,
    x: above ? x + 2 : x - 90,
    y: y + dy,
    width: above ? undefined : 180,
    align: above ? ('left' as const) : ('center' as const),
    fontSize: 12,
    fontStyle: '600',
    fontFamily: FONT,
  }
  return (
    <Group listening={false}>
      <Text {...text} stroke={ink.sheet} strokeWidth={3} fill={ink.sheet} lineJoin="round" />
      <Text {...text} fill={colour} />
    </Group>
  )
}

/** Handles at the corners of what is selected, and the lengths of its sides. */
export function Handles({
  thing,
  view,
  ink,
  units,
}: {
  thing: PlanThing
  view: ViewBox
  ink: Inks
  units: UnitSystem
}) {
  const points = corners(thing)
  const closed =
    thing.kind !== 'wall' &&
    thing.kind !== 'soffit' &&
    thing.kind !== 'walk' &&
    !(thing.kind === 'obstacle' && thing.form.is === 'round')
  return (
    <Group>
      <Sides points={points} closed={closed} view={view} ink={ink} units={units} />
      {points.map((p, i) => {
        const [x, y] = toScreen(view, p)
        return (
          <Rect
            key={i}
            id={`corner:${thing.id}:${i}`}
            x={x - 5}
            y={y - 5}
            width={10}
            height={10}
            fill={ink.sheet}
            stroke={ink.copper}
            strokeWidth={2}
            hitStrokeWidth={16}
          />
        )
      })}
    </Group>
  )
}

/** The length of every side, beside it. */
export function Sides({
  points,
  closed,
  view,
  ink,
  units,
}: {
  points: readonly PlanPoint[]
  closed: boolean
  view: ViewBox
  ink: Inks
  units: UnitSystem
}) {
  const sides = points.flatMap((a, i) =>
    i + 1 < points.length || (closed && points.length > 2)
      ? [[a, points[(i + 1) % points.length]!] as const]
      : [],
  )
  return (
    <Group listening={false}>
      {sides.map(([a, b], i) => {
        const lengthM = distanceM(a, b)
        if (lengthM * view.perMetre < 34) return null
        return (
          <Label
            key={i}
            at={{ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }}
            words={print({ value: lengthM, kind: 'length' }, units)}
            view={view}
            ink={ink}
            colour={ink.soft}
          />
        )
      })}
    </Group>
  )
}
