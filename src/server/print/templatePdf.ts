import 'server-only'
import { PDFDocument } from 'pdf-lib'
import type { MountTemplate } from '@/core/mount'
import { PAPER_INK, PAPERS, templateMarks, type Paper } from '@/drawings'
import { ink } from './drawing'
import { fontsOf, inFont } from './fonts'

const POINTS_PER_MM = 72 / 25.4
const INK = ink(PAPER_INK.ink)

/** A drilling template as PDF at 1:1 on A4 or Letter. `about` names the job, its place and the day. */
export async function templatePdf(template: MountTemplate, paper: Paper, about: string): Promise<Uint8Array> {
  const { width, height } = PAPERS[paper]
  const doc = await PDFDocument.create()
  doc.setTitle(`Template ${template.mark} ${template.name}`)
  doc.setAuthor('Neat Bracket')
  const { plain } = await fontsOf(doc)
  const page = doc.addPage([width * POINTS_PER_MM, height * POINTS_PER_MM])
  const at = (x: number, y: number) => ({ x: x * POINTS_PER_MM, y: (height - y) * POINTS_PER_MM })
  for (const mark of templateMarks(template, paper, about)) {
    if (mark.kind === 'words') {
      const size = mark.sizeMm * POINTS_PER_MM
      const back =
        { start: 0, middle: 0.5, end: 1 }[mark.anchor] * plain.widthOfTextAtSize(inFont(mark.words), size)
      const spot = at(mark.x, mark.y)
      page.drawText(inFont(mark.words), { ...spot, x: spot.x - back, size, font: plain, color: INK })
    } else if (mark.kind === 'line') {
      page.drawLine({
        start: at(mark.x1, mark.y1),
        end: at(mark.x2, mark.y2),
        thickness: mark.wide * POINTS_PER_MM,
        color: INK,
        ...(mark.dash ? { dashArray: [3 * POINTS_PER_MM, 1.5 * POINTS_PER_MM] } : {}),
      })
    } else
      page.drawCircle({
        ...at(mark.x, mark.y),
        size: mark.r * POINTS_PER_MM,
        borderColor: INK,
        borderWidth: mark.wide * POINTS_PER_MM,
      })
  }
  return doc.save()
}
