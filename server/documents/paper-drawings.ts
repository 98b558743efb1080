/** What is drawn on a page for clients: bars over days, and a drawing of ours. */
import svgToPdf from 'svg-to-pdfkit'
import { mainOf, type Face } from './typefaces.ts'

const ink = '#191919'
const pointsOfMm = 72 / 25.4

/** The page in hand: `room` begins another where so much height is not left. */
export type OnPage = {
  readonly pdf: PDFKit.PDFDocument
  readonly margin: number
  readonly width: number
  readonly room: (height: number) => void
  readonly write: (
    text: string,
    face: Face,
    size: number,
    options?: PDFKit.Mixins.TextOptions,
    at?: readonly [number, number],
  ) => void
}
export type BarRow = {
  readonly name: string
  readonly bars: readonly {
    readonly from: number
    readonly to: number
    readonly until: number | null
    readonly look: 'open' | 'heavy' | 'done' | 'line'
  }[]
}
export type BarSpan = {
  readonly first: number
  readonly last: number
  readonly mark: { readonly at: number; readonly says: string } | null
}

/** Rows of bars over days, each row with its name on the left, lanes as they are needed; days as their numbers since 1970. */
export function drawBars(
  { pdf, margin, width, room, write }: OnPage,
  rows: readonly BarRow[],
  { first, last, mark }: BarSpan,
): void {
  const left = margin + 92
  const x = (day: number): number => left + ((day - first) / Math.max(1, last - first)) * (margin + width - left)
  room(rows.length * 16 + 40)
  const top = pdf.y
  let y = top
  for (const { name, bars } of rows) {
    room(16)
    const ends: number[] = []
    y = pdf.y
    const lanes = bars.map((bar) => {
      const free = ends.findIndex((end) => end <= bar.from)
      const lane = free < 0 ? ends.length : free
      ends[lane] = bar.until ?? bar.to
      return lane
    })
    write(name, 'sans', 8, { width: 86, lineBreak: false }, [margin, y])
    for (const [at, { from, to, until, look }] of bars.entries()) {
      const at0 = y + (lanes[at] ?? 0) * 9 + 2
      const wide = Math.max(1.5, x(to) - x(from))
      pdf.strokeColor(ink).fillColor(ink).undash()
      if (look === 'line')
        pdf
          .moveTo(x(from), at0 + 3)
          .lineTo(x(from) + wide, at0 + 3)
          .lineWidth(0.6)
          .stroke()
      else if (look === 'open') pdf.rect(x(from), at0, wide, 6).lineWidth(0.6).stroke()
      else
        pdf
          .rect(x(from), at0, wide, 6)
          .lineWidth(look === 'heavy' ? 1.6 : 0.6)
          [look === 'done' ? 'fillAndStroke' : 'stroke']()
      if (until !== null && until > to)
        pdf
          .moveTo(x(to), at0 + 3)
          .lineTo(x(until), at0 + 3)
          .lineWidth(0.6)
          .dash(1, { space: 2 })
          .stroke()
          .undash()
    }
    pdf.x = margin
    pdf.y = y + Math.max(1, ends.length) * 9 + 4
  }
  if (mark && y >= top) {
    pdf
      .moveTo(x(mark.at), top - 2)
      .lineTo(x(mark.at), pdf.y)
      .lineWidth(1)
      .strokeColor(ink)
      .stroke()
    const end = pdf.y
    write(mark.says, 'sans', 8, { width: 120, align: 'right', lineBreak: false }, [x(mark.at) - 122, end])
    pdf.x = margin
    pdf.y = end + 14
  }
}
/** A drawing of ours as an SVG file, as large as it is on its own paper, made smaller where the page is narrower. */
export function drawSvg({ pdf, margin, width, room }: OnPage, svg: string): void {
  const size = /width="([\d.]+)mm" height="([\d.]+)mm"/.exec(svg)
  if (!size) throw new RangeError('A drawing: expected an SVG with its size in mm')
  const [wide, high] = [Number(size[1]) * pointsOfMm, Number(size[2]) * pointsOfMm]
  const scale = Math.min(1, width / wide, (pdf.page.height - 2 * margin - 60) / high)
  room(high * scale + 8)
  const top = pdf.y
  svgToPdf(pdf, svg, margin + (width - wide * scale) / 2, top, {
    width: wide * scale,
    height: high * scale,
    preserveAspectRatio: 'xMidYMid meet',
    assumePt: true,
    fontCallback: () => mainOf('sans'),
    warningCallback: (what) => {
      throw new RangeError(`A drawing: ${what}`)
    },
  })
  pdf.fillColor(ink).strokeColor(ink).undash()
  pdf.x = margin
  pdf.y = top + high * scale + 8
}
