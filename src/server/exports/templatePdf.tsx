import 'server-only'
import { Circle, Document, Line, Page, renderToBuffer, Svg, Text } from '@react-pdf/renderer'
import type { MountTemplate } from '@/core/mount'
import { PAPERS, templateMarks, type Paper } from '@/drawings'
import { registerFonts } from './fonts'

const POINTS_PER_MM = 72 / 25.4
const INK = '#1C2126'

/** A drilling template as PDF at 1:1 on A4 or Letter. */
export function templatePdf(template: MountTemplate, paper: Paper): Promise<Buffer> {
  registerFonts()
  const { width, height } = PAPERS[paper]
  const size = { width: width * POINTS_PER_MM, height: height * POINTS_PER_MM }
  return renderToBuffer(
    <Document title={`Template ${template.mark} ${template.name}`} author="Neat Bracket">
      <Page size={size}>
        <Svg viewBox={`0 0 ${width} ${height}`} width={size.width} height={size.height}>
          {templateMarks(template, paper).map((mark, index) => {
            if (mark.kind === 'words') return <Text key={index} x={mark.x} y={mark.y} textAnchor={mark.anchor} fill={INK} style={{ fontSize: mark.sizeMm, fontFamily: 'Barlow' }}>{mark.words}</Text>
            const pen = { stroke: INK, strokeWidth: mark.wide, ...(mark.dash ? { strokeDasharray: '3 1.5' } : {}) }
            if (mark.kind === 'line') return <Line key={index} x1={mark.x1} y1={mark.y1} x2={mark.x2} y2={mark.y2} {...pen} />
            return <Circle key={index} cx={mark.x} cy={mark.y} r={mark.r} fill="none" {...pen} />
          })}
        </Svg>
      </Page>
    </Document>,
  )
}
