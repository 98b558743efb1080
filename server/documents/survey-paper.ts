import { headOf, type Makeover, type Studio } from '#core/makeover/document.ts'
import { practiceOf } from '#core/makeover/practice.ts'
import {
  areasOf,
  elevationOf,
  letterOf,
  planOf,
  roomsOf,
  type Drawing,
  type PaperSize,
  type Room,
} from '#core/survey/index.ts'
import { notFound } from '../problem.ts'
import { surveyPdf } from './survey-pdf.ts'

export type AskedRoom = { readonly makeover: Makeover; readonly studio: Studio; readonly roomId: string }

/** A room with what can be drawn of it: its plan and each of its walls, at a size of text. Throws where there is no such room. */
export function drawn({ makeover, studio, roomId }: AskedRoom) {
  const { rules } = practiceOf({ makeover, studio })
  const rooms = roomsOf(makeover, rules)
  const room: Room | undefined = rooms.find(({ id }) => id === roomId)
  if (!room) throw notFound()
  const head = headOf(makeover)
  const units = head?.units ?? 'metric'
  const again = room.closing.again?.set ?? []
  return {
    room,
    title: head?.name ?? '',
    units,
    areas: areasOf(makeover, room, rules),
    plan: (text: number): Drawing => planOf(room, { text, units, rules, beside: rooms, again }),
    walls: room.walls.map((wall) => ({
      letter: letterOf(wall.at),
      name: `${room.name}, ${wall.name}`,
      draw: (text: number): Drawing => elevationOf(room, wall, { text, units, again }),
    })),
  }
}

/** The survey of a room on paper, from the documents alone. */
export function surveyPaper({
  paper,
  foot,
  ...asked
}: AskedRoom & { readonly paper: PaperSize; readonly foot: string }): Promise<Buffer> {
  const { room, title, units, areas, plan, walls } = drawn(asked)
  const sheets = [{ name: `${room.name}, plan`, draw: plan }, ...(room.closing.state === 'closed' ? walls : [])]
  return surveyPdf({ room, areas, units, paper, title, foot, sheets })
}
