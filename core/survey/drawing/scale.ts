/** Which scale a drawing is printed at, and on which way of the page. */
import type { UnitSystem } from '../../measure/length.ts'
import type { Drawing } from './marks.ts'

/** 1 : n as architects use them: round in metric; in feet, an inch, 3/4, 1/2, 3/8, 1/4, 1/8 and 1/16 in to the foot. */
export const scales: { readonly [S in UnitSystem]: readonly number[] } = {
  metric: [10, 20, 25, 50, 100, 200, 500],
  'feet and inches': [12, 16, 24, 32, 48, 96, 192, 384],
}
export const papers = { a4: { width: 210, height: 297 }, letter: { width: 215.9, height: 279.4 } } as const
export type PaperSize = keyof typeof papers

export type Fitted = {
  readonly drawing: Drawing
  readonly scale: number
  readonly landscape: boolean
  readonly pageMm: { readonly width: number; readonly height: number }
}

/** The largest scale at which a drawing fits a page with these margins, drawn anew for each, since its text stays as large. */
export function fit(
  draw: (text: number) => Drawing,
  paper: PaperSize,
  system: UnitSystem,
  textMm: number,
  margin: { readonly side: number; readonly top: number; readonly bottom: number },
): Fitted {
  const sheet = papers[paper]
  let last: Fitted | null = null
  for (const scale of scales[system]) {
    const drawing = draw(textMm * scale)
    const [width, height] = [
      (drawing.bounds.right - drawing.bounds.left) / scale,
      (drawing.bounds.top - drawing.bounds.bottom) / scale,
    ]
    for (const landscape of width > height ? [true, false] : [false, true]) {
      const pageMm = landscape
        ? { width: sheet.height, height: sheet.width }
        : { width: sheet.width, height: sheet.height }
      last = { drawing, scale, landscape, pageMm }
      if (width <= pageMm.width - 2 * margin.side && height <= pageMm.height - margin.top - margin.bottom) return last
    }
  }
  return (
    last ?? {
      drawing: draw(textMm * 100),
      scale: 100,
      landscape: true,
      pageMm: { width: sheet.height, height: sheet.width },
    }
  )
}
