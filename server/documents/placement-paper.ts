/** The plan with what stands there on paper, to scale, where each thing stands off the walls, and the carriers' list. */
import { headOf } from '#core/makeover/document.ts'
import { practiceOf } from '#core/makeover/practice.ts'
import { writeLength } from '#core/measure/length.ts'
import {
  atTheDoor,
  bodiesIn,
  carriedIn,
  floorOf,
  layoutOf,
  measuredFrom,
  placedPlan,
  stagesTo,
  thingsOf,
} from '#core/placement/index.ts'
import { roomsOf, type Drawing, type PaperSize } from '#core/survey/index.ts'
import { notFound } from '../problem.ts'
import { drawingsPdf, ink, margin, point, soft, type Write } from './drawings-pdf.ts'
import { bytesOf } from './paper.ts'
import type { AskedRoom } from './survey-paper.ts'

/** `layoutId` empty for the layout in force. */
export type AskedLayout = AskedRoom & { readonly layoutId: string }

/** A room as it is placed in one of its layouts. Throws where there is no such room, or it is not closed. */
export function placedRoom({ makeover, studio, roomId, layoutId }: AskedLayout) {
  const { rules } = practiceOf({ makeover, studio })
  const rooms = roomsOf(makeover, rules)
  const room = rooms.find(({ id }) => id === roomId)
  const floor = room && floorOf(room)
  const layout = layoutId === '' ? layoutOf(makeover, roomId) : (makeover.rows.layout[layoutId] ?? null)
  if (!room || !floor || (layoutId !== '' && layout?.roomId !== roomId)) throw notFound()
  const things = thingsOf(makeover, rules)
  const bodies = layout ? bodiesIn(makeover, layout.id, things) : []
  const units = headOf(makeover)?.units ?? 'metric'
  const length = (mm: number): string => writeLength(Math.round(mm), units)
  const stages = stagesTo(makeover, room)
  return {
    room,
    layout,
    units,
    title: headOf(makeover)?.name ?? '',
    plan: (text: number): Drawing => placedPlan(room, bodies, { text, units, rules, beside: rooms }),
    places: bodies.map((body) => ({
      name: body.name,
      size: body.thing ? [body.thing.widthMm, body.thing.depthMm, body.thing.heightMm].map(length).join(' × ') : '',
      from: measuredFrom(floor.setting, body).map(({ name, mm }) => `${length(mm)} from ${name}`),
      turned: `${Math.round(body.at.turnDeg)}°`,
    })),
    carried: atTheDoor(makeover, roomId, null, things)
      .filter(({ number }) => number === 1)
      .map(({ thing }) => carriedIn(thing, stages))
      .map(({ thing, box, passed }) => ({
        name: thing.piece.name,
        packed: [box.widthMm, box.depthMm, box.heightMm].map(length).join(' × '),
        stages: passed.map(({ stage, pose, missesMm, off }) =>
          pose
            ? `${stage.name}: ${pose}${off ? `, ${off} off` : ''}`
            : `${stage.name}: misses by ${length(Math.ceil(missesMm))}`,
        ),
      })),
  }
}

export function placementPaper({
  paper,
  foot,
  ...asked
}: AskedLayout & { readonly paper: PaperSize; readonly foot: string }): Promise<Buffer> {
  const { room, layout, units, title, plan, places, carried } = placedRoom(asked)
  const name = `${room.name}, ${layout?.name ?? 'empty'}`
  const { pdf, write } = drawingsPdf({ units, paper, title, foot, sheets: [{ name, draw: plan }] })
  const page = (): void => void pdf.addPage({ size: paper === 'a4' ? 'A4' : 'LETTER', margin: 0 })
  list(
    pdf,
    write,
    page,
    'Where each thing stands',
    title,
    places.map(({ name: thing, size, from, turned }) => [thing, size, ...from, `turned ${turned}`]),
  )
  if (carried.length > 0)
    list(
      pdf,
      write,
      page,
      'For the carriers, in the order of carrying in',
      title,
      carried.map(({ name: thing, packed, stages }) => [thing, `packed ${packed}`, ...stages]),
    )
  return bytesOf(pdf)
}

/** A thing a block: its name, and what is said of it below. */
function list(
  pdf: PDFKit.PDFDocument,
  write: Write,
  page: () => void,
  heading: string,
  title: string,
  blocks: readonly (readonly string[])[],
): void {
  let y = Infinity
  for (const [name = '', ...lines] of blocks) {
    if (y + 4.6 * (lines.length + 1) > pdf.page.height / point - 20) {
      page()
      write(heading, margin.side, 10, 17, ink, 'serif')
      write(title, margin.side, 18.5, 8, soft)
      y = 28
    }
    write(name, margin.side, y, 10)
    for (const [at, line] of lines.entries()) write(line, 80, y + 4.6 * at, 9, soft)
    y += 4.6 * Math.max(1, lines.length) + 2
  }
}
