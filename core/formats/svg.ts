/** A drawing as an SVG file in mm of its paper: sharp at any size, layers as groups, text as text. */
import { plainLine } from './clean.ts'
import type { Drawing, Mark, Stroke } from '../survey/index.ts'
import { layers, widthOf } from '../survey/index.ts'

const ink = '#191919'
/** Line widths on paper, in mm, and their dashes. */
export const strokes: {
  readonly [S in Stroke]: { readonly mm: number; readonly dash: readonly [number, number] | null }
} = {
  heavy: { mm: 0.5, dash: null },
  firm: { mm: 0.25, dash: null },
  fine: { mm: 0.13, dash: null },
  dashed: { mm: 0.18, dash: [1.4, 0.9] },
}
export const fills = { wall: '#dcdcdc', paper: '#ffffff', none: 'none' } as const

const escaped = (text: string): string =>
  plainLine(text).replace(
    /[&<>"]/g,
    (letter) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[letter] ?? '',
  )
const short = (value: number): string => String(Math.round(value * 1000) / 1000)

/** `scale` is how many mm of the room are one of the paper: 50 for 1 : 50. */
export function svgOf(drawing: Drawing, scale: number, title: string): string {
  const edge = 6
  const { left, right, top, bottom } = drawing.bounds
  const [width, height] = [(right - left) / scale + 2 * edge, (top - bottom) / scale + 2 * edge]
  const x = (mm: number): string => short((mm - left) / scale + edge)
  const y = (mm: number): string => short((top - mm) / scale + edge)
  const drawn = layers.map((layer) => {
    const marks = drawing.marks.filter((mark) => mark.layer === layer)
    return marks.length === 0 ? '' : `<g id="${layer}">${marks.map((mark) => markOf(mark, scale, x, y)).join('')}</g>`
  })
  return `<?xml version="1.0" encoding="UTF-8"?>\n<svg xmlns="http://www.w3.org/2000/svg" width="${short(width)}mm" height="${short(height)}mm" viewBox="0 0 ${short(width)} ${short(height)}" font-family="'Hanken Grotesk', sans-serif" fill="none" stroke="${ink}" stroke-linecap="square"><title>${escaped(`${title}, 1 : ${scale}`)}</title>${drawn.join('')}</svg>\n`
}

function markOf(mark: Mark, scale: number, x: (mm: number) => string, y: (mm: number) => string): string {
  if (mark.is === 'text')
    return `${mark.breaks ? behind(mark, scale, x, y) : ''}<text x="${x(mark.at.x)}" y="${y(mark.at.y)}" dy="0.35em" font-size="${short(mark.size / scale)}" text-anchor="middle" fill="${ink}" stroke="none"${mark.strong || mark.marked ? ' font-weight="600"' : ''}${Math.abs(mark.turn) < 0.01 ? '' : ` transform="rotate(${short(-mark.turn)} ${x(mark.at.x)} ${y(mark.at.y)})"`}>${escaped(mark.text)}</text>`
  const { mm, dash } = strokes[mark.stroke]
  const style = `stroke-width="${mm}"${dash ? ` stroke-dasharray="${dash.join(' ')}"` : ''}`
  if (mark.is === 'line')
    return `<path d="${mark.points.map((point, at) => `${at === 0 ? 'M' : 'L'}${x(point.x)} ${y(point.y)}`).join('')}${mark.closed ? 'Z' : ''}" ${style}${mark.filled && mark.filled !== 'none' ? ` fill="${fills[mark.filled]}"` : ''}/>`
  if (mark.to - mark.from >= 360)
    return `<circle cx="${x(mark.centre.x)}" cy="${y(mark.centre.y)}" r="${short(mark.radius / scale)}" ${style}/>`
  return `<path d="${arcPath(mark, scale, x, y)}" ${style}/>`
}

/** Paper behind a text, so that the dashed line it lies on is broken under it. */
function behind(
  { at, text, size, turn }: Extract<Mark, { is: 'text' }>,
  scale: number,
  x: (mm: number) => string,
  y: (mm: number) => string,
): string {
  const width = widthOf(text, size) / scale
  const height = (size * 1.1) / scale
  return `<rect x="${short(Number(x(at.x)) - width / 2)}" y="${short(Number(y(at.y)) - height / 2)}" width="${short(width)}" height="${short(height)}" fill="${fills.paper}" stroke="none" transform="rotate(${short(-turn)} ${x(at.x)} ${y(at.y)})"/>`
}

/** From one angle counterclockwise to the other, as SVG draws it. */
export function arcPath(
  { centre, radius, from: start, to }: Extract<Mark, { is: 'arc' }>,
  scale: number,
  x: (mm: number) => string,
  y: (mm: number) => string,
): string {
  const point = (deg: number): string =>
    `${x(centre.x + radius * Math.cos((deg * Math.PI) / 180))} ${y(centre.y + radius * Math.sin((deg * Math.PI) / 180))}`
  const spans = (((to - start) % 360) + 360) % 360
  return `M${point(start)}A${short(radius / scale)} ${short(radius / scale)} 0 ${spans > 180 ? 1 : 0} 0 ${point(to)}`
}
