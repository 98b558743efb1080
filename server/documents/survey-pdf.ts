/** The survey of a room on paper, to scale: its plan, each wall, and every length as measured and as adjusted. */
import { writeArea } from '#core/measure/area.ts'
import { writeLength, type UnitSystem } from '#core/measure/length.ts'
import { type PaperSize, type RoomAreas, type Room } from '#core/survey/index.ts'
import { drawingsPdf, ink, margin, point, soft, type Sheets, type Write } from './drawings-pdf.ts'
import { bytesOf } from './paper.ts'

export type SurveySheets = Sheets & { readonly room: Room; readonly areas: RoomAreas | null }

export async function surveyPdf({ room, areas, ...sheets }: SurveySheets): Promise<Buffer> {
  const { pdf, write } = drawingsPdf(sheets)
  lengthsPage(pdf, room, areas, sheets.units, sheets.paper, sheets.title, write)
  return bytesOf(pdf)
}

function lengthsPage(
  pdf: PDFKit.PDFDocument,
  room: Room,
  areas: RoomAreas | null,
  units: UnitSystem,
  paper: PaperSize,
  title: string,
  write: Write,
): void {
  const columns = [margin.side, 70, 105, 140, 165]
  let y = 0
  const begin = (): void => {
    pdf.addPage({ size: paper === 'a4' ? 'A4' : 'LETTER', margin: 0 })
    write(`Lengths of ${room.name}`, margin.side, 10, 17, ink, 'serif')
    write(title, margin.side, 18.5, 8, soft)
    y = 28
    row(['', 'measured', 'adjusted', 'moved', 'standardised'], soft)
  }
  const row = (cells: readonly string[], colour = ink): void => {
    for (const [at, cell] of cells.entries()) write(cell, columns[at] ?? 0, y, 9, colour)
    y += 5.2
    pdf
      .undash()
      .lineWidth(0.1 * point)
      .strokeColor('#b4b4b4')
      .moveTo(margin.side * point, (y - 0.9) * point)
      .lineTo((pdf.page.width / point - margin.side) * point, (y - 0.9) * point)
      .stroke()
  }
  begin()
  const length = (mm: number): string => writeLength(mm, units)
  const { closing } = room
  for (const lengthReading of closing.lengths) {
    if (y > pdf.page.height / point - 30) begin()
    row([
      lengthReading.name,
      lengthReading.measuredMm === null ? 'not measured' : length(lengthReading.measuredMm),
      closing.state === 'closed' ? length(lengthReading.adjustedMm) : '',
      closing.state === 'closed' && lengthReading.measuredMm !== null
        ? `${lengthReading.residualMm < 0 ? '−' : '+'}${Math.abs(lengthReading.residualMm).toFixed(1)}\u00a0mm`
        : '',
      lengthReading.standardised === null ? '' : lengthReading.standardised.toFixed(1),
    ])
  }
  const said = [
    closing.why,
    closing.misclosure
      ? `Misses its start by ${closing.misclosure.mm.toFixed(1)} mm${closing.misclosure.oneIn ? `, 1 : ${closing.misclosure.oneIn}` : ''}; up to ${Math.round(closing.limitMm)} mm is the tape.`
      : '',
    areas
      ? `Floor ${writeArea(areas.floorM2, units)}, walls net ${writeArea(areas.netM2, units)} of ${writeArea(areas.grossM2, units)}, skirting ${length(areas.skirtingMm)}.`
      : '',
  ].filter(Boolean)
  for (const line of said) {
    y += 4
    write(line, margin.side, y, 9)
    y += 2
  }
}
