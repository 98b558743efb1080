/** What hangs in a room on paper: every hook with its distances, then each work's hooks at full size, to be taped to the wall. */
import { headOf } from '#core/makeover/document.ts'
import { writeLength } from '#core/measure/length.ts'
import { hangablesOf, hungIn, marksOf, templateOf, type Hung, type TemplatePage } from '#core/placement/index.ts'
import { practiceOf } from '#core/makeover/practice.ts'
import { roomsOf, type PaperSize } from '#core/survey/index.ts'
import { notFound } from '../problem.ts'
import { drawingsPdf, ink, margin, point, soft, type Write } from './drawings-pdf.ts'
import { bytesOf } from './paper.ts'
import type { AskedRoom } from './survey-paper.ts'

/** What of a page a printer prints on, in mm, below the line that says what it is. */
const sheets = { a4: { width: 190, height: 262 }, letter: { width: 196, height: 244 } } as const
const edge = { left: 10, top: 22 }

export function hangingPaper({
  makeover,
  studio,
  roomId,
  paper,
  foot,
}: AskedRoom & { readonly paper: PaperSize; readonly foot: string }): Promise<Buffer> {
  const { rules } = practiceOf({ makeover, studio })
  const room = roomsOf(makeover, rules).find(({ id }) => id === roomId)
  if (!room) throw notFound()
  const units = headOf(makeover)?.units ?? 'metric'
  const title = headOf(makeover)?.name ?? ''
  const length = (mm: number): string => writeLength(Math.round(mm), units)
  const works = hungIn(makeover, room, hangablesOf(makeover))
  const { pdf, write } = drawingsPdf({ units, paper, title, foot, sheets: [] })
  const page = (heading: string, below: string): void => {
    pdf.addPage({ size: paper === 'a4' ? 'A4' : 'LETTER', margin: 0 })
    write(heading, margin.side, 8, 13, ink, 'serif')
    write(below, margin.side, 14.5, 8, soft)
    write(foot, margin.side, pdf.page.height / point - 8, 7, soft)
  }
  list(works, page, write, edge.top + sheets[paper].height, `${title}, ${room.name}`, length)
  for (const work of works)
    for (const sheet of templateOf(work, sheets[paper])) {
      page(
        `${work.name}, ${work.wall.name}${sheet.last > 1 ? `, page ${sheet.number} of ${sheet.last}` : ''}`,
        `1 : 1 · print at full size, and check the bar of 100 mm · the upper line is the top of the work, ${length(work.top)} from the floor`,
      )
      template(pdf, write, work, sheet, length)
    }
  return bytesOf(pdf)
}

function list(
  works: readonly Hung[],
  page: (heading: string, below: string) => void,
  write: Write,
  lowest: number,
  title: string,
  length: (mm: number) => string,
): void {
  let y = Infinity
  for (const work of works) {
    const marks = marksOf(work)
    if (y + 5 * (marks.length + 1) > lowest) {
      page('Hooks and strips', `${title} · find cables and pipes before a hole is made`)
      y = 26
    }
    write(`${work.name}, ${work.wall.name}`, margin.side, y, 10)
    write(`middle ${length(work.centre)}`, 130, y, 9, soft)
    const lines =
      marks.length === 0
        ? [work.thing.fixing?.method === 'leans' ? 'leans: fix its top' : 'hangs from a rail']
        : marks.map(
            ({ height, from: { mm, name }, method }) =>
              `${length(height)} from the floor, ${length(mm)} from ${name}${method === 'not said' ? '' : `, by ${method}`}`,
          )
    for (const [at, line] of lines.entries()) write(line, margin.side + 6, y + 5 * (at + 1), 9, soft)
    y += 5 * (lines.length + 1) + 3
  }
  if (works.length === 0) page('Hooks and strips', `${title} · nothing hangs here yet`)
}

/** A page of a template at full size: the top edge of the work, its middle, its hooks, and where the next page is taped on. */
function template(
  pdf: PDFKit.PDFDocument,
  write: Write,
  work: Hung,
  sheet: TemplatePage,
  length: (mm: number) => string,
): void {
  const x = (along: number): number => (along - sheet.left + edge.left) * point
  const y = (height: number): number => (sheet.top - height + edge.top) * point
  const line = (x0: number, y0: number, x1: number, y1: number): void =>
    void pdf.moveTo(x(x0), y(y0)).lineTo(x(x1), y(y1)).stroke()
  pdf
    .lineWidth(0.3 * point)
    .strokeColor(ink)
    .undash()
  if (work.top <= sheet.top && work.top >= sheet.low) line(sheet.left, work.top, sheet.right, work.top)
  pdf.lineWidth(0.15 * point).dash(2 * point, { space: 2 * point })
  if (work.along >= sheet.left && work.along <= sheet.right) line(work.along, sheet.top, work.along, sheet.low)
  if (sheet.goesOn.right) line(sheet.right - 10, sheet.top, sheet.right - 10, sheet.low)
  if (sheet.goesOn.below) line(sheet.left, sheet.low + 10, sheet.right, sheet.low + 10)
  pdf.lineWidth(0.25 * point).undash()
  for (const { along, height } of sheet.hooks) {
    line(along - 8, height, along + 8, height)
    line(along, height - 8, along, height + 8)
    write(length(height), along - sheet.left + edge.left + 3, sheet.top - height + edge.top - 6, 9)
  }
  // what is printed smaller than it should be is seen here
  const bar = edge.top + sheet.top - sheet.low + 1
  pdf.lineWidth(0.4 * point)
  pdf
    .moveTo(edge.left * point, bar * point)
    .lineTo((edge.left + 100) * point, bar * point)
    .stroke()
  write('100 mm', edge.left + 102, bar - 1.5, 7, soft)
}
