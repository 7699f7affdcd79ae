'use client'

import { Box, chakra } from '@chakra-ui/react'
import { useLayoutEffect, useId, useRef, useState, type ReactNode, type Ref } from 'react'
import { OVER_PHOTO, WIRES, type Drawing, type Fill, type Mark, type Pen, type Tone } from '@/drawings'

const PENS: Record<Pen, { width: number; stroke: string; dash?: string }> = {
  outline: { width: 2.4, stroke: 'ink' },
  object: { width: 1.5, stroke: 'ink' },
  thin: { width: 0.8, stroke: 'soft' },
  dimension: { width: 0.8, stroke: 'soft' },
  axis: { width: 1, stroke: 'copper.fg', dash: '10 3 2 3' },
  ray: { width: 1.4, stroke: 'copper.fg' },
  leader: { width: 0.9, stroke: 'ink' },
  halo: { width: 6.5, stroke: OVER_PHOTO.halo },
  mark: { width: 3, stroke: OVER_PHOTO.mark },
  none: { width: 0, stroke: 'transparent' },
}
const FILLS: Record<Fill, string> = {
  none: 'none',
  ink: 'ink',
  sheet: 'sheet',
  seen: 'seen',
  hatch: 'hatch',
  soft: 'part',
  copper: 'copper.fg',
  good: 'good',
  check: 'check',
  stop: 'stop',
  halo: OVER_PHOTO.halo,
  ...WIRES,
}
const TONES: Record<Tone, string> = {
  ink: 'ink',
  soft: 'soft',
  copper: 'copper.fg',
  good: 'good',
  check: 'check',
  stop: 'stop',
  paper: 'paper',
  mark: OVER_PHOTO.mark,
}
const SIZES = { small: '11.5px', label: '13px', figure: '16px' }

/** One token of a drawing as CSS: colours of the theme, or plain colours of wires. */
const paint = (name: string) =>
  name.startsWith('#') || name === 'none' || name === 'transparent'
    ? name
    : `var(--chakra-colors-${name.replace('.', '-')})`

/** A drawing on screen. Children are drawn over it, in the same units: handles to drag. */
export function DrawingView({
  drawing,
  children,
  svgRef,
}: {
  drawing: Drawing
  children?: ReactNode
  svgRef?: Ref<SVGSVGElement>
}) {
  const hatch = `hatch${useId()}`
  return (
    <chakra.svg
      ref={svgRef}
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      width="100%"
      maxW={`${drawing.width}px`}
      role="group"
      aria-label={drawing.says}
      display="block"
      fontFamily="body"
      css={{ touchAction: 'pan-y' }}
    >
      <defs>
        <pattern id={hatch} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="7" stroke={paint('soft')} strokeWidth="1.1" />
        </pattern>
      </defs>
      {drawing.marks.map((mark, index) => (
        <Drawn key={index} mark={mark} hatch={hatch} />
      ))}
      {children}
    </chakra.svg>
  )
}

function Drawn({ mark, hatch }: { mark: Mark; hatch: string }) {
  if (mark.kind === 'words') {
    const [x, y] = mark.at
    return (
      <text
        x={x}
        y={y}
        textAnchor={mark.anchor}
        transform={mark.upright ? `rotate(-90 ${x} ${y})` : undefined}
        style={{
          fill: paint(TONES[mark.tone]),
          fontSize: SIZES[mark.size],
          fontWeight: mark.size === 'small' ? 400 : 600,
          fontVariantNumeric: 'tabular-nums',
          // Words stay readable over lines.
          paintOrder: 'stroke',
          stroke: paint(mark.tone === 'mark' ? OVER_PHOTO.halo : 'sheet'),
          strokeWidth: 3,
        }}
      >
        {mark.words}
      </text>
    )
  }
  const pen = PENS[mark.pen]
  const stroke = {
    stroke: paint(pen.stroke),
    strokeWidth: pen.width,
    strokeDasharray: pen.dash,
    strokeLinejoin: 'round' as const,
  }
  if (mark.kind === 'line')
    return <line x1={mark.from[0]} y1={mark.from[1]} x2={mark.to[0]} y2={mark.to[1]} {...stroke} />
  const fill = mark.fill === 'hatch' ? `url(#${hatch})` : paint(FILLS[mark.fill])
  if (mark.kind === 'circle')
    return <circle cx={mark.at[0]} cy={mark.at[1]} r={mark.r} fill={fill} {...stroke} />
  const points = mark.spots.map(([x, y]) => `${x},${y}`).join(' ')
  return mark.open ? (
    <polyline points={points} fill="none" {...stroke} />
  ) : (
    <polygon points={points} fill={fill} {...stroke} />
  )
}

/** Measures the room a drawing has, so that its words keep their size on any screen. */
export function Sized({ children, most = 820 }: { children: (width: number) => ReactNode; most?: number }) {
  const ref = useRef<HTMLDivElement>(null)
  // Drawn for a phone until it is measured: words may be too large for a moment, never too small to read.
  const [width, setWidth] = useState(Math.min(most, 360))
  useLayoutEffect(() => {
    const element = ref.current
    if (!element) return
    const measure = (px: number) => setWidth(Math.round(Math.min(most, Math.max(280, px))))
    if (element.clientWidth > 0) measure(element.clientWidth)
    const observer = new ResizeObserver(([entry]) => measure(entry!.contentRect.width))
    observer.observe(element)
    return () => observer.disconnect()
  }, [most])
  return (
    <Box ref={ref} width="100%">
      {children(width)}
    </Box>
  )
}
