/** Drawings on paper, to scale, one a page, each with a bar to check the scale by. */
import PDFDocument from 'pdfkit'
import { arcPath, fills, strokes } from '#core/formats/svg.ts'
import type { UnitSystem } from '#core/measure/length.ts'
import { fit, type Drawing, type Fitted, type Mark, type PaperSize } from '#core/survey/index.ts'
import { runs, useTypefaces } from './typefaces.ts'

export const point = 72 / 25.4
export const margin = { side: 12, top: 26, bottom: 24 }
const textMm = 2.5
export const ink = '#191919'
export const soft = '#5c5c5c'

export type Sheets = {
  readonly units: UnitSystem
  readonly paper: PaperSize
  readonly title: string
  readonly foot: string
  readonly sheets: readonly { readonly name: string; readonly draw: (text: number) => Drawing }[]
}

/** A document with its drawings; further pages are added by whoever asked for it. */
export function drawingsPdf({ units, paper, title, foot, sheets }: Sheets): { pdf: PDFKit.PDFDocument; write: Write } {
  const pdf = new PDFDocument({
    autoFirstPage: false,
    info: { Title: title, Producer: 'Bonitas' },
    lang: 'en',
    displayTitle: true,
  })
  useTypefaces(pdf)
  const write: Write = (text, x, y, size, colour = ink, face = 'sans') => {
    let at = x * point
    for (const [font, run] of runs(face, text)) {
      pdf
        .font(font)
        .fontSize(size)
        .fillColor(colour)
        .text(run, at, y * point, { lineBreak: false })
      at += pdf.widthOfString(run)
    }
    return at / point
  }
  for (const { name, draw } of sheets) {
    const fitted = fit(draw, paper, units, textMm, margin)
    pdf.addPage({ size: [fitted.pageMm.width * point, fitted.pageMm.height * point], margin: 0 })
    write(name, margin.side, 10, 17, ink, 'serif')
    write(
      `${title} · 1 : ${fitted.scale} on ${paper === 'a4' ? 'A4' : 'Letter'} · check the bar before you measure on paper${fitted.drawing.unplaced.length > 0 ? ` · without room on the drawing: ${fitted.drawing.unplaced.join(', ')}` : ''}`,
      margin.side,
      18.5,
      8,
      soft,
    )
    drawOn(pdf, fitted)
    scaleBar(pdf, fitted, units, write)
    write(foot, fitted.pageMm.width / 2, fitted.pageMm.height - 9, 8, soft)
  }
  return { pdf, write }
}

export type Write = (
  text: string,
  x: number,
  y: number,
  size: number,
  colour?: string,
  face?: 'sans' | 'serif',
) => number

function drawOn(pdf: PDFKit.PDFDocument, { drawing, scale, pageMm }: Fitted): void {
  const { left, right, top, bottom } = drawing.bounds
  // in the middle of what the margins leave
  const x0 = (margin.side + pageMm.width - margin.side) / 2 - (right - left) / scale / 2
  const y0 = (margin.top + pageMm.height - margin.bottom) / 2 - (top - bottom) / scale / 2
  const x = (mm: number): number => ((mm - left) / scale + x0) * point
  const y = (mm: number): number => ((top - mm) / scale + y0) * point
  for (const mark of drawing.marks) markOn(pdf, mark, scale, x, y)
}

function markOn(
  pdf: PDFKit.PDFDocument,
  mark: Mark,
  scale: number,
  x: (mm: number) => number,
  y: (mm: number) => number,
): void {
  if (mark.is === 'text') {
    const size = (mark.size / scale) * point
    const parts = runs('sans', mark.text)
    const widths = parts.map(([font, run]) => pdf.font(font).fontSize(size).widthOfString(run))
    const [cx, cy] = [x(mark.at.x), y(mark.at.y)]
    pdf.save().rotate(-mark.turn, { origin: [cx, cy] })
    const width = widths.reduce((sum, width) => sum + width, 0)
    if (mark.breaks)
      pdf.rect(cx - width / 2 - size * 0.1, cy - size * 0.55, width + size * 0.2, size * 1.1).fill(fills.paper)
    let at = cx - width / 2
    for (const [place, [font, run]] of parts.entries()) {
      pdf
        .font(font)
        .fontSize(size)
        .fillColor(ink)
        .text(run, at, cy - size * 0.62, { lineBreak: false })
      at += widths[place] ?? 0
    }
    pdf.restore()
    return
  }
  const { mm, dash } = strokes[mark.stroke]
  pdf
    .lineWidth(mm * point)
    .strokeColor(ink)
    .lineCap('square')
  if (dash) pdf.dash(dash[0] * point, { space: dash[1] * point })
  else pdf.undash()
  if (mark.is === 'line') {
    for (const [at, point] of mark.points.entries())
      if (at === 0) pdf.moveTo(x(point.x), y(point.y))
      else pdf.lineTo(x(point.x), y(point.y))
    if (mark.closed) pdf.closePath()
    if (mark.filled && mark.filled !== 'none') pdf.fillAndStroke(fills[mark.filled], ink)
    else pdf.stroke()
    return
  }
  const radius = (mark.radius / scale) * point
  if (mark.to - mark.from >= 360) pdf.circle(x(mark.centre.x), y(mark.centre.y), radius).stroke()
  else
    pdf
      .path(
        arcPath(
          mark,
          scale / point,
          (mm) => String(x(mm)),
          (mm) => String(y(mm)),
        ),
      )
      .stroke()
}

/** Five metres, or ten feet, as long as they are at this scale: fewer where the page is small. */
function scaleBar(pdf: PDFKit.PDFDocument, { scale, pageMm }: Fitted, units: UnitSystem, write: Write): void {
  const step = units === 'metric' ? 1000 : 304.8 * 2
  const room = pageMm.width / 2 - margin.side - 16
  const count = Math.max(1, Math.min(5, Math.floor((room * scale) / step)))
  const value = step / scale
  const top = pageMm.height - 13
  pdf
    .undash()
    .lineWidth(0.25 * point)
    .strokeColor(ink)
  for (let at = 0; at < count; at++)
    pdf
      .rect((margin.side + at * value) * point, top * point, value * point, 1.6 * point)
      .fillAndStroke(at % 2 === 0 ? ink : '#ffffff', ink)
  for (let at = 0; at <= count; at++)
    write(
      at === count
        ? `${units === 'metric' ? at : at * 2}\u00a0${units === 'metric' ? 'm' : 'ft'}`
        : String(units === 'metric' ? at : at * 2),
      margin.side + at * value - 0.8,
      top + 2.4,
      8,
    )
}
