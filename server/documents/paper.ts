/** Pages for clients: A4, or letter where that is the paper, in the shipped typefaces, with headings, paragraphs, pairs and tables that run over pages. */
import PDFDocument from 'pdfkit'
import type { Habits } from '#core/measure/habits.ts'
import { drawBars, drawSvg, type BarRow, type BarSpan } from './paper-drawings.ts'
import { mainOf, runs, useTypefaces, type Face } from './typefaces.ts'

export type Column = { readonly head: string; readonly width: number; readonly right?: boolean }

const margin = 56
const ink = '#191919'
const soft = '#5c5c5c'

/** Ends a PDF, and all of its bytes. */
export async function bytesOf(pdf: PDFKit.PDFDocument): Promise<Buffer> {
  const chunks: Buffer[] = []
  const done = new Promise<Buffer>((resolve, reject) => {
    pdf.on('data', (chunk: Buffer) => chunks.push(chunk))
    pdf.on('end', () => resolve(Buffer.concat(chunks)))
    pdf.on('error', reject)
  })
  pdf.end()
  return done
}

export function paper(title: string, size: Habits['paper'] = 'A4') {
  const pdf = new PDFDocument({
    size: size === 'letter' ? 'LETTER' : 'A4',
    margin,
    bufferPages: true,
    info: { Title: title, Producer: 'Bonitas' },
    lang: 'en',
    displayTitle: true,
  })
  useTypefaces(pdf)
  const width = pdf.page.width - 2 * margin
  const bottom = (): number => pdf.page.height - margin - 24

  function write(
    text: string,
    face: Face,
    size: number,
    options: PDFKit.Mixins.TextOptions = {},
    at?: readonly [number, number],
  ): void {
    const parts = runs(face, text)
    for (const [place, [font, run]] of parts.entries()) {
      pdf.font(font).fontSize(size)
      const continued = place < parts.length - 1
      if (place === 0 && at) pdf.text(run, at[0], at[1], { ...options, continued })
      else pdf.text(run, { ...options, continued })
    }
  }
  const heightOf = (text: string, face: Face, size: number, across: number): number =>
    pdf.font(mainOf(face)).fontSize(size).heightOfString(text, { width: across })
  const widthOf = (text: string, face: Face, size: number): number =>
    pdf.font(mainOf(face)).fontSize(size).widthOfString(text)
  /**
   * How wide each column is, and how large its text: figures stand on the right and never break over lines, so their columns
   * are as wide as the widest of them; words share what is left by their weights.
   */
  function fitted(
    columns: readonly Column[],
    rows: readonly (readonly string[])[],
  ): { widths: number[]; size: number } {
    // a width grows with the size of its letters: each figure is measured once
    const atOne = columns.map((column, at) =>
      column.right
        ? Math.max(
            ...[column.head, ...rows.map((row) => row[at] ?? '')].map((text) => widthOf(text, 'sans', 100) / 100),
          )
        : 0,
    )
    const weights = columns.reduce((total, column) => total + (column.right ? 0 : column.width), 0)
    const at = (size: number): number[] => {
      const own = atOne.map((wide, place) => (columns[place]?.right ? 10 + wide * size : 0))
      const left = width - own.reduce((total, wide) => total + wide, 0)
      return columns.map((column, place) => (column.right ? (own[place] ?? 0) : (left * column.width) / (weights || 1)))
    }
    const sizes = [9, 8.5, 8, 7.5, 7]
    const size =
      sizes.find((wanted) => columns.every((column, place) => column.right || (at(wanted)[place] ?? 0) >= 50)) ?? 7
    return { widths: at(size), size }
  }
  function room(height: number): void {
    if (pdf.y + height > bottom()) pdf.addPage()
  }
  const line = (weight = 0.5, colour = ink): void =>
    void pdf
      .moveTo(margin, pdf.y)
      .lineTo(margin + width, pdf.y)
      .lineWidth(weight)
      .strokeColor(colour)
      .stroke()

  const onPage = { pdf, margin, width, room, write }
  return {
    title(text: string, under: string): void {
      pdf.fillColor(ink)
      write(text, 'serif', 24)
      pdf.fillColor(soft)
      write(under, 'sans', 9.5)
      pdf.fillColor(ink).moveDown(1.2)
    },
    heading(text: string): void {
      room(60)
      pdf.x = margin
      pdf.moveDown(0.8)
      write(text, 'serif', 14.5)
      pdf.moveDown(0.25)
    },
    words(text: string, quiet = false): void {
      room(heightOf(text, 'serif', 11, width))
      pdf.x = margin
      pdf.fillColor(quiet ? soft : ink)
      write(text, 'serif', 11, { width })
      pdf.fillColor(ink)
    },
    /** Rows of cells under a heading line; a row never breaks over a page, and the head is repeated on the next. */
    table(columns: readonly Column[], rows: readonly (readonly string[])[], last: 'plain' | 'sum' = 'plain'): void {
      const { widths, size } = fitted(columns, rows)
      const lefts = widths.map((_, at) => margin + widths.slice(0, at).reduce((total, width) => total + width, 0))
      const row = (cells: readonly string[], quiet: boolean): void => {
        const tall =
          Math.max(...cells.map((cell, at) => heightOf(cell || ' ', 'sans', size, (widths[at] ?? 0) - 8))) + 6
        const top = pdf.y
        pdf.fillColor(quiet ? soft : ink)
        for (const [at, cell] of cells.entries())
          write(cell, 'sans', size, { width: (widths[at] ?? 0) - 8, align: columns[at]?.right ? 'right' : 'left' }, [
            (lefts[at] ?? 0) + (columns[at]?.right ? 8 : 0),
            top + 3,
          ])
        pdf.fillColor(ink)
        pdf.x = margin
        pdf.y = top + tall
      }
      const head = (): void => {
        row(
          columns.map((column) => column.head),
          true,
        )
        line(1)
      }
      room(50)
      head()
      for (const [at, cells] of rows.entries()) {
        const tall =
          Math.max(...cells.map((cell, place) => heightOf(cell || ' ', 'sans', size, (widths[place] ?? 0) - 8))) + 6
        if (pdf.y + tall > bottom()) {
          pdf.addPage()
          head()
        }
        if (last === 'sum' && at === rows.length - 1) line(1)
        row(cells, false)
        line(0.4, '#b4b4b4')
      }
      pdf.moveDown(0.4)
    },
    bars: (rows: readonly BarRow[], span: BarSpan): void => drawBars(onPage, rows, span),
    /** Colours side by side, each with its name and where it lies. */
    swatches(all: readonly { readonly hex: string; readonly words: string; readonly below: string }[]): void {
      const [columns, gap, high] = [4, 12, 44]
      const wide = (width - gap * (columns - 1)) / columns
      for (let at = 0; at < all.length; at += columns) {
        room(high + 40)
        const top = pdf.y
        for (const [place, { hex, words, below }] of all.slice(at, at + columns).entries()) {
          const left = margin + place * (wide + gap)
          pdf.rect(left, top, wide, high).fill(hex)
          pdf.fillColor(ink)
          write(words, 'sans', 8.5, { width: wide, height: 11, ellipsis: true }, [left, top + high + 3])
          pdf.fillColor(soft)
          write(below, 'sans', 8, { width: wide, height: 20, ellipsis: true }, [left, top + high + 14])
        }
        pdf.fillColor(ink)
        pdf.x = margin
        pdf.y = top + high + 38
      }
    },
    drawing: (svg: string): void => drawSvg(onPage, svg),
    /** Two lines to sign on, side by side. */
    signatures(names: readonly string[]): void {
      room(90)
      pdf.moveDown(3)
      const value = width / Math.max(2, names.length)
      const top = pdf.y
      for (const [at, name] of names.entries()) {
        const left = margin + at * value
        pdf
          .moveTo(left, top)
          .lineTo(left + value - 24, top)
          .lineWidth(0.8)
          .strokeColor(ink)
          .stroke()
        write(name, 'sans', 9, { width: value - 24 }, [left, top + 5])
      }
      pdf.x = margin
      pdf.y = top + 26
    },
    /** The finished pages, numbered at their foot. */
    async bytes(foot: string): Promise<Buffer> {
      const { start, count } = pdf.bufferedPageRange()
      for (let page = start; page < start + count; page++) {
        pdf.switchToPage(page)
        const { bottom: kept } = pdf.page.margins
        pdf.page.margins.bottom = 0
        pdf.fillColor(soft)
        write(
          `${foot}  ·  page ${page - start + 1} of ${count}`,
          'sans',
          8,
          { width, align: 'right', lineBreak: false },
          [margin, pdf.page.height - 40],
        )
        pdf.page.margins.bottom = kept
      }
      return bytesOf(pdf)
    },
  }
}

export type Paper = ReturnType<typeof paper>
