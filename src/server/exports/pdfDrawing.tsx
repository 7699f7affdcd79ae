import 'server-only'
import { Circle, Line, Polygon, Polyline, Svg, Text } from '@react-pdf/renderer'
import { WIRES, type Drawing, type Fill, type Mark, type Pen, type Tone } from '@/drawings'

/** The shipped Latin font has no ohm sign. */
export const inFont = (words: string): string => words.replaceAll('Ω', 'ohm')

/** The marks of a drawing in ink on white paper. */
const PENS: Record<Pen, { width: number; stroke: string; dash?: string }> = {
  outline: { width: 2, stroke: '#1C2126' }, object: { width: 1.2, stroke: '#1C2126' }, thin: { width: 0.7, stroke: '#5A636C' }, dimension: { width: 0.6, stroke: '#5A636C' },
  axis: { width: 0.9, stroke: '#A84B1C', dash: '10 3 2 3' }, ray: { width: 1.1, stroke: '#A84B1C' }, leader: { width: 0.7, stroke: '#1C2126' }, none: { width: 0, stroke: 'none' },
}
const FILLS: Record<Fill, string> = {
  none: 'none', ink: '#1C2126', sheet: '#FFFFFF', seen: '#F3E4DA', hatch: '#CFCBC0', soft: '#E4E1D7', copper: '#A84B1C', good: '#1D7467', check: '#8A5F00', stop: '#AE2A1F',
  ...WIRES,
}
const TONES: Record<Tone, string> = { ink: '#1C2126', soft: '#5A636C', copper: '#A84B1C', good: '#1D7467', check: '#8A5F00', stop: '#AE2A1F', paper: '#FFFFFF' }
const SIZES = { small: 10.5, label: 12, figure: 15 }

export function PdfDrawing({ drawing, width }: { drawing: Drawing; width: number }) {
  return (
    <Svg viewBox={`0 0 ${drawing.width} ${drawing.height}`} width={width} height={(drawing.height * width) / drawing.width}>
      {drawing.marks.map((mark, index) => <Drawn key={index} mark={mark} />)}
    </Svg>
  )
}

function Drawn({ mark }: { mark: Mark }) {
  if (mark.kind === 'words') {
    const [x, y] = mark.at
    return <Text x={x} y={y} fill={TONES[mark.tone]} textAnchor={mark.anchor} style={{ fontSize: SIZES[mark.size], fontFamily: 'Barlow', fontWeight: mark.size === 'small' ? 400 : 600 }} {...(mark.upright ? { transform: `rotate(-90, ${x}, ${y})` } : {})}>{inFont(mark.words)}</Text>
  }
  const { width, stroke, dash } = PENS[mark.pen]
  const pen = { stroke, strokeWidth: width, ...(dash ? { strokeDasharray: dash } : {}) }
  if (mark.kind === 'line') return <Line x1={mark.from[0]} y1={mark.from[1]} x2={mark.to[0]} y2={mark.to[1]} {...pen} />
  if (mark.kind === 'circle') return <Circle cx={mark.at[0]} cy={mark.at[1]} r={mark.r} fill={FILLS[mark.fill]} {...pen} />
  const points = mark.spots.map(([x, y]) => `${x},${y}`).join(' ')
  return mark.open ? <Polyline points={points} fill="none" {...pen} /> : <Polygon points={points} fill={FILLS[mark.fill]} {...pen} />
}
